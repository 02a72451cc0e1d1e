import { type Place, resolve } from "../places/resolve.ts";
import type { CompiledPlan } from "../plan/compile.ts";
import type { Problem } from "../plan/problem.ts";
import type { Tariff } from "./tariff.ts";

/** The tariffs that may apply: one for a known place, several for one partly known, none where nobody delivers. */
export type Tariffs = { readonly tariffs: readonly Tariff[]; readonly orNowhere: boolean };

/** The tariffs for where goods may go, in the currency that is paid in; a problem when no such place takes it. */
export function findTariffs(compiled: CompiledPlan, place: Place, currency: string): Tariffs | { problems: Problem[] } {
  const { zones, orNowhere } = resolve(compiled.places, place);
  const tariffs = zones.flatMap((zone) => compiled.tariffOf(zone, currency) ?? []);
  if (tariffs.length > 0 || zones.length === 0) return { tariffs, orNowhere };
  const taken = [...new Set(zones.flatMap((zone) => compiled.currenciesOf(zone)))].sort();
  return { problems: [{ path: "/currency", message: `${currency} is not taken there; it takes ${taken.join(", ")}` }] };
}
