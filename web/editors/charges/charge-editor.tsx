import { useQuery } from "@tanstack/react-query";
import ArrowDown from "lucide-react/icons/arrow-down";
import ArrowUp from "lucide-react/icons/arrow-up";
import Trash2 from "lucide-react/icons/trash-2";
import type { Charge } from "../../../core/charges/charge.ts";
import { chargeWords } from "../../../core/charges/words.ts";
import type { Trace } from "../../../core/conditions/compile.ts";
import type { Condition } from "../../../core/conditions/condition.ts";
import { conditionWords } from "../../../core/conditions/words.ts";
import type { AmountContext } from "../../../core/money/amount.ts";
import { type Plan, savedOf } from "../../../core/plan/plan.ts";
import { api } from "../../state/api.ts";
import { setOptional } from "../../state/set-optional.ts";
import { AmountsTable } from "../amounts/amounts-table.tsx";
import type { Column } from "../amounts/columns.ts";
import { ConditionBuilder } from "../conditions/condition-builder.tsx";
import { BandsEditor } from "./bands-editor.tsx";

type Props = {
  plan: Plan;
  charge: Charge;
  columns: readonly Column[];
  context: AmountContext;
  /** The zones its amounts are for. */
  zones: readonly string[];
  /** How a condition stands for the current shopper. */
  explain: (condition: Condition) => Trace | null;
  onCharge: (charge: Charge, done: boolean) => void;
  onCancel: () => void;
  /** A charge inside another one has fewer forms. */
  nested?: boolean;
};

const KINDS: readonly { kind: Charge["kind"]; words: string }[] = [
  { kind: "flat", words: "one price" },
  { kind: "per-item", words: "a price for each item" },
  { kind: "bands", words: "bands" },
  { kind: "parcel-classes", words: "by parcel class" },
  { kind: "carrier", words: "what a live carrier asks" },
  { kind: "conditional", words: "a list of cases" },
];

