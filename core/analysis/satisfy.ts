import type { Condition } from "../conditions/condition.ts";
import { EVERYTHING, type Intervals, meet, samples } from "../facts/intervals.ts";
import { percent } from "../money/decimal.ts";
import type { Market, Zone } from "../places/market.ts";
import { placeOf } from "../places/place.ts";
import { possiblePlaces } from "../places/possible-places.ts";
import { postcodePattern } from "../places/postcode.ts";
import { ratesOf, savedOf } from "../plan/plan.ts";
import { explainerIn } from "../queries/explain-at.ts";
import type { CartLine, Destination, QuoteRequest, Shopper } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import { momentOf, zoneClock } from "../time/zone-clock.ts";
import { codesAround, codesOf } from "./addresses.ts";
import { type Constraints, constraintsOf } from "./constraints.ts";
import { both, type LineNeed, type LineShape, NO_NEED, shapeFor } from "./line-needs.ts";
import { type Literal, toDisjuncts } from "./normal-form.ts";

/** One zone and currency that an analysis looks from, with full addresses that the zone serves. */
export type ZoneContext = {
  readonly zone: Zone;
  readonly market: Market;
  readonly currency: string;
  readonly addresses: readonly Destination[];
};

/** What an analysis looks at: a plan, from where, around which moment. */
export type World = { readonly compiled: CompiledPlan; readonly contexts: readonly ZoneContext[]; readonly at: number };

/** `witness`: a request for which it is so, confirmed by asking the engine; `never`: there is none; else not decided. */
export type Decision =
  | { readonly kind: "witness"; readonly request: QuoteRequest }
  | { readonly kind: "never" }
  | { readonly kind: "undecided" };

/** Standpoints and carts tried for one way before it is given up. */
const MOST_TRIES = 400;
const DAY = 86_400_000;
/** Days looked through for one on which weekday and day of the month meet. */
const MOST_DAYS = 1500;
const MOST_LINES = 500;
const MOST_PIECES = 100_000;
const HUGE = 10_000_000_000;

/**
 * Whether a condition can hold (or fail) for some shopper, cart, place and moment of a world. `never` follows from the
 * facts alone; a witness has been put to the engine. It never guesses: what it cannot settle is `undecided`.
 *
 * @param wanted true: that it holds; false: that it fails
 * @example decide(world, { kind: "items", is: "less-than", count: 0 }, true).kind // "never"
 */
export function decide(world: World, condition: Condition, wanted: boolean): Decision {
  const ways = toDisjuncts(condition, wanted, savedOf(world.compiled.plan));
  if (!ways) return { kind: "undecided" };
  let undecided = false;
  const contexts = contextsFor(world, condition);
  for (const way of ways) {
    for (const where of contexts) {
      const found = decideWay(world, where, way, condition, wanted);
      if (found.kind === "witness") return found;
      undecided ||= found.kind === "undecided";
    }
  }
  return { kind: undecided ? "undecided" : "never" };
}

/** Zones of one market and tax are alike to conditions that ask about no place. */
function contextsFor({ compiled, contexts }: World, condition: Condition): readonly ZoneContext[] {
  if (placesNamed(condition, savedOf(compiled.plan)).length > 0) return contexts;
  const apart = new Map(
    contexts.map((where) => [`${where.market.id} ${where.currency} ${where.zone.standardTaxRate}`, where]),
  );
  return [...apart.values()];
}

function decideWay(
  world: World,
  where: ZoneContext,
  way: readonly Literal[],
  condition: Condition,
  wanted: boolean,
): Decision {
  const { compiled } = world;
  const { market, currency } = where;
  const context = { market: market.id, currency, rates: ratesOf(compiled.plan), timeZone: market.timeZone };
  let undecided = false;
  for (const demands of constraintsOf(way, context)) {
    const requests = requestsFor(world, where, demands);
    if (requests === "never") continue;
    const tariff = compiled.tariffOf(where.zone.id, currency);
    const explain = tariff ? explainerIn(compiled, tariff, condition) : () => null;
    let tries = 0;
    for (const request of requests) {
      tries += 1;
      if (tries > MOST_TRIES) break;
      if (explain(request)?.truth === wanted) return { kind: "witness", request };
    }
    undecided = true;
  }
  return { kind: undecided ? "undecided" : "never" };
}

