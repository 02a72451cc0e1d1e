import { useState } from "react";
import { type RateTable, rateDays, statedBase, withoutCurrency } from "../../../core/money/rates.ts";
import type { Market } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { freeId } from "../../../core/schema/positions.ts";
import { problemPhrase } from "../../../core/schema/problem.ts";
import { DayField } from "../../fields/day-field.tsx";
import { FileField } from "../../fields/file-field.tsx";
import { readFigure } from "../../fields/read-figure.ts";
import { isMoreThanNothing } from "../../fields/rules.ts";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";
import { draftStore } from "../../state/use-draft.ts";
import { BaseAmountPanel } from "./base-amount-panel.tsx";
import { ConvertedPanel } from "./converted-panel.tsx";

const NEWEST = 30;

/** Currencies that central banks publish rates for one of; the market's own come first. */
const BASES: readonly [string, ...string[]] = ["EUR", "USD", "GBP", "JPY", "CAD", "AUD", "CHF"];

/** Exchange rates by day, typed or read from a file, and what they do to the amounts converted by them. */
export function RatesView({ plan, market }: { plan: Plan; market: Market | null }) {
  const tables = plan.rates ?? [];
  const [chosen, setChosen] = useState<string | null>(null);
  const [problems, setProblems] = useState<readonly string[]>([]);
  const table = tables.find(({ id }) => id === chosen) ?? tables[0];
  const save = (body: RateTable) => draftStore.commit({ kind: "rates", id: body.id, body });
  /** Days that were read, until it is said what they are for one of. */
  const [unsettled, setUnsettled] = useState<RateTable["days"] | null>(null);
  const take = (read: RateTable["days"], base: string) => {
    setUnsettled(null);
    const days = withoutCurrency(read, base);
    // Rates for one of something else belong into a table of their own.
    const same = table?.base === base ? table : tables.find((one) => one.base === base);
    const dates = new Set(days.map(({ date }) => date));
    const kept = (same?.days ?? []).filter(({ date }) => !dates.has(date));
    const id =
      same?.id ??
      freeId(
        tables.length === 0 ? "reference" : `for-one-${base}`,
        tables.map((one) => one.id),
      );
    save({ id, base, days: [...kept, ...days] });
    setChosen(id);
  };
  const read = async (file: File) => {
    const { default: Papa } = await import("papaparse");
    const rows = Papa.parse<string[]>((await file.text()).replace(/^\uFEFF/, ""), { skipEmptyLines: true }).data;
    const found = rateDays(rows);
    if ("problems" in found) {
      setProblems(found.problems.map((problem) => say(problemPhrase(problem))));
      return;
    }
    setProblems([]);
    const base = statedBase(found.days) ?? table?.base;
    if (base === undefined) setUnsettled(found.days);
    else take(found.days, base);
  };
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end gap-3">
        {tables.length > 1 && (
          <SelectField
            label={say("Table")}
            value={table?.id ?? ""}
            choices={choicesOf(tables, ({ id }) => id)}
            onCommit={setChosen}
          />
        )}
        <FileField
          label={say("Read a file of reference rates")}
          accept=".csv,text/csv"
          onFile={(file) => void read(file)}
        />
        <span className="text-[13px] text-quiet">
          {say("A row for each day, a column for each currency, as central banks publish them.")}
        </span>
      </div>
      {problems.length > 0 && (
        <ul role="alert" className="text-warning">
          {problems.slice(0, 10).map((problem) => (
            <li key={problem}>{say("Not taken: {problem}", { problem })}</li>
          ))}
        </ul>
      )}
      {unsettled && (
        <BaseQuestion
          days={unsettled}
          first={market?.currencies[0] ?? BASES[0]}
          onBase={(base) => take(unsettled, base)}
          onDrop={() => setUnsettled(null)}
        />
      )}
      {table ? (
        <>
          <DaysTable table={table} onTable={save} />
          <ConvertedPanel plan={plan} table={table} />
          <BaseAmountPanel table={table} />
        </>
      ) : (
        <p className="text-quiet">
          {say("There are no exchange rates yet. Read a file, and amounts can be converted by it.")}
        </p>
      )}
    </div>
  );
}

type QuestionProps = {
  days: RateTable["days"];
  first: string;
  onBase: (base: string) => void;
  onDrop: () => void;
};

/** Asked of a file that does not say it: rates read the wrong way round would be wrong by far. */
function BaseQuestion({ days, first, onBase, onDrop }: QuestionProps) {
  const [base, setBase] = useState(first);
  const [newest] = [...days].sort((a, b) => (a.date < b.date ? 1 : -1));
  const [code, rate] = Object.entries(newest?.rates ?? {}).find(([one]) => one !== base) ?? [];
  return (
    <section
      aria-label={say("What the rates are for")}
      className="grid justify-items-start gap-2 border border-warning p-3"
    >
      <SelectField
        label={say(
          "{count, plural, one {One day is} other {# days are}} read. For one of which currency are these rates?",
          { count: days.length },
        )}
        value={base}
        choices={Object.fromEntries([...new Set([first, ...BASES])].map((one) => [one, one]))}
        onCommit={setBase}
      />
      {code && rate && (
        <p className="text-[13px] text-quiet">{say("Then 1 {base} is {rate} {code}.", { base, rate, code })}</p>
      )}
      <div className="flex gap-2">
        <button type="button" className="btn btn-sm btn-neutral" onClick={() => onBase(base)}>
          {say("Take these rates")}
        </button>
        <button type="button" className="btn btn-sm" onClick={onDrop}>
          {say("Leave them")}
        </button>
      </div>
    </section>
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
    <section aria-label={say("Rates by day")}>
      <h2 className="mb-1 flex flex-wrap items-baseline gap-1 font-semibold">
        {say("For one")}
        <SelectField
          label={say("The currency that rates are for one of")}
          look="word"
          value={table.base}
          choices={Object.fromEntries([...new Set([table.base, ...BASES])].map((code) => [code, code]))}
          onCommit={(base) => onTable({ ...table, base })}
        />
        {say(", by day; the newest is in force")}
      </h2>
      <div className="max-h-64 overflow-auto border border-base-300 bg-base-100">
        <table className="table table-xs text-[13px] [&_td]:text-[13px]">
          <thead>
            <tr className="text-quiet">
              <th scope="col">{say("Day")}</th>
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
                  <DayField
                    label=""
                    ariaLabel={say("Day of the rates of {date}", { date: day.date })}
                    className="w-34"
                    value={day.date}
                    leaf="rates/days/date"
                    taken={table.days.map(({ date }) => date)}
                    onCommit={(date) =>
                      onTable({ ...table, days: table.days.map((one) => (one === day ? { ...one, date } : one)) })
                    }
                  />
                </th>
                {currencies.map((code) => (
                  <td key={code} className="text-right">
                    <TextField
                      label=""
                      ariaLabel={say("{code} on {date}", { code, date: day.date })}
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
      {days.length > NEWEST && (
        <p className="text-[13px] text-quiet">{say("and {count} earlier days", { count: days.length - NEWEST })}</p>
      )}
      <form
        className="mt-2 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (!newest || date === "") return;
          onTable({ ...table, days: [...table.days, { date, rates: newest.rates }] });
          setDate("");
        }}
      >
        <DayField
          label={say("A further day, with the newest rates to start from")}
          className="w-44"
          placeholder="2026-11-28"
          value={date}
          leaf="rates/days/date"
          taken={table.days.map((day) => day.date)}
          onCommit={setDate}
        />
        <button type="submit" className="btn btn-sm" disabled={date === ""}>
          {say("Add the day")}
        </button>
      </form>
    </section>
  );
}
