import { useCallback, useMemo } from "react";
import type { Market, Zone } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { downloadText } from "../../fields/download-text.ts";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { say } from "../../language/say.ts";
import { useLooked } from "../../state/quote-context.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { useStored } from "../../state/use-stored.ts";
import { MarketOverview } from "./market-overview.tsx";
import { useOverview } from "./use-overview.ts";

/** More zones than this are looked over market by market, as they are opened. */
const MOST_AT_ONCE = 40;
const isOpened = (value: unknown): value is Readonly<Record<string, boolean>> =>
  typeof value === "object" && value !== null && Object.values(value).every((one) => typeof one === "boolean");

/** What delivery costs, and from when it is free, everywhere: for the cart on screen. */
export function OverviewView() {
  const { compiled } = useLooked();
  return compiled ? <Overview plan={compiled.plan} /> : null;
}

function Overview({ plan }: { plan: Plan }) {
  const { market: here, zones: zonesHere } = useStandpoint();
  const [opened, setOpened] = useStored<Readonly<Record<string, boolean>>>("summant.overview", {}, isOpened);
  const markets = useMemo(() => marketsOf(plan), [plan]);
  const isOpen = useCallback(
    (id: string) => opened[id] ?? (plan.zones.length <= MOST_AT_ONCE || id === here?.id),
    [opened, plan, here?.id],
  );
  const zones = useMemo(() => plan.zones.filter(({ market }) => isOpen(market)), [plan, isOpen]);
  const { rows, failure } = useOverview(zones);
  return (
    <div className="mx-auto max-w-[1400px]">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <SectionHeading className="text-[20px] font-bold">{say("Overview")}</SectionHeading>
        <p className="text-quiet">{say("What the cart on screen costs to deliver, and from when that is free.")}</p>
        <span className="ml-auto flex gap-2 print:hidden">
          <button type="button" className="btn btn-sm" onClick={() => window.print()}>
            {say("Print")}
          </button>
          <button
            type="button"
            className="btn btn-sm"
            disabled={!rows}
            onClick={async () => {
              const { overviewCsv } = await import("./overview-csv.ts");
              if (rows) downloadText(overviewCsv(plan, rows), "text/csv", "overview.csv");
            }}
          >
            {say("Save as CSV")}
          </button>
        </span>
      </div>
      {failure !== null && (
        <p role="alert" className="mt-2 text-warning">
          {say("The overview could not be worked out: {failure}. It is tried again.", { failure })}
        </p>
      )}
      {rows === null && failure === null && <p className="mt-2 text-quiet">{say("Looking at every place…")}</p>}
      {markets.map(({ market, zones: its }) => (
        <details
          key={market.id}
          open={isOpen(market.id)}
          className="mt-4"
          onToggle={({ currentTarget: { open } }) => {
            if (open !== isOpen(market.id)) setOpened({ ...opened, [market.id]: open });
          }}
        >
          <summary className="mb-1.5 cursor-pointer">
            <h2 className="inline text-[15px] font-bold">{market.name}</h2>{" "}
            <span className="text-[13px] text-quiet">
              {say("{count, plural, one {One place} other {# places}}", { count: its.length })}
            </span>
          </summary>
          {isOpen(market.id) && <MarketOverview plan={plan} market={market} zones={its} rows={rows} here={zonesHere} />}
        </details>
      ))}
    </div>
  );
}

const marketsOf = ({ markets, zones }: Plan): { market: Market; zones: Zone[] }[] =>
  [...markets].sort(byPosition).map((market) => ({
    market,
    zones: zones.filter((zone) => zone.market === market.id).sort(byPosition),
  }));
