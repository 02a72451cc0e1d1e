import { zoneOf } from "../places/resolve.ts";
import type { CompiledPlan } from "../plan/compile.ts";
import type { Problem } from "../plan/problem.ts";
import type { QuoteRequest } from "./request.ts";
import type { Tariff } from "./tariff.ts";

/** The tariff for where a request ships to and what it pays in; null when nobody serves the destination. */
export function findTariff(
  compiled: CompiledPlan,
  { destination, currency }: Pick<QuoteRequest, "destination" | "currency">,
): { tariff: Tariff | null } | { problems: Problem[] } {
  const zone = zoneOf(compiled.places, destination);
  if (zone === null) return { tariff: null };
  const byCurrency = compiled.tariffs.get(zone);
  const tariff = byCurrency?.get(currency);
  if (tariff) return { tariff };
  const taken = [...(byCurrency?.keys() ?? [])].join(", ");
  return { problems: [{ path: "/currency", message: `${currency} is not taken there; the market takes ${taken}` }] };
}