/** Requests that meet the demands as far as one can tell beforehand; "never" where facts rule them out. */
function requestsFor(world: World, where: ZoneContext, demands: Constraints): Iterable<QuoteRequest> | "never" {
  const places = placesFor(world.compiled, where, demands);
  const moments = momentsFor(where, demands, world.at);
  const shopper = shopperFor(demands);
  const carts = cartsFor(where, demands);
  const currencies = demands.names.get("moment.currency");
  const pays =
    !currencies || ((currencies.in?.includes(where.currency) ?? true) && !currencies.not.includes(where.currency));
  if (!pays || places.length === 0 || moments.length === 0 || shopper === "never" || carts === "never") return "never";
  const channel = nameFor(demands, "moment.channel", "shop");
  const [language = "en"] = where.market.languages;
  const locale = nameFor(demands, "moment.language", language, "de");
  function* all(): Generator<QuoteRequest> {
    for (const cart of carts === "never" ? [] : carts)
      for (const destination of places)
        for (const at of moments) {
          const person = shopper === "never" ? {} : shopper(at);
          yield {
            at: new Date(at).toISOString(),
            currency: where.currency,
            locale,
            channel,
            destination,
            shopper: person,
            cart,
          };
        }
  }
  return all();
}

function nameFor(demands: Constraints, fact: string, plain: string, otherwise = `${plain}-2`): string {
  const asked = demands.names.get(fact);
  const [first] = asked?.in ?? [];
  if (first !== undefined) return first;
  return asked?.not.includes(plain) ? otherwise : plain;
}

function placesFor(compiled: CompiledPlan, { addresses }: ZoneContext, demands: Constraints): Destination[] {
  const patterns = demands.postcodes.map((asked) => ({
    ...asked,
    compiled: asked.patterns.flatMap((text) => postcodePattern(asked.country, text) ?? []),
  }));
  const country = demands.names.get("place.country");
  const region = demands.names.get("place.region");
  const fits = (destination: Destination) => {
    const [place, ...others] = possiblePlaces(placeOf(destination), compiled.named);
    if (!place) return false;
    const settled = others.length === 0 && place.regionKnown;
    const named = (asked: typeof country, names: readonly string[]) =>
      !asked ||
      ((asked.in === null || names.some((name) => asked.in?.includes(name))) &&
        !names.some((name) => asked.not.includes(name)));
    return (
      named(country, place.countries) &&
      (!region || (settled && named(region, place.regions))) &&
      patterns.every(({ country: of, compiled: read, holds }) => {
        const there =
          place.countries.includes(of) &&
          read.some((pattern) => place.postcode !== null && pattern.matches(place.postcode));
        return there === holds;
      })
    );
  };
  const found = addresses.filter(fits).slice(0, 4);
  const distances = [...demands.numbers].filter(([fact]) => fact.startsWith("place.distance "));
  return distances.length === 0
    ? found
    : found.flatMap((destination) => withPosition(compiled, destination, distances));
}

/** A degree of latitude on the sphere that distances are measured on, in metres. */
const DEGREE = (Math.PI * 6_371_008.8) / 180;

/** A position due north (or south) of the first location that is asked about; the engine says whether it fits the others. */
function withPosition(
  compiled: CompiledPlan,
  destination: Destination,
  distances: readonly (readonly [string, Intervals])[],
): Destination[] {
  const [first] = distances;
  const from = compiled.positions.get(first?.[0].replace("place.distance ", "") ?? "");
  if (!first || !from) return [];
  return samples(first[1], 0, 9_000_000).map((metres) => {
    const by = metres / DEGREE;
    return { ...destination, position: [from[0] + by > 90 ? from[0] - by : from[0] + by, from[1]] };
  });
}

