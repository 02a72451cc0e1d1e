import { hasNoPrice, type Parts, sumOf } from "../delivery/full-price.ts";
import { type Horizon, type LinearAmount, lessAtLeastZero, minus, plus, timesBy } from "../money/linear-amount.ts";
import type { Rational } from "../money/rational.ts";
import type { Covers, PriceChange } from "./definition.ts";

/** What is covered comes down to a price, if it is above it. */
export const downTo =
  (price: LinearAmount): PriceChange =>
  (parts, covers, { horizon }) => {
    let covered = parts.charge;
    if (covers.handling) covered = plus(covered, parts.handling);
    if (covers.surcharges) covered = plus(covered, parts.surcharges);
    if (covers.own) covered = plus(covered, parts.own);
    return reduced(parts, covers, lessAtLeastZero(covered, price, horizon), horizon);
  };

/** It comes down to what another option costs in full, where that has a price. */
export const downToOption =
  (option: string): PriceChange =>
  (parts, covers, tools) => {
    const other = tools.fullPriceOf(option);
    return hasNoPrice(other) ? parts : downTo(sumOf(other))(parts, covers, tools);
  };

/** A part of it is kept. */
export function keep(part: Rational): PriceChange {
  const kept = timesBy(part);
  return ({ charge, handling, surcharges, own }, covers) => ({
    charge: kept(charge),
    handling: covers.handling ? kept(handling) : handling,
    surcharges: covers.surcharges ? kept(surcharges) : surcharges,
    own: covers.own ? kept(own) : own,
  });
}

/** So much less, at least zero. */
export const less =
  (amount: number): PriceChange =>
  (parts, covers, { horizon }) =>
    reduced(parts, covers, amount, horizon);

/** Takes an amount off what is covered: off the charge first, then handling, surcharges, own charges. */
function reduced(
  { charge, handling, surcharges, own }: Parts,
  covers: Covers,
  by: LinearAmount,
  horizon: Horizon | null,
): Parts {
  // Most of what comes off a price is less than its charge.
  if (typeof by === "number" && typeof charge === "number" && by <= charge)
    return { charge: charge - by, handling, surcharges, own };
  let left = by;
  const after = { charge, handling, surcharges, own };
  after.charge = without(charge, left, horizon);
  left = minus(left, minus(charge, after.charge));
  if (covers.handling && handling !== 0) {
    after.handling = without(handling, left, horizon);
    left = minus(left, minus(handling, after.handling));
  }
  if (covers.surcharges && surcharges !== 0) {
    after.surcharges = without(surcharges, left, horizon);
    left = minus(left, minus(surcharges, after.surcharges));
  }
  if (covers.own && own !== 0) after.own = without(own, left, horizon);
  return after;
}

/** A part less so much, at least zero. */
const without = (part: LinearAmount, by: LinearAmount, horizon: Horizon | null): LinearAmount =>
  by === 0 || part === 0 ? part : lessAtLeastZero(part, by, horizon);
