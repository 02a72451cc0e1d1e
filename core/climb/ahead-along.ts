import { type ReadLine, readFiller } from "../cart/read-cart.ts";
import { type CartGrowth, cartAfter, fillersFor, growByFiller } from "../evaluate/cart-growth.ts";
import { compare } from "../money/rational.ts";
import { ahead, FillerForecast } from "../quote/progress/step-status.ts";
import type { Tariff } from "../tariff/tariff.ts";
import type { TariffOffer, TariffStep } from "../tariff/tariff-offer.ts";
import { type AheadOnClimb, aheadBetween, type ToldAhead } from "./ahead-between.ts";
import type { Segment } from "./segment.ts";

/** What adding filler would do to the cart after `units` of a segment, and for how many units more that stays so. */
type AheadAlong = (offer: TariffOffer, step: TariffStep, units: number) => AheadOnClimb;

/** Looks ahead along a segment, from one unit to later ones, each time for as many as it can. */
export function aheadAlong(segment: Segment): AheadAlong {
  const { tariff, next } = segment.growth;
  const isLikeFiller = !tariff.seesLineFigures && likeFiller(tariff, next);
  const likeIt = aheadOfItsLike(segment.growth);
  const others = aheadOfOthers(segment);
  return (offer, step, units) => {
    const { kind, like } = offer.filler;
    return (isLikeFiller && kind === "value" && !like ? likeIt : others)(offer, step, units);
  };
}

/** Goods like filler: a unit of them here and a unit less of filler come to the same, so one forecast serves them all. */
function aheadOfItsLike(growth: CartGrowth): AheadAlong {
  // From the first unit on, and from the whole line on.
  const begun = new Map<TariffStep, FillerForecast>();
  const whole = new Map<TariffStep, FillerForecast>();
  return (offer, step, units) => {
    const isWhole = growth.length !== null && units >= growth.length;
    const [kept, base] = isWhole ? [whole, units] : [begun, 1];
    const forecast =
      kept.get(step) ?? new FillerForecast(offer, step, growByFiller(growth, cartAfter(growth, base), offer.filler));
    kept.set(step, forecast);
    return ahead(forecast, units - base);
  };
}

/**
 * What was told of a step; how many units are told at once the next time, from which on that is tried, and how many looks at stretches of
 * filler each by itself takes.
 */
type Told = ToldAhead & {
  readonly width: number;
  readonly again: number;
  readonly failures: number;
  readonly looks: number;
};

/** So many units are told at once at first, then twice as many each time, or half as many. */
const WIDTH = 100;
const NARROWEST = 4;
const WIDEST = 256;
/** So many looks each takes, as long as that is not known. */
const LOOKS = 4;
/** Where none could be told, so many times in a row, twice as many are passed by each time. */
const MOST_FAILURES = 5;

function aheadOfOthers({ growth, lastAlike, isAsBefore }: Segment): AheadAlong {
  const told = new Map<TariffStep, Told>();
  const fillersAt = fillersAlong(growth);
  return (offer, step, units) => {
    const before = told.get(step);
    if (before && units <= before.to) return before.at(units);
    const filled = (at: number) => fillersAt(at, units)(offer.filler);
    const forecast = new FillerForecast(offer, step, filled(units));
    if (before && units < before.again) return { ...ahead(forecast, 0), slope: 0, units: 0 };
    const remaining = forecast.atOnce();
    const { width, failures, looks } = before ?? {
      width: WIDTH,
      failures: 0,
      looks: remaining === null ? LOOKS : 1,
    };
    const furthest = Math.min(units + WIDEST, lastAlike(units));
    const to = Math.min(units + width, furthest);
    const looked = { from: units, to, furthest, remaining, looks };
    const all = to > units ? aheadBetween(offer, step, { filled, isAsBefore }, looked) : null;
    if (all && all.to > units) {
      const { to, at } = all;
      told.set(step, { to, at, width: Math.min(WIDEST, 2 * width), again: to + 1, failures: 0, looks });
      return at(units);
    }
    const one: AheadOnClimb = { ...ahead(forecast, 0), slope: 0, units: 0 };
    told.set(step, {
      to: units,
      at: () => one,
      width: Math.max(NARROWEST, Math.floor(width / 2)),
      again: units + 2 ** (failures + 1),
      failures: Math.min(failures + 1, MOST_FAILURES - 1),
      looks: 1 + forecast.stretches.length,
    });
    return one;
  };
}

/** Filler added after so many units, for every step the same; what is behind `from` nobody asks for any more. */
function fillersAlong(growth: CartGrowth): (units: number, from: number) => ReturnType<typeof fillersFor> {
  const known = new Map<number, ReturnType<typeof fillersFor>>();
  let last = 0;
  return (units, from) => {
    if (from > last) for (const at of known.keys()) if (at < from) known.delete(at);
    last = from;
    const fillers = known.get(units) ?? fillersFor(growth, () => cartAfter(growth, units));
    known.set(units, fillers);
    return fillers;
  };
}

/** Whether adding bits of a line is, for every value that is counted, like adding filler. */
function likeFiller(tariff: Tariff, line: ReadLine | null): boolean {
  if (!line) return true;
  const standard = line.taxRate === null || compare(line.taxRate, tariff.standardTax) === 0;
  const ordinary = readFiller("value", 1);
  const counted = tariff.measures.every(
    (measure) => measure.kind !== "value" || measure.value.counts(line) === measure.value.counts(ordinary),
  );
  const profits = tariff.offers.every(({ steps }) =>
    steps.every(
      ({ onOrder, reward }) =>
        (onOrder?.kind !== "percent" || onOrder.of(line)) &&
        (!reward?.goods || reward.goods.has(line) === reward.goods.has(ordinary)),
    ),
  );
  return standard && line.discount === 0 && counted && profits;
}
