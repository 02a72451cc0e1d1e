import { plainCart, type ReadCart, readLine } from "../cart/read-cart.ts";
import { prepareRequest } from "../evaluate/prepared-request.ts";
import { compileSpec } from "../measures/measure.ts";
import { type LadderMeasure, measureKey } from "../measures/measure-spec.ts";
import { countedValue, type ValueMeasure } from "../measures/value-measure.ts";
import type { CartLine } from "../request/request.ts";
import type { Problem } from "../schema/problem.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import type { Tariff } from "../tariff/tariff.ts";
import { dayOf } from "../time/day.ts";
import { DAY, instantOf } from "../time/instant.ts";
import { zoneClock } from "../time/zone-clock.ts";
import type { GoodsMix } from "./margin.ts";
import { isPriceable, type PastOrder, type PlainOrder } from "./past-order.ts";

/** How an offer counts the worth of a cart. */
export type ValueCounting = Extract<LadderMeasure, { kind: "value" }>;

/** What the goods came to, after all discounts, with tax: of a plain order no more is known. */
export const TOTAL: ValueCounting = {
  kind: "value",
  basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" },
};

/** The same for ways of counting that mean the same. */
export const countingKey = (counting: ValueCounting): string => measureKey(counting, "all");

/** Where and when an order was made, as far as it says and a plan knows. */
export type OrderFacts = {
  /** The moment, in milliseconds of UTC, and the day it was there. */
  readonly at: number;
  readonly day: string;
  readonly currency: string;
  readonly market: string | null;
  readonly zone: string | null;
  readonly channel: string | null;
  readonly shopper: string | null;
  /** In minor units: see {@link TOTAL}. */
  readonly total: number;
};

/**
 * Where, when and what an order was. Place and market are known where its address leads to one zone of the plan; an order of which
 * only the total is known belongs to the market that alone takes its currency, if there is one.
 *
 * @param compiled the plan that delivered it; null where there was none
 * @returns what is wrong with an order that no plan could read
 */
export function orderFacts(
  compiled: CompiledPlan | null,
  order: PastOrder | PlainOrder,
): OrderFacts | { readonly problems: Problem[] } {
  if (!isPriceable(order)) return plainFacts(compiled, order);
  const { at, currency, channel, shopper } = order.request;
  const tariff = tariffOf(compiled, order);
  if (tariff && "problems" in tariff) return tariff;
  const total = tariff ? countedValue(measureIn(tariff.tariff, TOTAL), tariff.cart) : goodsAlone(order);
  return {
    ...when(at, tariff?.tariff.market.timeZone),
    ...{ currency, total, channel: channel ?? null, shopper: shopper?.id ?? null },
    market: tariff?.tariff.market.id ?? null,
    zone: tariff?.tariff.zone.id ?? null,
  };
}

function plainFacts(compiled: CompiledPlan | null, { at, currency, total }: PlainOrder): OrderFacts {
  const taking = compiled?.plan.markets.filter(({ currencies }) => currencies.includes(currency)) ?? [];
  const [market] = taking.length === 1 ? taking : [];
  const nothing = { zone: null, channel: null, shopper: null };
  return { ...when(at, market?.timeZone), currency, market: market?.id ?? null, ...nothing, total };
}

function when(text: string, timeZone = "UTC"): Pick<OrderFacts, "at" | "day"> {
  const at = instantOf(text);
  return { at, day: dayOf(zoneClock(timeZone)(at).day * DAY) };
}

/**
 * Counts the worth of orders as an offer does, one after the other.
 *
 * @example const count = countingOf(compiled, TOTAL); count(order) // 4160; null where it cannot be told
 */
export function countingOf(
  compiled: CompiledPlan,
  counting: ValueCounting,
): (order: PastOrder | PlainOrder) => number | null {
  return counted(
    compiled,
    counting,
    ({ measure, cart }) => countedValue(measure, cart),
    ({ total }) => total,
  );
}

/** What an order is worth, and what each of its goods counts by itself, before discounts on the whole order. */
export type WorthOfGoods = { readonly worth: number; readonly goods: GoodsMix };

/** Counts the same with the goods that make it up. Of a plain order nobody knows what its goods were. */
export function goodsCountingOf(
  compiled: CompiledPlan,
  counting: ValueCounting,
): (order: PastOrder | PlainOrder) => WorthOfGoods | null {
  return counted<WorthOfGoods>(
    compiled,
    counting,
    ({ measure, cart }) => ({
      worth: countedValue(measure, cart),
      goods: cart.lines.map((line) => ({
        categories: line.categories,
        worth: countedValue(measure, plainCart([line])),
      })),
    }),
    ({ total }) => ({ worth: total, goods: [{ categories: [], worth: total }] }),
  );
}

function counted<T>(
  compiled: CompiledPlan,
  counting: ValueCounting,
  ofCart: (found: { readonly measure: ValueMeasure; readonly cart: ReadCart }) => T,
  ofTotal: (order: PlainOrder) => T,
): (order: PastOrder | PlainOrder) => T | null {
  const isTotal = countingKey(counting) === countingKey(TOTAL);
  return (order) => {
    if (!isPriceable(order)) return isTotal ? ofTotal(order) : null;
    const found = tariffOf(compiled, order);
    if (!found || !("tariff" in found)) return null;
    return ofCart({ measure: measureIn(found.tariff, counting), cart: found.cart });
  };
}

/** What each of some lines counts by itself in a market; none where the market does not take the currency. */
export function countsOfLines(
  compiled: CompiledPlan,
  counting: ValueCounting,
  { market, currency }: { readonly market?: string | undefined; readonly currency: string },
  lines: readonly CartLine[],
): number[] {
  const zone = compiled.plan.zones.find((one) => market === undefined || one.market === market);
  const tariff = zone && compiled.tariffOf(zone.id, currency);
  if (!tariff) return [];
  const measure = measureIn(tariff, counting);
  return lines.map((line) => countedValue(measure, plainCart([readLine(line)])));
}

/** The one tariff that an order's address leads to, and its cart; null where there is none, or more than one. */
function tariffOf(compiled: CompiledPlan | null, { request }: PastOrder) {
  if (!compiled) return null;
  const prepared = prepareRequest(compiled, request);
  if ("problems" in prepared) return prepared;
  const { cart, there, orNowhere } = prepared;
  const [only, ...others] = there;
  return only && others.length === 0 && !orNowhere ? { tariff: only.tariff, cart } : null;
}

/** A measure is compiled once for a tariff. */
const measures = new WeakMap<Tariff, Map<string, ValueMeasure>>();

function measureIn(tariff: Tariff, counting: ValueCounting): ValueMeasure {
  const known = measures.get(tariff) ?? new Map<string, ValueMeasure>();
  measures.set(tariff, known);
  const key = countingKey(counting);
  const kept = known.get(key);
  if (kept) return kept;
  const { market, zone, currency, rates, standardTax } = tariff;
  const context = { zone: zone.id, market: market.id, currency, rates };
  const made = compileSpec(counting, "all", market.pricesIncludeTax, standardTax, context);
  if (made.kind !== "value") throw new TypeError("a worth is measured as a value");
  known.set(key, made.value);
  return made.value;
}

/** Without a plan nobody knows the tax: what the lines say after their discounts. */
const goodsAlone = ({ request: { cart } }: PastOrder): number =>
  cart.lines.reduce((sum, { unitPrice, quantity, discount }) => sum + unitPrice * quantity - (discount ?? 0), 0);
