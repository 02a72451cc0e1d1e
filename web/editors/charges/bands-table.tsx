import Plus from "lucide-react/icons/plus";
import Trash2 from "lucide-react/icons/trash-2";
import { useState } from "react";
import type { BandedCharge } from "../../../core/charges/kinds/bands.ts";
import { amountOf, type MeasureSpec, markAt } from "../../../core/measures/measure-spec.ts";
import type { Amount, AmountContext } from "../../../core/money/amount.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { draftStore } from "../../state/use-draft.ts";
import type { AmountRow } from "../amounts/amounts-table.tsx";
import { EditedAmounts } from "../amounts/edited-amounts.tsx";
import { useEditing } from "../editing.ts";
import { BandsDrawing } from "./bands-drawing.tsx";
import { bandsCsv, edgeText, edgeUnit, markOf, readBands, readEdge } from "./bands-text.ts";

type Props = {
  charge: BandedCharge;
  onCharge: (charge: BandedCharge, done: boolean) => void;
};

type BandPrice = BandedCharge["first"];

const MEASURES: Readonly<Partial<Record<MeasureSpec["kind"], string>>> = {
  value: "cart value",
  weight: "weight",
  items: "items",
  "volumetric-weight": "volumetric weight",
  "chargeable-weight": "the greater of both weights",
  distance: "distance",
};

/** What bands can be by: distance where there is a location to start from, and whatever they are by already. */
const measuresFor = (plan: Plan, now: MeasureSpec["kind"]): Record<string, string> => ({
  ...Object.fromEntries(
    Object.entries(MEASURES).filter(([kind]) => kind !== "distance" || (plan.locations ?? []).length > 0),
  ),
  ...(MEASURES[now] ? {} : { [now]: now.replaceAll("-", " ") }),
});

/** The bands of a charge: drawn, as a table in every currency, and as text for a spreadsheet. */
export function BandsTable({ charge, onCharge }: Props) {
  const { plan, context } = useEditing();
  const { kind } = charge.by;
  const { edges, first } = charge;
  const setEdge = (index: number, part: Partial<BandedCharge["edges"][number]>, done = true) =>
    onCharge({ ...charge, edges: edges.map((edge, i) => (i === index ? { ...edge, ...part } : edge)) }, done);
  const setPrice = (index: number, price: BandPrice, done = true) =>
    index < 0 ? onCharge({ ...charge, first: price }, done) : setEdge(index, { price }, done);
  const priceRows = (index: number, price: BandPrice): AmountRow[] => {
    const name = index < 0 ? "First band" : `Band ${index + 2}`;
    const head = (
      <span className="flex flex-wrap items-center gap-1.5">
        {index < 0 ? "At first" : <EdgeHead charge={charge} index={index} context={context} onEdge={setEdge} />}
        <PriceKind name={name} price={price} onPrice={(next) => setPrice(index, next)} />
      </span>
    );
    if (price === "free" || price === "not-offered") {
      return [{ key: name, label: name, head, amount: null, instead: price.replace("-", " "), set: () => {} }];
    }
    if (!("fixed" in price)) {
      return [{ key: name, label: name, head, amount: price, set: (amount, done) => setPrice(index, amount, done) }];
    }
    const { fixed, more, each } = price;
    const unit = edgeText(kind, markAt(each, context) ?? 0, context.currency);
    return [
      {
        key: name,
        label: name,
        head,
        amount: fixed,
        set: (amount, done) => setPrice(index, { ...price, fixed: amount }, done),
      },
      {
        key: `${name} more`,
        label: `${name}, each further ${unit} ${edgeUnit(kind, context.currency)}`,
        amount: more,
        set: (amount, done) => setPrice(index, { ...price, more: amount }, done),
      },
    ];
  };
  const edgeRows = (index: number): AmountRow[] => {
    const at = edges[index]?.at;
    const amount = at && amountOf(at);
    if (!amount) return [];
    return [
      {
        key: `edge ${index}`,
        label: `Edge of band ${index + 2}`,
        head: <span className="text-quiet">begins {edges[index]?.edge}</span>,
        amount,
        set: (next, done) => setEdge(index, { at: next }, done),
      },
    ];
  };
  const rows = [...priceRows(-1, first), ...edges.flatMap((edge, i) => [...edgeRows(i), ...priceRows(i, edge.price)])];
  const addBand = () => {
    const last = edges.at(-1);
    const units = Math.round((last ? (markAt(last.at, context) ?? 0) : 0) * 1.5) || defaultEdge(kind);
    const at = markOf(kind, units, context.currency);
    if (at) onCharge({ ...charge, edges: [...edges, { edge: "from", at, price: "free" }] }, true);
  };
  return (
    <div className="grid gap-3">
      <SelectField<MeasureSpec["kind"]>
        label="By"
        className="w-56"
        value={kind}
        choices={measuresFor(plan, kind)}
        onCommit={(next) => {
          const by = next === kind ? undefined : measureOf(next, plan);
          // Edges of another measure mean nothing any more.
          if (by) onCharge({ ...charge, by, edges: [] }, true);
        }}
      />
      <BandsDrawing
        charge={charge}
        context={context}
        onEdge={(index, at, done) => setEdge(index, { at }, done)}
        onCancel={() => draftStore.cancel()}
      />
      <EditedAmounts name="Bands" rows={rows} />
      <div className="flex flex-wrap items-center gap-2">
        <button type="button" className="btn btn-sm" onClick={addBand}>
          <Plus size={14} aria-hidden /> Add a band
        </button>
        {edges.length > 0 && (
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => onCharge({ ...charge, edges: edges.slice(0, -1) }, true)}
          >
            <Trash2 size={14} aria-hidden /> Drop the last
          </button>
        )}
      </div>
      <BandsAsText charge={charge} context={context} onCharge={(next) => onCharge(next, true)} />
    </div>
  );
}

