import { useState } from "react";
import { type RateTable, rateDays } from "../../../core/money/rates.ts";
import type { Market } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { freeId } from "../../../core/schema/positions.ts";
import { FileField } from "../../fields/file-field.tsx";
import { readFigure } from "../../fields/read-figure.ts";
import { isMoreThanNothing } from "../../fields/rules.ts";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { setOptional } from "../../state/set-optional.ts";
import { draftStore } from "../../state/use-draft.ts";
import { BaseAmountPanel } from "./base-amount-panel.tsx";
import { ConvertedPanel } from "./converted-panel.tsx";

const NEWEST = 30;

/** Exchange rates by day, typed or read from a file, and what they do to the amounts converted by them. */
export function RatesView({ plan, market }: { plan: Plan; market: Market | null }) {
  const tables = plan.rates ?? [];
  const [chosen, setChosen] = useState<string | null>(null);
  const [problems, setProblems] = useState<readonly string[]>([]);
  const table = tables.find(({ id }) => id === chosen) ?? tables[0];
  const save = (body: RateTable) => draftStore.commit({ kind: "rates", id: body.id, body });
  const read = async (file: File) => {
    const { default: Papa } = await import("papaparse");
    const rows = Papa.parse<string[]>((await file.text()).replace(/^\uFEFF/, ""), { skipEmptyLines: true }).data;
    const found = rateDays(rows);
    if ("problems" in found) {
      setProblems(found.problems.map(({ path, message }) => `${path} ${message}`));
      return;
    }
    setProblems([]);
    const dates = new Set(found.days.map(({ date }) => date));
    const base = table?.base ?? market?.currencies[0] ?? "EUR";
    const id = table?.id ?? freeId("reference", []);
    save({ id, base, days: [...(table?.days ?? []).filter(({ date }) => !dates.has(date)), ...found.days] });
  };
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end gap-3">
        {tables.length > 1 && (
          <SelectField
            label="Table"
            value={table?.id ?? ""}
            choices={choicesOf(tables, ({ id }) => id)}
            onCommit={setChosen}
          />
        )}
        <FileField label="Read a file of reference rates" accept=".csv,text/csv" onFile={(file) => void read(file)} />
        <span className="text-[13px] text-quiet">
          A row for each day, a column for each currency, as central banks publish them.
        </span>
      </div>
      {problems.length > 0 && (
        <ul role="alert" className="text-warning">
          {problems.slice(0, 10).map((problem) => (
            <li key={problem}>Not taken: {problem}</li>
          ))}
        </ul>
      )}
      {table ? (
        <>
          <DaysTable table={table} onTable={save} />
          <ConvertedPanel plan={plan} table={table} />
          <BaseAmountPanel table={table} />
        </>
      ) : (
        <p className="text-quiet">There are no exchange rates yet. Read a file, and amounts can be converted by it.</p>
      )}
    </div>
  );
}

function DaysTable({ table, onTable }: { table: RateTable; onTable: (table: RateTable) => void }) {
  const [date, setDate] = useState("");
  const days = [...table.days].sort((a, b) => (a.date < b.date ? 1 : -1));
  const currencies = [...new Set(table.days.flatMap(({ rates }) => Object.keys(rates)))].sort();
  const newest = days[0];
  const setRate = (day: RateTable["days"][number], code: string, rate: string | undefined) =>
    onTable({
      ...table,
      days: table.days.map((one) => (one === day ? { ...day, rates: setOptional(day.rates, code, rate) } : one)),
    });
  return (
    <section aria-label="Rates by day">
      <h2 className="mb-1 font-semibold">For one {table.base}, by day; the newest is in force</h2>
      <div className="max-h-64 overflow-auto border border-base-300 bg-base-100">
        <table className="table table-xs text-[13px] [&_td]:text-[13px]">
          <thead>
            <tr className="text-quiet">
              <th scope="col">Day</th>
              {currencies.map((code) => (
                <th key={code} scope="col" className="text-right">
                  {code}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {days.slice(0, NEWEST).map((day) => (
              <tr key={day.date}>
                <th scope="row" className="font-normal whitespace-nowrap">
                  {day.date}
                </th>
                {currencies.map((code) => (
                  <td key={code} className="text-right">
                    <TextField
                      label=""
                      ariaLabel={`${code} on ${day.date}`}
                      className="w-24 text-right"
                      value={day.rates[code]}
                      leaf="rates/days/rates/*"
                      rule={isMoreThanNothing}
                      read={readFigure}
                      onCommit={(rate) => setRate(day, code, rate)}
                      onEmpty={() => setRate(day, code, undefined)}
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {days.length > NEWEST && <p className="text-[13px] text-quiet">and {days.length - NEWEST} earlier days</p>}
      <form
        className="mt-2 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (!newest || table.days.some((day) => day.date === date)) return;
          onTable({ ...table, days: [...table.days, { date, rates: newest.rates }] });
          setDate("");
        }}
      >
        <label className="grid gap-0.5 text-[13px] text-quiet">
          A further day, with the newest rates to start from
          <input
            type="date"
            className="input input-sm w-44"
            value={date}
            required
            onChange={(event) => setDate(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm" disabled={table.days.some((day) => day.date === date)}>
          Add the day
        </button>
      </form>
    </section>
  );
}