function momentsFor({ market }: ZoneContext, demands: Constraints, around: number): number[] {
  const instants = demands.numbers.get("moment.instant");
  const weekdays = demands.numbers.get("moment.weekday");
  const minutes = demands.numbers.get("moment.minute");
  const monthDays = demands.numbers.get("moment.monthDay");
  if (!instants && !weekdays && !minutes && !monthDays) return [around];
  const clock = zoneClock(market.timeZone);
  const inside = (intervals: Intervals | undefined, value: number) =>
    !intervals || meet(intervals, [{ from: value, until: value + 1 }]).length > 0;
  const wanted = (at: number) => {
    const { day, weekday, minute } = clock(at);
    const monthDay = new Date(day * 86_400_000).getUTCDate();
    return (
      inside(instants, at) && inside(weekdays, weekday - 1) && inside(minutes, minute) && inside(monthDays, monthDay)
    );
  };
  for (const { from, until } of instants ?? EVERYTHING) {
    // Without a beginning: from now on, else looking back from the end.
    const starts = from === null ? [around, Math.min(around, until ?? around) - (MOST_DAYS / 2) * DAY] : [from];
    for (const start of starts) {
      for (let day = 0; day < MOST_DAYS; day += 1) {
        if (until !== null && start + (day - 2) * DAY > until) break;
        const date = new Date(start + day * DAY).toISOString().slice(0, 10);
        const times = [...samples(minutes ?? EVERYTHING, 0, 1439), 720].map((minute) =>
          momentOf(
            `${date}T${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`,
            market.timeZone,
            "start",
          ),
        );
        const edges = day === 0 ? [...(from === null ? [] : [from]), ...(until === null ? [] : [until - 1])] : [];
        const found = [...edges, ...times].find(wanted);
        if (found !== undefined) return [found];
      }
    }
  }
  return [];
}

function shopperFor(demands: Constraints): ((at: number) => Shopper) | "never" {
  const pick = (fact: string, most = 1_000_000) => {
    const asked = demands.numbers.get(fact);
    return asked ? samples(asked, 0, most) : [undefined];
  };
  const [orders] = pick("shopper.orderCount");
  const [spent] = pick("shopper.totalSpent", HUGE);
  const daysAsked = demands.numbers.get("shopper.daysSinceOrder");
  if (demands.numbers.has("shopper.orderCount") && orders === undefined) return "never";
  if (demands.numbers.has("shopper.totalSpent") && spent === undefined) return "never";
  const manyOrders = demands.numbers.get("shopper.orderCount");
  const [days] = daysAsked ? samples(daysAsked, 0, 36_500) : [undefined];
  const never = daysAsked ? daysAsked.some(({ until }) => until === null) : true;
  // Who has never ordered has not ordered for any number of days.
  const onlyNone = manyOrders && samples(manyOrders, 1, 1_000_000).length === 0;
  if (daysAsked && ((onlyNone && !never) || (!onlyNone && days === undefined && !never))) return "never";
  const groups = demands.sets.get("shopper.groups");
  const id = demands.names.get("shopper.id");
  const billing = demands.names.get("place.billingCountry");
  const chosen = groups?.someOf.map((list) => list.find((name) => !groups.noneOf.includes(name)) ?? "") ?? [];
  const count =
    daysAsked && !onlyNone && orders === 0 ? (samples(manyOrders ?? EVERYTHING, 1, 1_000_000)[0] ?? 1) : orders;
  return (at) => ({
    ...(id?.in?.[0] === undefined ? { id: "somebody" } : { id: id.in[0] }),
    signedIn: demands.flags.get("shopper.signedIn") ?? false,
    business: demands.flags.get("shopper.business") ?? false,
    ...(chosen.length > 0 ? { groups: [...new Set(chosen)] } : {}),
    ...(count === undefined ? (daysAsked && onlyNone ? { orderCount: 0 } : {}) : { orderCount: count }),
    ...(daysAsked && !onlyNone && days !== undefined ? { lastOrderAt: new Date(at - days * DAY).toISOString() } : {}),
    ...(spent === undefined ? {} : { totalSpent: spent }),
    billingCountry: billing?.in?.[0] ?? (billing?.not.includes("PT") ? "DE" : "PT"),
  });
}

