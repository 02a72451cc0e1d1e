import type { Comparison } from "../../../core/conditions/compare.ts";
import { COMPARISON_WORDS } from "../../../core/conditions/compare.ts";
import type { Condition } from "../../../core/conditions/condition.ts";
import type { Amount } from "../../../core/money/amount.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { postcodePattern } from "../../../core/places/postcode.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { isLocal } from "../../../core/time/local.ts";
import { ListField } from "../../fields/list-field.tsx";
import { NumberField } from "../../fields/number-field.tsx";
import { DISTANCE_UNITS, QuantityField, WEIGHT_UNITS } from "../../fields/quantity-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { COUNTRIES } from "../../names/place-names.ts";
import { type AmountRow, AmountsTable } from "../amounts/amounts-table.tsx";
import { BasisFields } from "../amounts/basis-fields.tsx";
import type { Column } from "../amounts/columns.ts";

export type Clause = Exclude<Condition, { kind: "all" | "any" | "not" | "saved" }>;

type Props<One extends Clause = Clause> = {
  plan: Plan;
  clause: One;
  columns: readonly Column[];
  onClause: (clause: Clause) => void;
};

const HOW = { any: "some line", none: "no line", only: "every line" } as const;
const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
const TIME = /^([01]\d|2[0-3]):[0-5]\d$/;
const MOST = 1_000_000;

