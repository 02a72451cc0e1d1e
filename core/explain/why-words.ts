import type { Charge } from "../charges/charge.ts";
import type { NoPrice } from "../charges/no-price.ts";
import { actualWords, conditionWords } from "../conditions/words.ts";
import { type DeliveryOption, optionIn } from "../delivery/option.ts";
import { measured, measureWords } from "../measures/measure-spec.ts";
import { pickText } from "../messages/locale.ts";
import type { AmountContext } from "../money/amount.ts";
import { exponentOf } from "../money/currency.ts";
import { formatMoney } from "../money/format.ts";
import { type Plan, ratesOf, savedOf } from "../plan/plan.ts";
import type { OfferUse, Why, WhyCharge, WhyCondition, WhyLine, WhyOffer, WhyOption } from "../quote/answer/why.ts";

/** One sentence of an account, and the setting it comes from. */
export type WhySentence = {
  readonly text: string;
  readonly about: { readonly kind: "option" | "offer" | "zone"; readonly id: string };
};

/**
 * The account of one option in sentences, in English for the people who make the plan. Made on demand: the account itself
 * is data.
 *
 * @example whySentences(plan, why, "standard", "EUR")[0].text // "Standard costs €4.90."
 */
export function whySentences(plan: Plan, why: Why, option: string, currency: string): WhySentence[] {
  const account = why.options.find((one) => one.option === option);
  const shared = plan.options.find(({ id }) => id === option);
  const zone = plan.zones.find(({ id }) => id === why.zone);
  if (!account || !shared || !zone) return [];
  const definition = optionIn(shared, zone.id);
  const words = new Words(plan, { market: zone.market, currency, rates: ratesOf(plan) });
  return [
    ...words.optionSentences(account, definition, why.zone),
    ...account.offers
      .filter(({ use }) => use !== "nothing-for-this-option")
      .map((offer) => ({ text: words.offerSentence(offer), about: { kind: "offer" as const, id: offer.offer } })),
    ...why.withoutAmount.map(({ offer, step }) => ({
      text: `“${words.offerName(offer)}” has no amount in ${currency} for its step ${step}.`,
      about: { kind: "offer" as const, id: offer },
    })),
  ];
}

const NO_PRICE_WORDS: Readonly<Record<NoPrice, string>> = {
  "not-offered": "it is not offered for a cart like this",
  "no-amount": "an amount is missing in this currency",
  condition: "its condition does not hold",
  "condition-unknown": "not enough is known to tell whether its condition holds",
  "no-entry": "no entry of its list applies",
  "weight-unknown": "a weight or size in the cart is not known",
  "place-unknown": "the address is not complete yet",
  "too-far": "it is too far away",
  "carrier-slow": "the carrier did not answer in time",
  "carrier-failed": "the carrier could not be reached",
  "carrier-not-served": "the carrier does not go there",
  "carrier-too-heavy": "the parcel is too heavy for the carrier",
  "carrier-not-asked": "the carrier was not asked about this parcel",
};

const USE_WORDS: Readonly<Record<OfferUse, string>> = {
  used: "is used",
  "changes-nothing": "is earned, but changes nothing here",
  "another-is-better": "is earned, but another offer is better for the shopper and the two do not go together",
  "nothing-for-this-option": "is earned, but gives nothing on this option",
  "not-earned": "is not earned yet",
  condition: "is not for this shopper or cart",
  "condition-unknown": "may be for this shopper, but not enough is known",
  "not-in-time": "does not run at this moment",
  "limit-reached": "has been used as often as it may be",
  "limit-unknown": "has a limit per shopper, and it is not known who this is",
  "no-price": "cannot be used on an option without a price",
};

const PART_WORDS: Readonly<Record<WhyLine["part"], string>> = {
  charge: "Charge",
  base: "Base charge",
  "mark-up": "Mark-up",
  minimum: "Raised to the minimum",
  maximum: "Cut to the maximum",
  tax: "Tax settled",
  rounding: "Rounded",
  handling: "Handling",
  surcharge: "Surcharge",
  "own-charge": "Own charge of",
  offers: "Offers",
};

const TRUTH_WORDS = (truth: boolean | null) => (truth === null ? "not known" : truth ? "yes" : "no");

class Words {
  private readonly plan: Plan;
  private readonly context: AmountContext;
  constructor(plan: Plan, context: AmountContext) {
    this.plan = plan;
    this.context = context;
  }

  optionSentences(account: WhyOption, definition: DeliveryOption, zone: string): WhySentence[] {
    const { option, price, reason, when, lines } = account;
    const name = pickText(definition.name, "en", [])?.text ?? option;
    const about = { kind: "option", id: option } as const;
    const head =
      price === null
        ? `${name} cannot be had: ${NO_PRICE_WORDS[reason ?? "not-offered"]}.`
        : `${name} costs ${this.money(price)}.`;
    return [
      { text: head, about },
      ...(when ? [{ text: `Asked: ${this.condition(when)}.`, about }] : []),
      ...lines.map((line) => ({
        text: this.line(line, definition),
        about: line.part === "handling" && !definition.handling ? ({ kind: "zone", id: zone } as const) : about,
      })),
    ];
  }

