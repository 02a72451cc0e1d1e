import { useQuery } from "@tanstack/react-query";
import { type ComponentType, lazy, Suspense, useState } from "react";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { OrderOverview } from "../../../server/evidence/order-overview.ts";
import { Loading } from "../../fields/loading.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { Tabs } from "../../fields/tabs.tsx";
import { say } from "../../language/say.ts";
import { isDue, ordersKept } from "../../state/evidence-api.ts";
import { useDraft } from "../../state/use-draft.ts";
import type { Evidence } from "./evidence.ts";
import { OrderFilterFields } from "./order-filter-fields.tsx";
import { OrdersView } from "./orders-view.tsx";
import { useLookedOrders } from "./use-looked-orders.ts";

type Tab = "spread" | "draft" | "gain" | "orders";
const TABS: readonly { readonly id: Tab; readonly name: Phrase }[] = [
  { id: "spread", name: phrase("Spread") },
  { id: "draft", name: phrase("Under the draft") },
  { id: "gain", name: phrase("What a goal would bring") },
  { id: "orders", name: phrase("Orders") },
];

/** Charts are loaded when they are looked at. */
const PARTS: Readonly<Record<Exclude<Tab, "orders">, ComponentType<Evidence>>> = {
  spread: lazy(async () => ({ default: (await import("./spread-view.tsx")).SpreadView })),
  draft: lazy(async () => ({ default: (await import("./replay-view.tsx")).ReplayView })),
  gain: lazy(async () => ({ default: (await import("./gain-view.tsx")).GainView })),
};

/** What past orders say: how their values are spread, and what the draft would have meant for them. */
export function EvidenceView() {
  const { plan } = useDraft();
  const { data, error, isPending } = useQuery(ordersKept);
  // While days are added up, what there was before stays, with whatever is being done in it.
  const [known, setKnown] = useState<OrderOverview | null>(null);
  if (data && !isDue(data) && data !== known) setKnown(data);
  return (
    <div className="mx-auto max-w-[1100px]">
      <SectionHeading className="text-[20px] font-bold">{say("Evidence")}</SectionHeading>
      <NotLoaded error={error} />
      {isPending && <Loading />}
      {data && isDue(data) && (
        <p role="status" className="mt-2 text-quiet">
          {say("{count, plural, one {One day of orders is} other {# days of orders are}} still to be added up…", {
            count: data.due,
          })}
        </p>
      )}
      {plan && known && <Parts plan={plan} overview={known} />}
    </div>
  );
}

function Parts({ plan, overview }: { plan: Plan; overview: OrderOverview }) {
  const isEmpty = overview.kinds.length === 0;
  const [chosen, setTab] = useState<Tab>(isEmpty ? "orders" : "spread");
  const [filter, setFilter] = useLookedOrders(overview.kinds);
  const tab = isEmpty ? "orders" : chosen;
  const Part = tab === "orders" ? null : PARTS[tab];
  return (
    <>
      <Tabs name={say("Parts of the evidence")} tabs={isEmpty ? TABS.slice(-1) : TABS} current={tab} onTab={setTab} />
      {Part ? (
        <>
          <OrderFilterFields plan={plan} overview={overview} filter={filter} onFilter={setFilter} />
          <Suspense fallback={<Loading />}>
            <Part plan={plan} overview={overview} filter={filter} />
          </Suspense>
        </>
      ) : (
        <OrdersView plan={plan} overview={overview} />
      )}
    </>
  );
}