/** What can be changed about one clause, in the terms it reads in. */
export function ClauseFields({ plan, clause, columns, onClause }: Props) {
  const compared = (one: Extract<Clause, { kind: "orders" | "items" | "lines" }>) => (
    <>
      <Is value={one.is} onIs={(is) => onClause({ ...one, is })} />
      <NumberField
        label="How many"
        value={one.count}
        least={0}
        most={MOST}
        onCommit={(count) => onClause({ ...one, count })}
      />
    </>
  );
  const amount = (name: string, value: Amount, set: (next: Amount) => void) => (
    <Amounts plan={plan} name={name} amount={value} columns={columns} onAmount={set} />
  );
  switch (clause.kind) {
    case "signed-in":
    case "business":
      return <p className="text-[13px] text-quiet">Nothing to set.</p>;
    case "named":
      return <Names label="Ids of shoppers" list={clause.ids} onList={(ids) => onClause({ ...clause, ids })} />;
    case "group":
      return <Names label="Groups" list={clause.groups} onList={(groups) => onClause({ ...clause, groups })} />;
    case "orders":
    case "items":
    case "lines":
      return compared(clause);
    case "not-ordered-for":
      return (
        <NumberField
          label="Days"
          value={clause.days}
          least={1}
          most={36_500}
          onCommit={(days) => onClause({ ...clause, days })}
        />
      );
    case "account-age":
      return (
        <>
          <SelectField
            label="How long ago"
            value={clause.is}
            choices={{ "at-least": "at least", "at-most": "at most" }}
            onCommit={(is) => onClause({ ...clause, is })}
          />
          <NumberField
            label="Days"
            value={clause.days}
            least={0}
            most={36_500}
            onCommit={(days) => onClause({ ...clause, days })}
          />
        </>
      );
    case "total-spent":
      return (
        <>
          <Is value={clause.is} onIs={(is) => onClause({ ...clause, is })} />
          {amount("Spent so far", clause.amount, (next) => onClause({ ...clause, amount: next }))}
        </>
      );
    case "country":
    case "billing":
      return (
        <Names
          label="Countries, as two letters"
          list={clause.countries}
          validate={(code) => (COUNTRIES.some((one) => one.code === code) ? null : `${code} is no country's code`)}
          onList={(countries) => onClause({ ...clause, countries })}
        />
      );
    case "region":
      return (
        <Names
          label="Regions by ISO 3166-2"
          list={clause.regions}
          validate={(code) =>
            /^[A-Z]{2}-[A-Z0-9]{1,3}$/.test(code) ? null : `${code} is no region's code, such as PT-30`
          }
          onList={(regions) => onClause({ ...clause, regions })}
        />
      );
    case "postcode":
      return (
        <>
          <TextField
            label="Country"
            className="w-20"
            value={clause.country}
            validate={(code) => (COUNTRIES.some((one) => one.code === code) ? null : "a country's two letters")}
            onCommit={(country) => onClause({ ...clause, country })}
          />
          <Names
            label="Postcodes, patterns, ranges"
            list={clause.patterns}
            validate={(text) =>
              postcodePattern(clause.country, text) ? null : `${text} is no postcode, pattern or range`
            }
            onList={(patterns) => onClause({ ...clause, patterns })}
          />
        </>
      );
    case "distance":
      return (
        <>
          <SelectField
            label="From"
            value={clause.from}
            choices={Object.fromEntries((plan.locations ?? []).map(({ id, name }) => [id, name.en ?? id]))}
            onCommit={(from) => onClause({ ...clause, from })}
          />
          <Is value={clause.is} onIs={(is) => onClause({ ...clause, is })} />
          <QuantityField
            label="Distance"
            quantity={clause.distance}
            units={DISTANCE_UNITS}
            onQuantity={(distance) => onClause({ ...clause, distance })}
          />
        </>
      );
    case "value":
      return (
        <>
          <Is value={clause.is} onIs={(is) => onClause({ ...clause, is })} />
          {amount("Cart value", clause.amount, (next) => onClause({ ...clause, amount: next }))}
          <BasisFields basis={clause.basis} onBasis={(basis) => onClause({ ...clause, basis })} />
        </>
      );
    case "weight":
      return (
        <>
          <Is value={clause.is} onIs={(is) => onClause({ ...clause, is })} />
          <QuantityField
            label="Weight"
            quantity={clause.weight}
            units={{ mg: "mg", ...WEIGHT_UNITS }}
            onQuantity={(weight) => onClause({ ...clause, weight })}
          />
        </>
      );
    case "goods":
      return (
        <>
          <SelectField
            label="Lines"
            value={clause.how}
            choices={{ ...HOW, all: "a line for each" }}
            onCommit={(how) => onClause({ ...clause, how })}
          />
          <SelectField
            label="By"
            value={clause.by}
            choices={{ categories: "category", tags: "tag", skus: "SKU", "parcel-classes": "parcel class" }}
            onCommit={(by) => onClause({ ...clause, by })}
          />
          <Names label="Any of these" list={clause.of} onList={(of) => onClause({ ...clause, of })} />
        </>
      );
    case "trait":
      return (
        <>
          <SelectField
            label="Lines"
            value={clause.how}
            choices={HOW}
            onCommit={(how) => onClause({ ...clause, how })}
          />
          <SelectField
            label="Are"
            value={clause.trait}
            choices={{
              used: "used",
              new: "new",
              "ships-free": "shipped free by themselves",
              "own-charge": "charged on their own",
              "nothing-to-ship": "nothing that is shipped",
              reduced: "reduced",
            }}
            onCommit={(trait) => onClause({ ...clause, trait })}
          />
        </>
      );
    case "line":
      return <LineFields plan={plan} clause={clause} columns={columns} onClause={onClause} />;
    case "code":
      return <Names label="Codes" list={clause.codes} onList={(codes) => onClause({ ...clause, codes })} />;
    case "between":
      return (
        <>
          {(["from", "until"] as const).map((side) => (
            <TextField
              key={side}
              label={side === "from" ? "From, such as 2026-11-27T09:00" : "Until, a day included"}
              value={clause[side] ?? ""}
              validate={(text) =>
                text === "" || isLocal(text) ? null : "a day of the calendar, or one and a time: 2026-11-27T09:00"
              }
              onCommit={(text) => {
                const { [side]: _, ...rest } = clause;
                onClause(text === "" ? rest : { ...rest, [side]: text });
              }}
            />
          ))}
        </>
      );
    case "weekdays":
      return (
        <fieldset className="flex gap-2">
          <legend className="sr-only">Weekdays</legend>
          {WEEKDAYS.map((name, i) => (
            <label key={name} className="flex items-center gap-1 text-[13px]">
              <input
                type="checkbox"
                className="checkbox checkbox-xs"
                checked={clause.days.includes(i + 1)}
                onChange={(event) => {
                  const days = clause.days.filter((day) => day !== i + 1);
                  const next = event.target.checked ? [...days, i + 1].sort() : days;
                  if (next.length > 0) onClause({ ...clause, days: next });
                }}
              />
              {name}
            </label>
          ))}
        </fieldset>
      );
    case "month-days":
      return (
        <ListField
          label="Days of the month"
          value={clause.days.map(String)}
          validate={(text) => (/^([1-9]|[12]\d|3[01])$/.test(text) ? null : `${text} is no day of a month`)}
          onCommit={(days) => days.length > 0 && onClause({ ...clause, days: days.map(Number) })}
        />
      );
    case "hours":
      return (
        <>
          {(["from", "until"] as const).map((side) => (
            <TextField
              key={side}
              label={side === "from" ? "From" : "Until"}
              className="w-20"
              value={clause[side]}
              validate={(text) => (TIME.test(text) ? null : "a time such as 18:30")}
              onCommit={(text) => onClause({ ...clause, [side]: text })}
            />
          ))}
        </>
      );
    case "channel":
      return <Names label="Channels" list={clause.channels} onList={(channels) => onClause({ ...clause, channels })} />;
    case "currency":
      return (
        <Names
          label="Currencies"
          list={clause.currencies}
          validate={(code) => (exponentOf(code) === undefined ? `${code} is no currency in use` : null)}
          onList={(currencies) => onClause({ ...clause, currencies })}
        />
      );
    case "language":
      return (
        <Names
          label="Languages"
          list={clause.languages}
          validate={(tag) =>
            /^[a-z]{2,3}(-[A-Z][a-z]{3})?(-([A-Z]{2}|[0-9]{3}))?$/.test(tag)
              ? null
              : `${tag} is no language tag, such as pt or pt-BR`
          }
          onList={(languages) => onClause({ ...clause, languages })}
        />
      );
  }
}

