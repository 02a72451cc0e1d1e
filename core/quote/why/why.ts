import type { ChargeTrace } from "../../charges/definition.ts";
import type { NoPrice } from "../../charges/no-price.ts";
import type { Trace } from "../../conditions/compile.ts";
import type { Condition } from "../../conditions/condition.ts";
import type { Actual } from "../../conditions/definition.ts";
import { hasNoPrice, type PriceLine, sumOf } from "../../delivery/full-price.ts";
import type { Evaluation } from "../../evaluate/evaluation.ts";
import { exactOf, type LinearAmount, minus } from "../../money/linear-amount.ts";
import type { Rational } from "../../money/rational.ts";
import type { Truth } from "../../situation/truth.ts";
import type { Tariff, TariffOffer } from "../../tariff/tariff.ts";
import { inTime, offerHolds, priceOption, reached, withinLimits } from "../options/price-option.ts";

/** A condition as it was found, for JSON: what was wanted, what was there. */
export type WhyCondition = {
  truth: Truth;
  kind: string;
  wanted: Condition | null;
  actual?: Actual;
  of?: WhyCondition[];
};

/** A charge as it was computed. Amounts are exact minor units as text, "489.5" or "1000/3". */
export type WhyCharge = {
  kind: string;
  price: string;
  counted?: number | null;
  chosen?: number;
  when?: WhyCondition;
  of?: WhyCharge[];
};

export type WhyLine = {
  part: PriceLine["part"] | "offers";
  amount: string;
  id?: string;
  charge?: WhyCharge;
  when?: WhyCondition;
};

/** What became of an offer for one option. */
export type OfferUse =
  | "used"
  | "changes-nothing"
  | "another-is-better"
  | "nothing-for-this-option"
  | "not-earned"
  | "condition"
  | "condition-unknown"
  | "not-in-time"
  | "limit-reached"
  | "limit-unknown"
  | "no-price";

export type WhyOffer = {
  offer: string;
  use: OfferUse;
  when?: WhyCondition;
  steps: { step: string; trigger: string; reached: boolean; wanted?: number; counted?: number | null }[];
};

/** Why an option costs what it does: the lines add up to its exact price. */
export type WhyOption = {
  option: string;
  price: string | null;
  reason?: NoPrice;
  when?: WhyCondition;
  lines: WhyLine[];
  offers: WhyOffer[];
};

/** The account of one quote: which place, which options and at what price, which offers and why not. */
export type Why = {
  zone: string;
  options: WhyOption[];
  /** Steps that could not be offered in this currency for want of an amount. */
  withoutAmount: { offer: string; step: string }[];
};

/** Computed by the same steps as the quote itself, with somebody listening. */
export function whyOf(tariff: Tariff, now: Evaluation): Why {
  return {
    zone: tariff.zone.id,
    options: tariff.options.map(({ id, number, full }): WhyOption => {
      const told: PriceLine[] = [];
      const fullPrice = full.price(now, (line) => told.push(line));
      const lines = told.map(whyLine);
      const outcome = priceOption(tariff, number, now);
      const { price } = outcome;
      const when = full.when && whyCondition(full.when.explain(now));
      const offers = tariff.offers.map((offer) => whyOffer(tariff, offer, number, now));
      const common = { option: id, ...(when ? { when } : {}), offers };
      if (hasNoPrice(fullPrice) || typeof price === "string") {
        const reason = hasNoPrice(fullPrice) ? fullPrice : typeof price === "string" ? price : "not-offered";
        return { ...common, price: null, reason, lines };
      }
      const saved = minus(price, sumOf(fullPrice));
      const used = outcome.used.map(({ offer }) => offer.id).join(" ");
      const offersLine: WhyLine[] = saved === 0 ? [] : [{ part: "offers", amount: exactText(saved), id: used }];
      return { ...common, price: exactText(price), lines: [...lines, ...offersLine] };
    }),
    withoutAmount: [...tariff.withoutAmount],
  };
}

function whyOffer(tariff: Tariff, offer: TariffOffer, option: number, now: Evaluation): WhyOffer {
  const when = offer.when?.explain(now);
  return {
    offer: offer.id,
    use: usage(tariff, offer, option, now, when),
    ...(when ? { when: whyCondition(when) } : {}),
    steps: offer.steps.map((step) => ({
      step: step.step.id,
      trigger: step.trigger.kind,
      reached: reached(offer, step, now),
      ...(step.goal ? { wanted: step.goal.least, counted: now.count(step.goal.measure) } : {}),
    })),
  };
}

function usage(tariff: Tariff, offer: TariffOffer, option: number, now: Evaluation, when: Trace | undefined): OfferUse {
  if (!inTime(offer, now)) return "not-in-time";
  const limits = withinLimits(offer, now);
  if (limits === false) return "limit-reached";
  if (when?.truth === false) return "condition";
  if (!offerHolds(offer, now)) return limits === null ? "limit-unknown" : "condition-unknown";
  const earned = offer.steps.filter((step) => reached(offer, step, now));
  if (earned.length === 0) return "not-earned";
  if (!earned.some((step) => step.onOrder || step.options.includes(option))) return "nothing-for-this-option";
  const { price, used } = priceOption(tariff, option, now);
  if (typeof price === "string") return "no-price";
  if (used.some((one) => one.offer === offer)) return "used";
  return used.every((one) => one.offer.stacks[offer.number] === true) ? "changes-nothing" : "another-is-better";
}

function whyLine({ part, amount, id, charge, when }: PriceLine): WhyLine {
  return {
    part,
    amount: exactText(amount),
    ...(id === undefined ? {} : { id }),
    ...(charge ? { charge: whyCharge(charge) } : {}),
    ...(when ? { when: whyCondition(when) } : {}),
  };
}

function whyCharge({ kind, price, counted, chosen, when, of }: ChargeTrace): WhyCharge {
  return {
    kind,
    price: typeof price === "string" ? price : exactText(price),
    ...(counted === undefined ? {} : { counted }),
    ...(chosen === undefined ? {} : { chosen }),
    ...(when ? { when: whyCondition(when) } : {}),
    ...(of ? { of: of.map(whyCharge) } : {}),
  };
}

function whyCondition({ truth, condition, actual, of }: Trace): WhyCondition {
  return {
    truth,
    kind: condition.kind,
    wanted: of && condition.kind !== "saved" ? null : condition,
    ...(actual === undefined ? {} : { actual }),
    ...(of ? { of: of.map(whyCondition) } : {}),
  };
}

/** An exact figure as text: a decimal where it ends, else a fraction. @example exactText(490) // "490" */
function exactText(amount: LinearAmount): string {
  if (typeof amount === "number") return String(amount);
  return rationalText(exactOf(amount));
}

function rationalText({ n, d }: Rational): string {
  let [digits, scale] = [0, 1n];
  while (digits < 12 && scale % d !== 0n) {
    digits += 1;
    scale *= 10n;
  }
  if (scale % d !== 0n) return `${n}/${d}`;
  if (digits === 0) return String(n);
  const text = String((n < 0n ? -n : n) * (scale / d)).padStart(digits + 1, "0");
  return `${n < 0n ? "-" : ""}${text.slice(0, -digits)}.${text.slice(-digits)}`;
}