/** Carts with the lines that are asked for, and as few, dear and heavy as their totals have to be. */
function cartsFor(where: ZoneContext, demands: Constraints): Iterable<QuoteRequest["cart"]> | "never" {
  const within = (fact: string, least: number, most: number) =>
    meet(demands.numbers.get(fact) ?? EVERYTHING, [{ from: least, until: most + 1 }]);
  const lineCounts = within("cart.lines", 0, MOST_LINES);
  const pieces = within("cart.items", 0, MOST_PIECES);
  const codes = demands.sets.get("cart.codes");
  const entered = codes?.someOf.map((list) => list.find((code) => !codes.noneOf.includes(code)) ?? "") ?? [];
  if (lineCounts.length === 0 || pieces.length === 0) return "never";
  const arrangements = partitions(demands.lines).flatMap((groups) => {
    const shapes = groups.map((needs, i) => shapeFor([...needs, demands.everyLine].reduce(both, NO_NEED), i + 1));
    const whole = shapes.filter((shape) => shape !== null);
    return whole.length === shapes.length ? [whole] : [];
  });
  const spare = shapeFor(demands.everyLine, 90);
  const fitting = arrangements.flatMap((shapes) =>
    [
      ...new Set([
        ...samples(lineCounts, shapes.length, shapes.length + 3),
        ...samples(lineCounts, shapes.length, MOST_LINES).slice(0, 1),
      ]),
    ].flatMap((count) => {
      if (count > shapes.length && !spare) return [];
      const padded = [...shapes, ...Array.from({ length: count - shapes.length }, (_, i) => named(spare, i))].filter(
        (shape) => shape !== null,
      );
      // An empty cart is worth nothing and weighs nothing.
      const zero: Intervals = [{ from: 0, until: 1 }];
      const empty = [...demands.bases.map((one) => one.within), within("cart.weight", 0, HUGE)];
      if (padded.length === 0 && empty.some((asked) => meet(asked, zero).length === 0)) return [];
      const [fewest, most] = [
        padded.reduce((sum, shape) => sum + leastOf(shape.quantity), 0),
        padded.reduce((sum, shape) => sum + mostOf(shape.quantity), 0),
      ];
      return samples(pieces, fewest, Math.min(most, MOST_PIECES))
        .slice(0, 3)
        .map((items) => ({ shapes: padded, items }));
    }),
  );
  if (fitting.length === 0) return "never";
  return (function* () {
    for (const { shapes, items } of fitting)
      for (const prices of pricesFor(where, demands, shapes, items))
        yield {
          ...cartOf(shapes, items, prices, weightsFor(demands)),
          ...(entered.length > 0 ? { codes: [...new Set(entered)] } : {}),
        };
  })();
}

const named = (shape: LineShape | null, number: number): LineShape | null =>
  shape && {
    ...shape,
    line: shape.line.sku.startsWith("other-") ? { ...shape.line, sku: `spare-${number}` } : shape.line,
  };

const leastOf = (intervals: Intervals) => samples(intervals, 0, HUGE)[0] ?? 0;
const mostOf = (intervals: Intervals) => samples(intervals, 0, HUGE).at(-1) ?? 0;

/** Ways to have several needs met by fewer lines, each need by one of its own first. */
function partitions(needs: readonly LineNeed[]): LineNeed[][][] {
  const [first, ...rest] = needs;
  if (!first) return [[]];
  if (needs.length > 6) return [needs.map((need) => [need])];
  return partitions(rest).flatMap((groups) => [
    [[first], ...groups],
    ...groups.map((_, i) => groups.map((group, j) => (i === j ? [first, ...group] : group))),
  ]);
}

