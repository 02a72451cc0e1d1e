import type { DeliveryOption } from "../delivery/option.ts";
import type { DeliveryPromise } from "../delivery/promise.ts";
import { marketsAround } from "../places/markets-around.ts";
import { indexPlaces } from "../places/resolve.ts";
import type { Plan } from "./plan.ts";

/**
 * A plan as format 2 says what it meant in format 1. What a former plan could say, format 2 says in the same form; three things
 * it said otherwise:
 *
 * - whatever was collected was offered throughout the market of its location, besides the zones it named: now it names them all
 * - orders were begun the same day before the cut-off: now until the end of that minute
 * - with a cut-off at midnight they never were: now that is said by having none
 *
 * @param plan of format 1, in the form of format 2
 * @example fromFormat1(plan).options[0].promise.cutOff // "14:59", where it was "15:00"
 */
export function fromFormat1(plan: Plan): Plan {
  const places = indexPlaces(plan.zones);
  const around = (id: string): ReadonlySet<string> => {
    const markets = marketsAround(
      plan,
      places,
      plan.locations?.find((location) => location.id === id),
    );
    return new Set(plan.zones.filter(({ market }) => markets.has(market)).map((zone) => zone.id));
  };
  return { ...plan, options: plan.options.map((option) => fromFormer(option, around)) };
}

function fromFormer(option: DeliveryOption, around: (location: string) => ReadonlySet<string>): DeliveryOption {
  const { way, zones, promise, byZone } = option;
  // One that named no zones had the market's, and goes on having them.
  const collectedIn = way?.kind === "collected" && zones.length > 0 ? [...around(way.location)] : [];
  const own = Object.entries(byZone ?? {}).map(([zone, { promise: its, ...rest }]) => [
    zone,
    { ...rest, ...(its ? { promise: begunBefore(its) } : {}) },
  ]);
  return {
    ...option,
    zones: [...new Set([...zones, ...collectedIn])],
    ...(promise ? { promise: begunBefore(promise) } : {}),
    ...(byZone ? { byZone: Object.fromEntries(own) } : {}),
  };
}

function begunBefore(promise: DeliveryPromise): DeliveryPromise {
  if (promise.kind !== "arrives" || promise.cutOff === undefined) return promise;
  const { cutOff, ...rest } = promise;
  const [hours, minutes] = cutOff.split(":").map(Number);
  const before = (hours ?? 0) * 60 + (minutes ?? 0) - 1;
  if (before < 0) return rest;
  const two = (figure: number) => String(figure).padStart(2, "0");
  return { ...promise, cutOff: `${two(Math.floor(before / 60))}:${two(before % 60)}` };
}
