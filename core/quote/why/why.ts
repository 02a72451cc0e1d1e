import type { ChargeTrace } from "../../charges/definition.ts";
import type { Trace } from "../../conditions/compile.ts";
import { hasNoPrice, type PriceLine, sumOf } from "../../delivery/full-price.ts";
import type { Evaluation } from "../../evaluate/evaluation.ts";
import { exactOf, type LinearAmount, minus } from "../../money/linear-amount.ts";
import { type Rational, reduce } from "../../money/rational.ts";
import type { TariffOffer } from "../../tariff/tariff-offer.ts";
import type { OfferUse, Why, WhyCharge, WhyCondition, WhyLine, WhyOffer, WhyOption } from "../answer/why.ts";
import { inTime, offerHolds, priceOption, reached, withinLimits } from "../options/price-option.ts";

/** Computed by the same steps as the quote itself, with somebody listening. */
export function whyOf(now: Evaluation): Why {
  const { tariff } = now;
  return {
    zone: tariff.zone.id,
    options: tariff.options.map(({ id, number, full }): WhyOption => {
      const told: PriceLine[] = [];
      const fullPrice = full.price(now, (line) => told.push(line));
      const lines = told.map(whyLine);
      const outcome = priceOption(number, now);
      const { price } = outcome;
      const when = full.when && whyCondition(full.when.explain(now));
      const offers = tariff.offers.map((offer) => whyOffer(offer, number, now));
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

function whyOffer(offer: TariffOffer, option: number, now: Evaluation): WhyOffer {
  const when = offer.when?.explain(now);
  return {
    offer: offer.id,
    use: usage(offer, option, now, when),
    ...(when ? { when: whyCondition(when) } : {}),
    steps: offer.steps.map((step) => ({
      step: step.step.id,
      trigger: step.trigger.kind,
      reached: reached(offer, step, now),
      ...(step.goal ? { wanted: step.goal.least, counted: now.count(step.goal.measure) } : {}),
    })),
  };
}

function usage(offer: TariffOffer, option: number, now: Evaluation, when: Trace | undefined): OfferUse {
  if (!inTime(offer, now)) return "not-in-time";
  const limits = withinLimits(offer, now);
  if (limits === false) return "limit-reached";
  if (when?.truth === false) return "condition";
  if (!offerHolds(offer, now)) return limits === null ? "limit-unknown" : "condition-unknown";
  const earned = offer.steps.filter((step) => reached(offer, step, now));
  if (earned.length === 0) return "not-earned";
  if (!earned.some((step) => step.onOrder || step.options.includes(option))) return "nothing-for-this-option";
  const { price, used } = priceOption(option, now);
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
  return rationalText(reduce(exactOf(amount)));
}

function rationalText(exact: Rational): string {
  const [n, d] = [BigInt(exact.n), BigInt(exact.d)];
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
