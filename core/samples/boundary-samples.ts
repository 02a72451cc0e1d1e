import { decide } from "../analysis/decide.ts";
import { type World, within, worldOf, type ZoneContext } from "../analysis/world.ts";
import { type FillerLike, filler, plainCart, readLine } from "../cart/read-cart.ts";
import type { BandedCharge } from "../charges/kinds/bands.ts";
import type { DeliveryOption } from "../delivery/option.ts";
import { leastCount } from "../measures/edge.ts";
import { compileSpec, counted } from "../measures/measure.ts";
import { type LadderMeasure, type MeasureSpec, markAt, measuredFigure, onlyOf } from "../measures/measure-spec.ts";
import { goodsLike } from "../measures/only-goods.ts";
import { percent } from "../money/decimal.ts";
import { ZERO } from "../money/rational.ts";
import type { Offer } from "../offers/offer.ts";
import { goalOf } from "../offers/trigger.ts";
import { type Phrase, phrase } from "../phrases/phrase.ts";
import { english } from "../phrases/speak.ts";
import type { Zone } from "../places/market.ts";
import { ratesOf } from "../plan/plan.ts";
import { visitCharges } from "../plan/visit-charges.ts";
import { explainAt } from "../queries/explain-at.ts";
import type { CartLine, QuoteRequest } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { interval } from "../time/local.ts";
import { runSample } from "./compare.ts";
import type { Sample } from "./sample.ts";

/** A place where something changes: just below it, at it, just above it. */
export type BoundarySample = {
  readonly edge: Phrase;
  readonly side: "below" | "at" | "above";
  readonly sample: Sample;
};

/** Samples for every edge of every band, goal, schedule and zone, and the edges that none could be made for, with why. */
export type Generated = {
  readonly samples: readonly BoundarySample[];
  readonly covered: number;
  readonly left: readonly { readonly edge: Phrase; readonly why: Phrase }[];
};

/** An edge of a plan with carts on its sides, or why there are none. */
type Boundary = { readonly edge: Phrase; readonly sides: Sided | Phrase };

/**
 * Makes samples on both sides of every edge of a plan; what they see now is what they are expected to see.
 *
 * @param at the moment looked from, in milliseconds of UTC, where a schedule asks for no other
 * @example boundarySamples(compiled, Date.now()).left // edges that no cart could be made for, and why
 */
export function boundarySamples(compiled: CompiledPlan, at: number): Generated {
  const samples: BoundarySample[] = [];
  const left: { edge: Phrase; why: Phrase }[] = [];
  let covered = 0;
  for (const { edge, sides } of boundariesOf(compiled, at)) {
    if ("message" in sides) {
      left.push({ edge, why: sides });
      continue;
    }
    covered += 1;
    for (const { side, request } of sides) {
      const sample: Sample = {
        id: `edge-${samples.length + 1}`,
        name: `${english(edge)}, ${side}`.slice(0, 120),
        request,
      };
      const { seen } = runSample(compiled, sample);
      samples.push({ edge, side, sample: seen ? { ...sample, expected: seen } : sample });
    }
  }
  return { samples, covered, left };
}

function* boundariesOf(compiled: CompiledPlan, at: number): Generator<Boundary> {
  const { plan } = compiled;
  const world = worldOf(compiled, at);
  for (const zone of plan.zones) if (zone.on !== false) yield zoneBoundary(world, zone);
  for (const offer of plan.offers) {
    if (!offer.on) continue;
    yield* goalBoundaries(world, offer);
    yield* scheduleBoundaries(world, offer);
  }
  for (const { option, charge } of visitCharges(plan))
    if (charge.kind === "bands") yield* bandBoundaries(world, option, charge);
}

const contextsIn = ({ contexts }: World, zones: readonly string[]) =>
  contexts.filter(({ zone }) => zones.includes(zone.id));

const zoneEdge = (name: string) => phrase("zone {name}", { name });

function zoneBoundary(world: World, zone: Zone): Boundary {
  const where = world.contexts.find((one) => one.zone.id === zone.id);
  return {
    edge: zoneEdge(zone.name),
    sides: where
      ? [{ side: "at", request: plain(where, world.at, [cartLine("value", 1000)]) }]
      : phrase("no address leads there"),
  };
}

function* goalBoundaries(world: World, offer: Offer): Generator<Boundary> {
  for (const where of contextsIn(world, offer.zones))
    for (const [i, { trigger }] of offer.steps.entries()) {
      const goal = goalOf(trigger);
      if (!goal) continue;
      const mark = markAt(goal.at, contextOf(world.compiled, where));
      yield {
        edge: phrase("goal of step {number} of {offer} in {zone}, {currency}", {
          number: i + 1,
          offer: offer.name,
          zone: where.zone.name,
          currency: where.currency,
        }),
        sides:
          mark === undefined
            ? phrase("it has no amount")
            : aroundGoal(world.compiled, offer, where, leastCount(mark, goal.edge), world.at),
      };
    }
}

function* scheduleBoundaries(world: World, offer: Offer): Generator<Boundary> {
  const [where] = contextsIn(world, offer.zones);
  if (!where) return;
  const request = (time: number) => plain(where, time, [cartLine("value", 10_000)]);
  for (const [i, stretch] of (offer.schedule ?? []).entries()) {
    const [start, end] = interval(stretch, where.market.timeZone);
    for (const [name, moment] of Object.entries({ start, end }))
      if (Number.isFinite(moment))
        yield {
          edge:
            name === "start"
              ? phrase("start of stretch {number} of {offer}", { number: i + 1, offer: offer.name })
              : phrase("end of stretch {number} of {offer}", { number: i + 1, offer: offer.name }),
          sides: [
            { side: "below", request: request(moment - 1) },
            { side: "at", request: request(moment) },
          ],
        };
  }
}