const defaultEdge = (kind: MeasureSpec["kind"]) =>
  kind === "value" ? 5000 : kind === "items" ? 5 : kind === "distance" ? 5000 : 2_000_000;

function measureOf(kind: MeasureSpec["kind"], plan: Plan): MeasureSpec | undefined {
  const [location] = plan.locations ?? [];
  switch (kind) {
    case "value":
      return { kind, basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } };
    case "distance":
      return location && { kind, from: location.id };
    default:
      return { kind };
  }
}

type EdgeHeadProps = {
  charge: BandedCharge;
  index: number;
  context: AmountContext;
  onEdge: (index: number, part: Partial<BandedCharge["edges"][number]>) => void;
};

/** Where a band begins: which side owns the edge, and, when it is no amount of money, the edge itself. */
function EdgeHead({ charge, index, context, onEdge }: EdgeHeadProps) {
  const edge = charge.edges[index];
  const { kind } = charge.by;
  const [problem, setProblem] = useState<string | null>(null);
  if (!edge) return null;
  const units = markAt(edge.at, context) ?? 0;
  return (
    <>
      <SelectField
        label={`Side of edge ${index + 1}`}
        look="word"
        value={edge.edge}
        choices={{ from: "from", above: "above" }}
        onCommit={(side) => onEdge(index, { edge: side })}
      />
      {!amountOf(edge.at) && (
        <span className="relative inline-flex items-center gap-1">
          <input
            key={units}
            aria-label={`Edge ${index + 1} in ${edgeUnit(kind, context.currency)}`}
            aria-invalid={problem !== null}
            className="w-16 border-b border-dotted border-quiet bg-tint px-0.5 text-right font-semibold aria-invalid:border-warning"
            defaultValue={edgeText(kind, units, context.currency)}
            onBlur={(event) => {
              const read = readEdge(kind, event.target.value, context.currency);
              setProblem("problem" in read ? read.problem : null);
              if ("mark" in read && read.units !== units) onEdge(index, { at: read.mark });
            }}
            onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
          />
          {edgeUnit(kind, context.currency)}
          {problem && (
            <span role="alert" className="text-[13px] text-warning">
              {problem}
            </span>
          )}
        </span>
      )}
    </>
  );
}

/** What kind of price a band has. A change keeps what amounts there are. */
function PriceKind({ name, price, onPrice }: { name: string; price: BandPrice; onPrice: (price: BandPrice) => void }) {
  return (
    <SelectField
      label={`Kind of price of ${name}`}
      look="word"
      value={typeof price === "string" ? price : "price"}
      choices={{ price: "costs", free: "is free", "not-offered": "is not offered" }}
      onCommit={(kind) => {
        if (kind !== "price") onPrice(kind);
        else if (typeof price === "string") onPrice(NO_AMOUNT);
      }}
    />
  );
}

const NO_AMOUNT: Amount = { byCurrency: {} };

/** The bands of one currency as text: to a spreadsheet and back. Nothing is taken while any cell is wrong. */
function BandsAsText({
  charge,
  context,
  onCharge,
}: Pick<EdgeHeadProps, "charge" | "context"> & { onCharge: (charge: BandedCharge) => void }) {
  const { currency } = context;
  const [text, setText] = useState("");
  const [problems, setProblems] = useState<readonly string[]>([]);
  const take = () => {
    const read = readBands(text, charge.by.kind, currency);
    if ("problems" in read) {
      setProblems(read.problems);
      return;
    }
    setProblems([]);
    setText("");
    onCharge({ ...charge, ...read });
  };
  return (
    <details className="text-[13px]">
      <summary className="cursor-pointer text-quiet">As a spreadsheet, in {currency}</summary>
      <div className="mt-2 grid gap-2">
        <label className="grid gap-1">
          Paste rows here: where a band begins and its price, from 0 on
          <textarea
            className="textarea textarea-sm h-24 w-full font-mono"
            value={text}
            placeholder={"0\t4.00\n30\t7.00\n75\tfree"}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
        {problems.length > 0 && (
          <ul role="alert" className="text-warning">
            {problems.map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        )}
        <div className="flex gap-2">
          <button type="button" className="btn btn-sm" disabled={text.trim() === ""} onClick={take}>
            Take these bands
          </button>
          <a
            className="btn btn-sm"
            download="bands.csv"
            href={`data:text/csv;charset=utf-8,${encodeURIComponent(bandsCsv(charge, context))}`}
          >
            Save as CSV
          </a>
        </div>
        {Object.keys(amountsIn(charge)).length > 1 && (
          <p className="text-quiet">
            Pasted bands have amounts in {currency} only; set the other currencies in the table.
          </p>
        )}
      </div>
    </details>
  );
}

const amountsIn = ({ first }: BandedCharge): object =>
  typeof first === "object" && "byCurrency" in first ? (first.byCurrency ?? {}) : {};