/** A charge edited as it reads. */
export function ChargeEditor(props: Props) {
  const { charge, onCharge, nested } = props;
  return (
    <div className="grid gap-3">
      <label className="flex items-center gap-2">
        {nested ? "It costs" : "The charge is"}
        <select
          className="select select-sm w-60"
          value={charge.kind}
          onChange={(event) => {
            const next = KINDS.find(({ kind }) => kind === event.target.value);
            if (next && next.kind !== charge.kind) onCharge(asKind(charge, next.kind), true);
          }}
        >
          {KINDS.filter(({ kind }) => !nested || kind !== "conditional").map(({ kind, words }) => (
            <option key={kind} value={kind}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <ChargeForm {...props} />
    </div>
  );
}

/** A charge of another kind that keeps what it can: its amount, or the whole of it as a fallback or case. */
function asKind(charge: Charge, kind: Charge["kind"]): Charge {
  const amount =
    charge.kind === "flat" || charge.kind === "per-item"
      ? charge.amount
      : charge.kind === "bands" && typeof charge.first === "object" && !("fixed" in charge.first)
        ? charge.first
        : { byCurrency: {} };
  switch (kind) {
    case "flat":
    case "per-item":
      return { kind, amount };
    case "bands":
      return {
        kind,
        by: { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } },
        first: amount,
        edges: [],
      };
    case "parcel-classes":
      return { kind, take: "highest", classes: { bulky: amount }, others: amount };
    case "carrier":
      return { kind, carrier: "osprelle", service: "parcel", fallback: charge };
    case "conditional":
      return { kind, take: "first", entries: [{ position: 10, charge }] };
  }
}

function ChargeForm(props: Props) {
  const { plan, charge, columns, onCharge, onCancel } = props;
  switch (charge.kind) {
    case "flat":
    case "per-item":
      return (
        <AmountsTable
          plan={plan}
          name={charge.kind === "flat" ? "Price" : "Price for each item"}
          rows={[
            {
              key: "amount",
              label: "Price",
              amount: charge.amount,
              set: (amount, done) => onCharge({ ...charge, amount }, done),
            },
          ]}
          columns={columns}
          onCancel={onCancel}
        />
      );
    case "bands":
      return <BandsEditor {...props} charge={charge} />;
    case "parcel-classes":
      return (
        <AmountsTable
          plan={plan}
          name="Parcel class"
          rows={[
            ...Object.entries(charge.classes).map(([name, amount]) => ({
              key: name,
              label: name,
              amount,
              set: (next: typeof amount, done: boolean) =>
                onCharge({ ...charge, classes: { ...charge.classes, [name]: next } }, done),
            })),
            {
              key: "others",
              label: "Everything else",
              amount: charge.others,
              set: (others, done) => onCharge({ ...charge, others }, done),
            },
          ]}
          columns={columns}
          onCancel={onCancel}
        />
      );
    case "carrier":
      return <CarrierForm {...props} charge={charge} />;
    case "conditional":
      return <CasesForm {...props} charge={charge} />;
  }
}

type FormOf<Kind extends Charge["kind"]> = Props & { charge: Extract<Charge, { kind: Kind }> };

function CarrierForm(props: FormOf<"carrier">) {
  const { plan, charge, onCharge } = props;
  const { data: carriers = [] } = useQuery({
    queryKey: ["carrier-list"],
    queryFn: api.carriers,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const carrier = carriers.find(({ id }) => id === charge.carrier);
  const { fallback } = charge;
  const select = "select select-sm w-56";
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap gap-x-4 gap-y-2">
        <label className="flex items-center gap-2">
          Carrier
          <select
            className={select}
            value={charge.carrier}
            onChange={(event) => {
              const next = carriers.find(({ id }) => id === event.target.value);
              if (next)
                onCharge({ ...charge, carrier: next.id, service: next.services[0]?.id ?? charge.service }, true);
            }}
          >
            {!carrier && <option value={charge.carrier}>{charge.carrier}</option>}
            {carriers.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          Service
          <select
            className={select}
            value={charge.service}
            onChange={(event) => onCharge({ ...charge, service: event.target.value }, true)}
          >
            {!carrier?.services.some(({ id }) => id === charge.service) && (
              <option value={charge.service}>{charge.service}</option>
            )}
            {(carrier?.services ?? []).map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          Fetched from
          <select
            className={select}
            value={charge.from ?? ""}
            onChange={(event) => {
              const { from: _, ...rest } = charge;
              onCharge(event.target.value === "" ? rest : { ...rest, from: event.target.value }, true);
            }}
          >
            <option value="">where the store ships from</option>
            {(plan.locations ?? []).map(({ id, name }) => (
              <option key={id} value={id}>
                {name.en ?? id}
              </option>
            ))}
          </select>
        </label>
      </div>
      <fieldset className="border-l-2 border-base-300 pl-3">
        <legend className="mb-1 text-[13px] text-quiet">When it does not answer</legend>
        {fallback ? (
          <ChargeEditor
            {...props}
            nested
            charge={fallback}
            onCharge={(next, done) => onCharge({ ...charge, fallback: next }, done)}
          />
        ) : (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => onCharge({ ...charge, fallback: { kind: "flat", amount: { byCurrency: {} } } }, true)}
          >
            The option cannot be had. Add a fallback
          </button>
        )}
      </fieldset>
    </div>
  );
}

const TAKES = {
  first: "the first that applies",
  sum: "the sum of all that apply",
  highest: "the highest",
  lowest: "the lowest",
} as const;
const isTake = (value: string): value is keyof typeof TAKES => Object.hasOwn(TAKES, value);

/** Cases in their order; moving one shows its effect at once, since everything on screen answers from the plan as it is. */
function CasesForm(props: FormOf<"conditional">) {
  const { plan, charge, context, onCharge } = props;
  const entries = [...charge.entries].sort((a, b) => a.position - b.position);
  const renumbered = (list: typeof entries) => list.map((entry, i) => ({ ...entry, position: (i + 1) * 10 }));
  const swap = (i: number, j: number) => {
    const list = [...entries];
    const [a, b] = [list[i], list[j]];
    if (!a || !b) return;
    list[i] = b;
    list[j] = a;
    onCharge({ ...charge, entries: renumbered(list) }, true);
  };
  const saved = savedOf(plan);
  return (
    <div className="grid gap-2">
      <label className="flex items-center gap-2">
        Take
        <select
          className="select select-sm w-60"
          value={charge.take}
          onChange={(event) => {
            const take = event.target.value;
            if (isTake(take)) onCharge({ ...charge, take }, true);
          }}
        >
          {Object.entries(TAKES).map(([take, words]) => (
            <option key={take} value={take}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <ol className="grid gap-2">
        {entries.map((entry, i) => {
          const words = entry.when ? `If ${conditionWords(entry.when, context, saved)}` : "Otherwise";
          return (
            <li key={entry.position} className="border border-base-300 bg-base-100 p-3">
              <div className="flex items-start gap-2">
                <p className="min-w-0 flex-1">
                  {words}: <strong>{chargeWords(entry.charge, context, saved)}</strong>
                </p>
                <button
                  type="button"
                  className="btn btn-ghost btn-xs btn-square"
                  disabled={i === 0}
                  onClick={() => swap(i, i - 1)}
                >
                  <ArrowUp size={14} aria-hidden />
                  <span className="sr-only">Move case {i + 1} up</span>
                </button>
                <button
                  type="button"
                  className="btn btn-ghost btn-xs btn-square order-last"
                  disabled={entries.length === 1}
                  onClick={() => onCharge({ ...charge, entries: entries.filter((_, j) => j !== i) }, true)}
                >
                  <Trash2 size={14} aria-hidden />
                  <span className="sr-only">Remove case {i + 1}</span>
                </button>
                <button
                  type="button"
                  className="btn btn-ghost btn-xs btn-square"
                  disabled={i === entries.length - 1}
                  onClick={() => swap(i, i + 1)}
                >
                  <ArrowDown size={14} aria-hidden />
                  <span className="sr-only">Move case {i + 1} down</span>
                </button>
              </div>
              <details className="mt-1 text-[13px]">
                <summary className="cursor-pointer text-quiet">Change case {i + 1}</summary>
                <div className="mt-2 grid gap-3">
                  <ConditionBuilder
                    plan={plan}
                    context={context}
                    zones={props.zones}
                    condition={entry.when}
                    trace={entry.when ? props.explain(entry.when) : null}
                    lead="It is for"
                    onCondition={(when) => {
                      const next = setOptional(entry, "when", when);
                      onCharge({ ...charge, entries: entries.map((one, j) => (j === i ? next : one)) }, true);
                    }}
                  />
                  <ChargeEditor
                    {...props}
                    nested
                    charge={entry.charge}
                    onCharge={(next, done) =>
                      onCharge(
                        { ...charge, entries: entries.map((one, j) => (j === i ? { ...one, charge: next } : one)) },
                        done,
                      )
                    }
                  />
                </div>
              </details>
            </li>
          );
        })}
      </ol>
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        onClick={() => {
          const added = { position: 0, when: FIRST_CASE, charge: entries.at(-1)?.charge ?? charge.entries[0]?.charge };
          if (added.charge)
            onCharge({ ...charge, entries: renumbered([{ ...added, charge: added.charge }, ...entries]) }, true);
        }}
      >
        Add a case in front
      </button>
    </div>
  );
}

/** What a new case starts as; it is there to be changed. */
const FIRST_CASE: Condition = { kind: "items", is: "more-than", count: 8 };