  offerSentence({ offer, use, when, steps }: WhyOffer): string {
    const definition = this.plan.offers.find(({ id }) => id === offer);
    const kind = definition?.counts.kind ?? "value";
    const figure = (count: number) => measured(kind, count, this.context.currency, "en");
    const goals = steps.flatMap(({ wanted, counted, reached }) => {
      if (wanted === undefined) return [];
      const found = counted === null || counted === undefined ? "an unknown figure" : figure(counted);
      return [`${found} of ${figure(wanted)}${reached ? ", reached" : ""}`];
    });
    const asked = when && use !== "used" ? ` (${this.condition(when)})` : "";
    return `“${this.offerName(offer)}” ${USE_WORDS[use]}${asked}${goals.length > 0 ? `: ${goals.join("; ")}` : ""}.`;
  }

  offerName(id: string): string {
    return this.plan.offers.find((offer) => offer.id === id)?.name ?? id;
  }

  private line({ part, amount, id, charge, when }: WhyLine, definition: DeliveryOption): string {
    const names =
      part === "offers"
        ? (id ?? "").split(" ").map((offer) => this.offerName(offer))
        : part === "surcharge"
          ? [pickText(definition.surcharges?.find((one) => one.id === id)?.name ?? {}, "en", [])?.text ?? id ?? ""]
          : id === undefined
            ? []
            : [id];
    const head = [PART_WORDS[part], names.join(" and ")].filter((text) => text !== "").join(" ");
    const charged = charge && part === "charge" ? `, ${this.charge(definition.charge, charge)}` : "";
    return `${head}: ${this.money(amount)}${charged}${when ? `, since ${this.condition(when)}` : ""}.`;
  }

  /** How a charge came about. @example "flat", "by weight: 1.35 kg, in band 2 of 3" */
  private charge(charge: Charge, { counted, chosen, of }: WhyCharge): string {
    switch (charge.kind) {
      case "flat":
        return "flat";
      case "per-item":
        return "for each item";
      case "parcel-classes":
        return "by parcel class";
      case "bands": {
        const found =
          counted === null || counted === undefined
            ? "not known"
            : measured(charge.by.kind, counted, this.context.currency, "en");
        const band = chosen === undefined ? "" : `, in band ${chosen + 1} of ${charge.edges.length + 1}`;
        return `by ${measureWords(charge.by)}: ${found}${band}`;
      }
      case "carrier": {
        const [answer, fallback] = of ?? [];
        if (!charge.fallback || !fallback || chosen !== 1) return `as ${charge.carrier} answered for ${charge.service}`;
        const why = Object.entries(NO_PRICE_WORDS).find(([reason]) => reason === answer?.price)?.[1] ?? "no answer";
        return `the fallback, since ${why}; ${this.charge(charge.fallback, fallback)}`;
      }
      case "conditional": {
        const entries = [...charge.entries].sort((a, b) => a.position - b.position);
        const told = (of ?? []).flatMap((entry, i) => {
          const own = entries[i];
          if (!own || (charge.take === "first" && chosen !== undefined && i > chosen)) return [];
          const asked = entry.when ? `if ${this.condition(entry.when)}` : "otherwise";
          const amount = isExact(entry.price) ? this.money(entry.price) : "none";
          return [`${asked}: ${amount}`];
        });
        return `the ${charge.take === "sum" ? "sum" : charge.take} of a list (${told.join("; ")})`;
      }
    }
  }

  /** A condition with what was found. @example "the cart holds more than 8 items: no (3)" */
  private condition(found: WhyCondition): string {
    const { kind, truth, wanted, actual, of } = found;
    if (kind === "all") return (of ?? []).map((part) => this.condition(part)).join(" and ");
    if (kind === "any") return (of ?? []).map((part) => this.condition(part)).join(" or ");
    if (kind === "not") return `not (${(of ?? []).map((part) => this.condition(part)).join()}): ${TRUTH_WORDS(truth)}`;
    if (!wanted) return TRUTH_WORDS(truth);
    const words = conditionWords(wanted, this.context, savedOf(this.plan));
    const there = actualWords(wanted, actual, this.context.currency);
    return `${words}: ${TRUTH_WORDS(truth)}${there === undefined ? "" : ` (${there})`}`;
  }

  /** Exact amounts, with more decimals than the currency has where they fall between its units. */
  private money(text: string): string {
    const { currency } = this.context;
    const minor = Number(text);
    if (Number.isSafeInteger(minor)) return formatMoney(minor, currency, "en");
    const [n = "0", d = "1"] = text.split("/");
    const exact = Number(n) / Number(d) / 10 ** (exponentOf(currency) ?? 2);
    // For reading only: nothing is computed from it.
    return new Intl.NumberFormat("en", {
      style: "currency",
      currency,
      currencyDisplay: "narrowSymbol",
      maximumFractionDigits: 6,
    }).format(exact);
  }
}

const isExact = (text: string) => /^-?[0-9]/.test(text);
