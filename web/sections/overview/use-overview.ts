import { useMemo } from "react";
import type { Zone } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { OverviewRow } from "../../../core/queries/overview.ts";
import { LatestInWorker } from "../../state/latest-in-worker.ts";
import { planSender } from "../../state/plan-patch.ts";
import { type Looked, useLooked } from "../../state/quote-context.ts";
import { requestedCart, requestFor } from "../../state/standpoint.ts";
import { type LookedFrom, useStandpoint } from "../../state/standpoint-context.ts";
import { useLatestInWorker } from "../../state/use-latest-in-worker.ts";
import type { AskedOfZone, OverviewWorker } from "./overview-worker.ts";

type Job = { readonly plan: Plan; readonly asked: readonly AskedOfZone[] };

const patchFor = planSender();

/** Started when the overview is first looked at, and kept. */
const LOOKING_OVER = new LatestInWorker<OverviewWorker, Job, ReadonlyMap<string, OverviewRow>>({
  start: () => new Worker(new URL("./overview-worker.ts", import.meta.url), { type: "module" }),
  answer: async (remote, { plan, asked }) => {
    await remote.hold(patchFor(remote, plan));
    return new Map((await remote.overview(asked)).map((row) => [row.zone, row]));
  },
});

/** What the cart on screen costs in some zones, by zone; what was known last stays until it is known anew. */
export function useOverview(zones: readonly Zone[]): {
  rows: ReadonlyMap<string, OverviewRow> | null;
  failure: string | null;
} {
  const looked = useLooked();
  const from = useStandpoint();
  const { compiled, cart, products, at, sample } = looked;
  const job = useMemo(
    () =>
      compiled && {
        plan: compiled.plan,
        asked: zones.map((zone) => askedOf(zone, compiled.plan, from, { cart, products, at, sample })),
      },
    [compiled, zones, from, cart, products, at, sample],
  );
  const { answer, failure } = useLatestInWorker(LOOKING_OVER, job);
  return { rows: answer, failure };
}

/** The shopper's own place is asked as it stands, with what carriers have answered; any other in its market's currency. */
function askedOf(
  zone: Zone,
  plan: Plan,
  { standpoint, zones: here }: LookedFrom,
  { cart, products, at, sample }: Pick<Looked, "cart" | "products" | "at" | "sample">,
): AskedOfZone {
  const market = plan.markets.find(({ id }) => id === zone.market) ?? null;
  if (here.length === 1 && here[0] === zone.id) return { zone: zone.id, request: sample, isHere: true };
  const currency = market?.currencies.includes(standpoint.currency)
    ? standpoint.currency
    : (market?.currencies[0] ?? standpoint.currency);
  const asked = requestedCart(cart, products, currency);
  const request = requestFor({ ...standpoint, currency }, {}, market, asked, at);
  return { zone: zone.id, request, isHere: false };
}
