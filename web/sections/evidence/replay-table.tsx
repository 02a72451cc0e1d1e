import { useState } from "react";
import type { Cluster } from "../../../core/evidence/clusters.ts";
import type { ReplayPick } from "../../../core/evidence/listed-orders.ts";
import { addedRows, type ReplayRow, rowsBy } from "../../../core/evidence/replayed.ts";
import { optionNameOf } from "../../../core/explain/option-name.ts";
import { majorIn } from "../../../core/money/decimal.ts";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { SaveCsv } from "../../fields/save-csv.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { ReplayedOrders } from "./replayed-orders.tsx";

type Props = {
  plan: Plan;
  /** The replay that they are of. */
  job: string;
  rows: readonly ReplayRow[];
  /** The number of the release beside; null where there is none. */
  release: number | null;
  clusters: readonly Cluster[];
  currency: string;
};

type By = "zone" | "option" | "group";
const BY: Readonly<Record<By, Phrase>> = {
  zone: phrase("by zone"),
  option: phrase("by option"),
  group: phrase("by peak"),
};

/** What delivery came to, would come to under the draft, and under the release, summed up by one thing at a time. */
export function ReplayTable({ plan, job, rows, release, clusters, currency }: Props) {
  const [by, setBy] = useState<By>("zone");
  const [opened, setOpened] = useState<string | null>(null);
  const shown = rowsBy(rows, (row) => String(row[by] ?? ""));
  const open = shown.find((row) => `${by} ${row[by]}` === opened);
  const pick = open && pickOf(open, by);
  const name = (row: ReplayRow) => nameOf(row, by, { plan, clusters, currency });
  const all = rows.reduce(addedRows);
  const major = (minor: number) => majorIn(minor, currency);
  const rowsOfFile = () => {
    const heads = [say(BY[by]), ...columns(release).map(({ head }) => say(head))];
    const cells = [...shown, all].map((row, i) => [
      i < shown.length ? name(row) : say("in all"),
      ...columns(release).map(({ of, isMoney }) => (isMoney ? major(of(row)) : of(row))),
    ]);
    return [heads, ...cells];
  };
  return (
    <section aria-label={say("Delivery in all")}>
      <div className="mb-1 flex flex-wrap items-end gap-3">
        <h2 className="text-[15px] font-bold">{say("Delivery, {currency}", { currency })}</h2>
        <SelectField label={say("Summed up")} look="word" value={by} choices={BY} onCommit={setBy} />
        <SaveCsv download="orders-under-the-draft.csv" rows={rowsOfFile} />
      </div>
      <div className="overflow-x-auto border border-base-300 bg-base-100">
        <table className="table table-sm text-[13px] whitespace-nowrap [&_td]:px-1.5 [&_th]:px-1.5 [&_td]:text-right [&_td]:text-[13px] [&_td]:tabular-nums">
          <thead>
            <tr className="text-[13px] text-quiet">
              <td />
              {columns(release).map(({ head }) => (
                <th key={head.message} scope="col" className="text-right font-normal whitespace-normal">
                  {say(head)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((row) => {
              const key = `${by} ${row[by]}`;
              return (
                <Row
                  key={key}
                  name={name(row)}
                  row={row}
                  release={release}
                  currency={currency}
                  opened={opened === key}
                  onOpen={pickOf(row, by) ? () => setOpened(opened === key ? null : key) : null}
                />
              );
            })}
          </tbody>
          <tfoot className="text-base-content">
            <Row name={say("in all")} row={all} release={release} currency={currency} opened={false} onOpen={null} />
          </tfoot>
        </table>
      </div>
      <p className="mt-1 text-[13px] text-quiet">
        {release === null
          ? say("More and less: against what was charged. Now: by the draft.")
          : say("More and less: the draft against release {number}. Now: by the draft.", { number: release })}
      </p>
      {open && pick && <ReplayedOrders plan={plan} job={job} pick={pick} label={name(open)} release={release} />}
    </section>
  );
}

type Column = { readonly head: Phrase; readonly isMoney: boolean; readonly of: (row: ReplayRow) => number };

/** What stands beside the orders: without a release, what was charged alone. */
function columns(release: number | null): Column[] {
  const count = (head: Phrase, of: Column["of"]): Column => ({ head, of, isMoney: false });
  const money = (head: Phrase, of: Column["of"]): Column => ({ head, of, isMoney: true });
  return [
    count(phrase("orders"), ({ now }) => now.orders),
    money(phrase("charged"), ({ charged }) => charged),
    ...(release === null
      ? []
      : [money(phrase("release {number}", { number: release }), ({ beside }) => beside.delivery)]),
    money(phrase("draft"), ({ now }) => now.delivery),
    count(phrase("were free"), ({ freeBefore }) => freeBefore),
    count(phrase("now free"), ({ now }) => now.free),
    money(phrase("now given away"), ({ now }) => now.givenAway),
    ...(release === null
      ? [count(phrase("pay more"), ({ more }) => more), count(phrase("pay less"), ({ less }) => less)]
      : [
          count(phrase("pay more"), ({ moreThanBeside }) => moreThanBeside),
          count(phrase("pay less"), ({ lessThanBeside }) => lessThanBeside),
        ]),
  ];
}

type RowProps = {
  name: string;
  row: ReplayRow;
  release: number | null;
  currency: string;
  /** Whether its orders are shown below it, and what shows them; null where there is nothing to open. */
  opened: boolean;
  onOpen: (() => void) | null;
};

const Row = ({ name, row, release, currency, opened, onOpen }: RowProps) => (
  <tr>
    <th scope="row" className="min-w-16 font-normal whitespace-normal">
      {onOpen ? (
        <button
          type="button"
          className="link text-left"
          aria-expanded={opened}
          title={say("The orders that it is made of")}
          onClick={onOpen}
        >
          {name}
        </button>
      ) : (
        name
      )}
    </th>
    {columns(release).map(({ head, of, isMoney }) => (
      <td key={head.message}>
        {isMoney ? makersMoney(of(row), currency) : say("{count, number}", { count: of(row) })}
      </td>
    ))}
  </tr>
);

/** What orders a row is made of; null where the row is of all. */
function pickOf(row: ReplayRow, by: By): ReplayPick | null {
  if (by !== "group") return { by, is: row[by] };
  return row.group === null ? null : { by, is: row.group };
}

type Known = { readonly plan: Plan; readonly clusters: readonly Cluster[]; readonly currency: string };

function nameOf(row: ReplayRow, by: By, { plan, clusters, currency }: Known): string {
  if (by === "zone") return plan.zones.find(({ id }) => id === row.zone)?.name ?? row.zone;
  if (by === "option") return optionNameOf(plan, row.option);
  const cluster = row.group === null ? undefined : clusters[row.group];
  return cluster
    ? say("{from} to {to}", { from: makersMoney(cluster.from, currency), to: makersMoney(cluster.to, currency) })
    : say("all orders");
}
