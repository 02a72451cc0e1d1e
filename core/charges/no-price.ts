/** Why an option has no price for this cart, and in words. An option without a price is unavailable, never free. */
export const NO_PRICE_WORDS = {
  "not-offered": "it is not offered for a cart like this",
  "no-amount": "an amount is missing in this currency",
  condition: "its condition does not hold",
  "condition-unknown": "not enough is known to tell whether its condition holds",
  "no-entry": "no entry of its list applies",
  "weight-unknown": "a weight or size in the cart is not known",
  "place-unknown": "the address is not complete yet",
  "too-far": "it is too far away",
  "no-window": "no window is left to pick",
  "carrier-slow": "the carrier did not answer in time",
  "carrier-failed": "the carrier could not be reached",
  "carrier-not-served": "the carrier does not go there",
  "carrier-too-heavy": "the parcel is too heavy for the carrier",
  "carrier-account-unknown": "the carrier does not know the store's account",
  "carrier-not-asked": "the carrier was not asked about this parcel",
} as const;

export type NoPrice = keyof typeof NO_PRICE_WORDS;
