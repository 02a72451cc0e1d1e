import { resolvePlace } from "../places/resolve.ts";
import type { CompiledPlan } from "../plan/compile.ts";
import type { Problem } from "../plan/problem.ts";
import type { QuoteRequest } from "./request.ts";
import type { Tariff } from "./tariff.ts";

/** The tariffs that may apply: one for a known place, several for one partly known, none where nobody delivers. */
export type Tariffs = { readonly tariffs: readonly Tariff[]; readonly orNowhere: boolean };

/** The tariffs for where a request may ship to, in the currency it pays in; a problem when no such place takes it. */
export function findTariffs(
  compiled: CompiledPlan,
  { destination, currency }: Pick<QuoteRequest, "destination" | "currency">,
): Tariffs | { problems: Problem[] } {
  const { zones, orNowhere } = resolvePlace(compiled.places, destination);
  const tariffs = zones.flatMap((zone) => compiled.tariffs.get(zone)?.get(currency) ?? []);
  if (tariffs.length > 0 || zones.length === 0) return { tariffs, orNowhere };
  const taken = [...new Set(zones.flatMap((zone) => [...(compiled.tariffs.get(zone)?.keys() ?? [])]))].sort();
  return { problems: [{ path: "/currency", message: `${currency} is not taken there; it takes ${taken.join(", ")}` }] };
}