/** Totals worth trying, in minor units as the market writes prices. */
function pricesFor(
  { market, zone }: ZoneContext,
  demands: Constraints,
  shapes: readonly LineShape[],
  items: number,
): number[] {
  if (shapes.length === 0) return [0];
  const least = shapes.reduce((sum, shape) => sum + leastOf(shape.price) * leastOf(shape.quantity), 0);
  if (demands.bases.length === 0) return [Math.max(least, items * 100), least];
  const rate = percent(zone.standardTaxRate);
  const tax = rate ? 1 + Number(rate.n) / Number(rate.d) : 1;
  const targets = demands.bases.flatMap(({ basis, within }) => {
    const scale = (basis.tax === "with") === market.pricesIncludeTax ? 1 : basis.tax === "with" ? 1 / tax : tax;
    return samples(within, 0, HUGE).flatMap((target) =>
      [0, -1, 1].map((by) => Math.max(0, Math.round(target * scale) + by)),
    );
  });
  return [...new Set(targets)];
}

const weightsFor = (demands: Constraints): number[] => {
  const asked = demands.numbers.get("cart.weight");
  return asked ? samples(asked, 0, HUGE * 1000) : [0];
};

function cartOf(
  shapes: readonly LineShape[],
  items: number,
  total: number,
  weights: readonly number[],
): QuoteRequest["cart"] {
  const quantities = shapes.map((shape) => leastOf(shape.quantity));
  let left = items - quantities.reduce((sum, quantity) => sum + quantity, 0);
  shapes.forEach((shape, i) => {
    const room = Math.min(left, mostOf(shape.quantity) - (quantities[i] ?? 0));
    quantities[i] = (quantities[i] ?? 0) + Math.max(0, room);
    left -= Math.max(0, room);
  });
  const prices = shapes.map((shape) => leastOf(shape.price));
  let money = total - prices.reduce((sum, price, i) => sum + price * (quantities[i] ?? 1), 0);
  // Most of the worth goes where one piece can carry it to the unit.
  const order = shapes.map((_, i) => i).sort((a, b) => (quantities[a] ?? 1) - (quantities[b] ?? 1));
  for (const i of order) {
    const quantity = quantities[i] ?? 1;
    const room = Math.min(
      Math.floor(Math.max(0, money) / quantity),
      mostOf(shapes[i]?.price ?? EVERYTHING) - (prices[i] ?? 0),
    );
    if (room > 0) {
      prices[i] = (prices[i] ?? 0) + room;
      money -= room * quantity;
    }
  }
  const [weight = 0] = weights;
  const heavy = shapes.findIndex(({ line }) => line.delivery?.kind !== "nothing-to-ship");
  const lines = shapes.map(({ line, weight: own }, i): CartLine => {
    const asked = i === heavy && weight > 0 ? Math.floor(weight / (quantities[i] ?? 1)) : leastOf(own);
    return {
      ...line,
      quantity: quantities[i] ?? 1,
      unitPrice: prices[i] ?? 0,
      weight: { value: String(asked), unit: "mg" },
    };
  });
  return { lines };
}

/** Places that a condition speaks of, to be looked from besides those of the plan. */
export function placesNamed(condition: Condition, saved: ReturnType<typeof savedOf>): Destination[] {
  const places: Destination[] = [];
  const seen = new Set<string>();
  const open = [condition];
  for (let one = open.pop(); one !== undefined; one = open.pop()) {
    if (one.kind === "all" || one.kind === "any") open.push(...one.of);
    else if (one.kind === "not") open.push(one.of);
    else if (one.kind === "saved" && !seen.has(one.id)) {
      seen.add(one.id);
      const found = saved.get(one.id);
      if (found) open.push(found.when);
    } else places.push(...placesOf(one));
  }
  return places;
}

function placesOf(condition: Condition): Destination[] {
  switch (condition.kind) {
    case "country":
      return condition.countries.map((country) => ({ country }));
    case "region":
      return condition.regions.flatMap((region) =>
        codesOf(region.slice(0, 2)).map((postcode) => ({ country: region.slice(0, 2), region, postcode })),
      );
    case "postcode":
      return condition.patterns.flatMap((pattern) =>
        codesAround(pattern).map((postcode) => ({ country: condition.country, postcode })),
      );
    default:
      return [];
  }
}
