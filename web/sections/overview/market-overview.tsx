import { Link } from "wouter";
import { optionName, optionNameOf } from "../../../core/explain/option-name.ts";
import type { Market, Zone } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { OverviewRow } from "../../../core/queries/overview.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { say } from "../../language/say.ts";
import { OverviewCell } from "./overview-cell.tsx";

type Props = {
  plan: Plan;
  market: Market;
  zones: readonly Zone[];
  rows: ReadonlyMap<string, OverviewRow> | null;
  /** The zones that the shopper on screen may be in. */
  here: readonly string[];
};

/** A market's zones down, the options that shoppers read of across. Options of one name stand in one column. */
export function MarketOverview({ plan, market, zones, rows, here }: Props) {
  const names = columnsOf(plan, zones, rows);
  return (
    <div className="overflow-x-auto border border-base-300 bg-base-100">
      <table
        aria-label={say("What delivery costs in {name}", { name: market.name })}
        className="table table-sm text-[14px] [&_td]:px-2 [&_td]:align-top [&_th]:px-2 [&_th]:align-top"
      >
        <thead>
          <tr className="text-[13px] text-quiet">
            <th scope="col" className="min-w-28">
              {say("Place")}
            </th>
            {names.map((name) => (
              <th key={name} scope="col" className="min-w-20 max-w-28 whitespace-normal">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {zones.map((zone) => {
            const row = rows?.get(zone.id);
            return (
              <tr key={zone.id}>
                <th scope="row" className="text-[14px] font-semibold">
                  <Link href={`/places#zone/${encodeURIComponent(zone.id)}`} className="min-h-6 hover:underline">
                    {zone.name}
                  </Link>
                  <span className="block text-[13px] font-normal text-quiet">{row?.currency}</span>
                  {here.includes(zone.id) && (
                    <span className="block text-[13px] font-normal text-primary">{say("seen from here")}</span>
                  )}
                </th>
                {row?.problem != null ? (
                  <td colSpan={Math.max(1, names.length)} className="text-[13px] text-warning">
                    {say("Nothing can be told: {problem}.", { problem: row.problem })}
                  </td>
                ) : (
                  names.map((name) => (
                    <td key={name}>
                      <Cells plan={plan} zone={zone} name={name} row={row} />
                    </td>
                  ))
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
      {rows && names.length === 0 && (
        <p className="p-3 text-warning">{say("No option is offered in {name} yet.", { name: market.name })}</p>
      )}
    </div>
  );
}

type CellsProps = { plan: Plan; zone: Zone; name: string; row: OverviewRow | undefined };

/** The options of one name that a zone has. */
function Cells({ plan, zone, name, row }: CellsProps) {
  if (!row) return null;
  const cells = row.cells.filter(({ option }) => optionNameOf(plan, option) === name);
  if (cells.length === 0)
    return (
      <span className="text-quiet">
        <span aria-hidden>–</span>
        <span className="sr-only">{say("not offered")}</span>
      </span>
    );
  return cells.map((cell) => (
    <OverviewCell key={cell.option} plan={plan} zone={zone} cell={cell} currency={row.currency} />
  ));
}

/** The names of the options that some of the zones have, in the shopper's order. */
function columnsOf(plan: Plan, zones: readonly Zone[], rows: Props["rows"]): string[] {
  const had = new Set(zones.flatMap(({ id }) => rows?.get(id)?.cells.map(({ option }) => option) ?? []));
  return [
    ...new Set(
      [...plan.options]
        .filter(({ id }) => had.has(id))
        .sort(byPosition)
        .map(optionName),
    ),
  ];
}