function LineFields({ plan, clause, columns, onClause }: Props<Extract<Clause, { kind: "line" }>>) {
  const { figure } = clause;
  const set = (next: typeof figure) => onClause({ ...clause, figure: next });
  return (
    <>
      <SelectField label="Lines" value={clause.how} choices={HOW} onCommit={(how) => onClause({ ...clause, how })} />
      <SelectField
        label="Have a"
        value={figure.kind}
        choices={{ price: "price", quantity: "quantity", weight: "weight of one piece" }}
        onCommit={(kind) => {
          if (kind === "price") set({ kind, is: figure.is, amount: { byCurrency: {} } });
          else if (kind === "quantity") set({ kind, is: figure.is, count: 1 });
          else set({ kind, is: figure.is, weight: { value: "1", unit: "kg" } });
        }}
      />
      <Is value={figure.is} onIs={(is) => set({ ...figure, is })} />
      {figure.kind === "price" && (
        <Amounts
          plan={plan}
          name="Price"
          amount={figure.amount}
          columns={columns}
          onAmount={(amount) => set({ ...figure, amount })}
        />
      )}
      {figure.kind === "quantity" && (
        <NumberField
          label="Pieces"
          value={figure.count}
          least={0}
          most={MOST}
          onCommit={(count) => set({ ...figure, count })}
        />
      )}
      {figure.kind === "weight" && (
        <QuantityField
          label="Weight"
          quantity={figure.weight}
          units={{ mg: "mg", ...WEIGHT_UNITS }}
          onQuantity={(weight) => set({ ...figure, weight })}
        />
      )}
    </>
  );
}

const Is = ({ value, onIs }: { value: Comparison; onIs: (is: Comparison) => void }) => (
  <SelectField label="Compared" value={value} choices={COMPARISON_WORDS} onCommit={onIs} />
);

type NamesProps = {
  label: string;
  list: readonly string[];
  validate?: (text: string) => string | null;
  onList: (list: string[]) => void;
};

/** A list that may not become empty. */
const Names = ({ label, list, validate, onList }: NamesProps) => (
  <ListField
    label={label}
    value={list}
    {...(validate ? { validate } : {})}
    onCommit={(next) => next.length > 0 && onList(next)}
  />
);

type AmountsProps = {
  plan: Plan;
  name: string;
  amount: Amount;
  columns: readonly Column[];
  onAmount: (amount: Amount) => void;
};

function Amounts({ plan, name, amount, columns, onAmount }: AmountsProps) {
  const row: AmountRow = { key: name, label: name, amount, set: (next, done) => done && onAmount(next) };
  return <AmountsTable plan={plan} name={name} rows={[row]} columns={columns} onCancel={() => {}} />;
}
