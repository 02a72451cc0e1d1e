import type { OrderKind } from "../../../server/evidence/order-overview.ts";
import type { OrderFilter } from "../../../server/orders/order-filter.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { useStored } from "../../state/use-stored.ts";

const NAMES: readonly string[] = ["currency", "market", "zone", "channel", "buyer", "from", "until"];

const isFilter = (value: unknown): value is OrderFilter =>
  typeof value === "object" &&
  value !== null &&
  "currency" in value &&
  Object.entries(value).every(([name, text]) => NAMES.includes(name) && typeof text === "string");

/** The orders that are looked at, kept in this browser: at first those of the standpoint's market. */
export function useLookedOrders(kinds: readonly OrderKind[]): [OrderFilter, (filter: OrderFilter) => void] {
  const { market, standpoint } = useStandpoint();
  const [kept, keep] = useStored<OrderFilter | null>(
    "summant.evidence",
    null,
    (value) => value === null || isFilter(value),
  );
  const first = kinds.find((kind) => kind.market === market?.id && kind.currency === standpoint.currency) ?? kinds[0];
  const atFirst: OrderFilter = {
    currency: first?.currency ?? standpoint.currency,
    ...(first ? { market: first.market } : {}),
  };
  return [kept ?? atFirst, keep];
}
