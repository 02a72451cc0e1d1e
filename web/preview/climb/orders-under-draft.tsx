import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo } from "react";
import { TOTAL } from "../../../core/evidence/order-facts.ts";
import type { PastOrder } from "../../../core/evidence/past-order.ts";
import { addedRows, type Replayed } from "../../../core/evidence/replayed.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { OrderFilter } from "../../../server/orders/order-filter.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { orderSample } from "../../state/evidence-api.ts";
import { LatestInWorker } from "../../state/latest-in-worker.ts";
import { planSender } from "../../state/plan-patch.ts";
import { releasedPlan } from "../../state/released-plan.ts";
import { useDraft } from "../../state/use-draft.ts";
import { useLatestInWorker } from "../../state/use-latest-in-worker.ts";
import { useReplay } from "../../state/use-replay.ts";
import type { SampleWorker } from "./sample-worker.ts";

type Job = { readonly plan: Plan; readonly released: Plan; readonly orders: readonly PastOrder[] };

/** A worker that prices drawn orders by the newest plan, beside the release. */
function pricing(): LatestInWorker<SampleWorker, Job, Replayed> {
  const patchFor = planSender();
  let compared: { readonly to: object; readonly released: Plan; readonly orders: readonly PastOrder[] } | null = null;
  return new LatestInWorker({
    start: () => new Worker(new URL("./sample-worker.ts", import.meta.url), { type: "module" }),
    answer: async (remote, { plan, released, orders }) => {
      if (compared?.to !== remote || compared.released !== released || compared.orders !== orders) {
        await remote.compareWith(released, orders);
        compared = { to: remote, released, orders };
      }
      await remote.hold(patchFor(remote, plan));
      return remote.price();
    },
  });
}

const PRICING = pricing();
/** After so long without another edit the whole is priced. */
const PAUSE_MS = 800;

/**
 * What the draft means for past orders of a market, while a flag is dragged too: of some drawn at random as it moves, of all once it is let
 * go and saved. Nothing where the draft is as the release, or there are no orders.
 */
export function OrdersUnderDraft({ market, currency }: { market: string; currency: string }) {
  const { compiled, draft, unsaved } = useDraft();
  const filter = useMemo<OrderFilter>(() => ({ currency, market }), [currency, market]);
  const { data: sample } = useQuery(orderSample(filter));
  const released = useMemo(() => (draft?.release ? releasedPlan(draft) : null), [draft]);
  const plan = compiled?.plan ?? null;
  const isChanged = draft !== null && (unsaved > 0 || draft.changes.length > 0);
  const orders = sample?.orders ?? NONE;
  const job = useMemo(
    () => (plan && released && isChanged && orders.length > 0 ? { plan, released, orders } : null),
    [plan, released, isChanged, orders],
  );
  const { answer } = useLatestInWorker(PRICING, job);
  const { state, start, stop } = useReplay({ filter, counting: TOTAL, edges: [], atItsOwnMoment: false });
  const sequence = draft?.sequence;
  const isSettled = job !== null && unsaved === 0;
  // biome-ignore lint/correctness/useExhaustiveDependencies: it begins when the draft is another, and not when it is drawn anew.
  useEffect(() => {
    if (!isSettled) return;
    const timer = setTimeout(start, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [isSettled, sequence, filter]);
  if (!job) return null;
  const whole = isSettled && state?.state === "done" && state.sequence === sequence ? state.replayed : null;
  const shown = whole ?? answer;
  return shown && <Sums replayed={shown} isWhole={whole !== null} currency={currency} />;
}

const NONE: readonly PastOrder[] = [];

type SumsProps = { replayed: Replayed; isWhole: boolean; currency: string };

function Sums({ replayed: { rows, orders }, isWhole, currency }: SumsProps) {
  const [first, ...more] = rows;
  if (!first) return null;
  const { now, beside, moreThanBeside, lessThanBeside } = more.reduce(addedRows, first);
  const money = (minor: number) => makersMoney(minor, currency);
  return (
    <p role="status" className="px-4 pb-1 text-[13px] text-quiet">
      {isWhole
        ? say("All {orders, number} past orders of this market, exactly:", { orders })
        : say("Of {orders, number} past orders drawn at random:", { orders })}{" "}
      <strong className="text-base-content">
        {say("delivery {now} instead of {before}; {free, number} free instead of {freeBefore, number}.", {
          ...{ now: money(now.delivery), before: money(beside.delivery), free: now.free, freeBefore: beside.free },
        })}
      </strong>{" "}
      {say("{more, number} pay more, {less, number} pay less, if they act as they did.", {
        more: moreThanBeside,
        less: lessThanBeside,
      })}
    </p>
  );
}