function* bandBoundaries(world: World, option: DeliveryOption, { by, edges }: BandedCharge): Generator<Boundary> {
  for (const where of contextsIn(world, option.zones))
    for (const { at: mark, edge } of edges) {
      const count = markAt(mark, contextOf(world.compiled, where));
      const values = { option: option.name.en ?? option.id, zone: where.zone.name, currency: where.currency };
      const figure = count === undefined ? "?" : measuredFigure(by.kind, count, where.currency, "short");
      yield {
        edge:
          edge === "from"
            ? phrase("band of {option} from {figure} in {zone}, {currency}", { ...values, figure })
            : phrase("band of {option} above {figure} in {zone}, {currency}", { ...values, figure }),
        sides:
          count === undefined
            ? phrase("it has no amount")
            : aroundCount(world.compiled, where, by, leastCount(count, edge), world.at),
      };
    }
}

const contextOf = (compiled: CompiledPlan, { zone, market, currency }: ZoneContext) => ({
  zone: zone.id,
  market: market.id,
  currency,
  rates: ratesOf(compiled.plan),
});

const cartLine = (kind: "value" | "items" | "weight", amount: number, like?: FillerLike): CartLine => ({
  ...filler(kind, amount, like),
  sku: like?.sku ?? "any",
});

function plain({ addresses, currency }: ZoneContext, at: number, lines: CartLine[]): QuoteRequest {
  return { at: new Date(at).toISOString(), currency, destination: addresses[0] ?? {}, cart: { lines } };
}

type Sided = { side: BoundarySample["side"]; request: QuoteRequest }[];

/** Carts just below, at and just above what counts so much, each a line of one kind; or why none can be made. */
function aroundCount(
  compiled: CompiledPlan,
  where: ZoneContext,
  by: MeasureSpec | LadderMeasure,
  least: number,
  at: number,
): Sided | Phrase {
  if (by.kind === "distance") return phrase("it goes by distance, which an address without a position does not tell");
  if (by.kind === "volume" || by.kind === "weight-volume" || by.kind === "volumetric-weight")
    return phrase("it goes by volume");
  const kind = by.kind === "value" || by.kind === "items" ? by.kind : "weight";
  const { market, zone } = where;
  const context = contextOf(compiled, where);
  const measure = compileSpec(by, "ordinary", market.pricesIncludeTax, percent(zone.standardTaxRate) ?? ZERO, context);
  const only = onlyOf(by);
  const like = only && goodsLike(only, context);
  const linesOf = (amount: number) => (amount > 0 ? [cartLine(kind, amount, like)] : []);
  const reaches = (amount: number) =>
    (counted(measure, plainCart(linesOf(amount).map(readLine)), new Map()) ?? 0) >= least;
  const edge = leastThat(reaches);
  if (edge === null) return phrase("no amount of plain goods gets there");
  return (
    [
      ["below", edge - 1],
      ["at", edge],
      ["above", edge + 1],
    ] as const
  )
    .filter(([, amount]) => amount >= 0)
    .map(([side, amount]) => ({ side, request: plain(where, at, linesOf(amount)) }));
}

/** The least amount that does; counts rise with every unit, through packing, rounding and tax. */
function leastThat(reaches: (amount: number) => boolean): number | null {
  if (reaches(0)) return 0;
  let [low, high] = [0, 1];
  while (!reaches(high)) {
    if (high > 2 ** 40) return null;
    [low, high] = [high, high * 2];
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (reaches(middle)) high = middle;
    else low = middle;
  }
  return high;
}

function aroundGoal(
  compiled: CompiledPlan,
  offer: Offer,
  where: ZoneContext,
  least: number,
  at: number,
): Sided | Phrase {
  const carts = aroundCount(compiled, where, offer.counts, least, at);
  if ("message" in carts || !offer.when) return carts;
  const { when } = offer;
  const decision = decide(within(worldOf(compiled, at, [when]), [where.zone.id]), when, true);
  if (decision.kind !== "witness") return phrase("nobody there meets its condition");
  const { shopper, destination, channel, payment, locale } = decision.request;
  const sided = carts.map(({ side, request }) => ({
    side,
    request: {
      ...request,
      destination,
      ...(shopper ? { shopper } : {}),
      ...(channel ? { channel } : {}),
      ...(payment ? { payment } : {}),
      ...(locale ? { locale } : {}),
    },
  }));
  const met = sided.every(({ request }) => explainAt(compiled, request, when)?.truth === true);
  return met ? sided : phrase("its condition is about the cart too");
}

/** One row of an edge walk: what a cart on one side of an edge pays and reads. */
export type EdgeWalkRow = {
  readonly edge: Phrase;
  readonly side: BoundarySample["side"];
  readonly request: QuoteRequest;
  readonly seen: Sample["expected"];
};

/** The edges of one offer with the cart just below, at and just above each. */
export const edgeWalk = (
  compiled: CompiledPlan,
  offer: Offer,
  at: number,
): { rows: EdgeWalkRow[]; left: Generated["left"] } => {
  const only = {
    ...compiled,
    plan: {
      ...compiled.plan,
      offers: [offer],
      options: [],
      zones: compiled.plan.zones.filter(({ id }) => offer.zones.includes(id)),
    },
  };
  const { samples, left } = boundarySamples({ ...only, tariffOf: compiled.tariffOf, places: compiled.places }, at);
  return {
    rows: samples
      .filter(({ edge }) => edge.message !== zoneEdge("").message)
      .map(({ edge, side, sample }) => ({
        edge,
        side,
        request: sample.request,
        seen: runSample(compiled, sample).seen ?? undefined,
      })),
    left,
  };
};
