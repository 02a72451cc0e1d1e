import { phrase } from "../phrases/phrase.ts";

/** Why an option has no price for this cart, and in words. An option without a price is unavailable, never free. */
export const NO_PRICE_WORDS = {
  "not-offered": phrase("it is not offered for a cart like this"),
  "no-amount": phrase("an amount is missing in this currency"),
  condition: phrase("its condition does not hold"),
  "condition-unknown": phrase("not enough is known to tell whether its condition holds"),
  "no-entry": phrase("no entry of its list applies"),
  "weight-unknown": phrase("a weight or size in the cart is not known"),
  "place-unknown": phrase("the address is not complete yet"),
  "too-far": phrase("it is too far away"),
  "no-window": phrase("no window is left to pick"),
  "carrier-slow": phrase("the carrier did not answer in time"),
  "carrier-failed": phrase("the carrier could not be reached"),
  "carrier-not-served": phrase("the carrier does not go there"),
  "carrier-too-heavy": phrase("the parcel is too heavy for the carrier"),
  "carrier-account-unknown": phrase("the carrier does not know the store's account"),
  "carrier-not-asked": phrase("the carrier was not asked about this parcel"),
} as const;

export type NoPrice = keyof typeof NO_PRICE_WORDS;
