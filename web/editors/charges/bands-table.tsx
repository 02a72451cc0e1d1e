import Plus from "lucide-react/icons/plus";
import type { ReactNode } from "react";
import type { BandedCharge } from "../../../core/charges/kinds/bands.ts";
import { chargeWords } from "../../../core/charges/words.ts";
import { amountOf, type MeasureSpec, markAt, RETIRED_MEASURE } from "../../../core/measures/measure-spec.ts";
import type { Amount } from "../../../core/money/amount.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import { type Plan, savedOf } from "../../../core/plan/plan.ts";
import { wordsOfKey } from "../../../core/schema/key-words.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { type Shown, say } from "../../language/say.ts";
import { unitsOf } from "../../names/units.ts";
import { draftStore } from "../../state/use-draft.ts";
import type { AmountRow } from "../amounts/amounts-table.tsx";
import { EditedAmounts } from "../amounts/edited-amounts.tsx";
import { useEditing } from "../editing.ts";
import { BandActions, EdgeHead, PriceKind } from "./band-head.tsx";
import { BandsAsText } from "./bands-as-text.tsx";
import { BandsDrawing } from "./bands-drawing.tsx";
import { markOf } from "./bands-text.ts";
import { MeasureFields } from "./measure-fields.tsx";

type Props = {
  charge: BandedCharge;
  onCharge: (charge: BandedCharge, done: boolean) => void;
};

type Edge = BandedCharge["edges"][number];
type BandPrice = BandedCharge["first"];

const MEASURES: Readonly<Partial<Record<MeasureSpec["kind"], Phrase>>> = {
  value: phrase("cart value"),
  weight: phrase("weight"),
  items: phrase("items"),
  volume: phrase("volume"),
  "volumetric-weight": phrase("volumetric weight"),
  "chargeable-weight": phrase("the greater of both weights"),
  distance: phrase("distance"),
};

/** What bands can be by: distance where there is a location to start from, and whatever they are by already. */
const measuresFor = (plan: Plan, now: MeasureSpec["kind"]): Record<string, Shown> => ({
  ...Object.fromEntries(
    Object.entries(MEASURES).filter(([kind]) => kind !== "distance" || (plan.locations ?? []).length > 0),
  ),
  ...(MEASURES[now] ? {} : { [now]: phrase(wordsOfKey(now)) }),
});

/** The bands of a charge by what is measured; those by what is not counted any more can only be read. */
export function BandsTable({ charge, onCharge }: Props) {
  const { plan } = useEditing();
  const { kind } = charge.by;
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <SelectField<MeasureSpec["kind"]>
          label={say("By")}
          className="w-56"
          value={kind}
          choices={measuresFor(plan, kind)}
          onCommit={(next) => {
            const by = next === kind ? undefined : measureOf(next, plan);
            // Edges of another measure mean nothing any more.
            if (by) onCharge({ ...charge, by, edges: [] }, true);
          }}
        />
        <MeasureFields spec={charge.by} onSpec={(by) => onCharge({ ...charge, by }, true)} />
      </div>
      {kind === RETIRED_MEASURE ? (
        <RetiredBands charge={charge} />
      ) : (
        <EditedBands charge={charge} onCharge={onCharge} />
      )}
    </div>
  );
}

/** What a former plan charges by a measure that is not made any more. */
function RetiredBands({ charge }: { charge: BandedCharge }) {
  const { plan, context } = useEditing();
  return (
    <div className="grid gap-1 text-[14px]">
      <p>{say(chargeWords(charge, context, savedOf(plan)))}</p>
      <p className="text-warning">
        {say(
          "Weight times volume is not counted any more. Releases go on charging by it; the next one has to count something else: the greater of both weights is what carriers charge by.",
        )}
      </p>
    </div>
  );
}

/** Bands drawn, as a table in every currency, and as text for a spreadsheet. */
function EditedBands({ charge, onCharge }: Props) {
  const { plan, context } = useEditing();
  const { kind } = charge.by;
  const { edges, first } = charge;
  const setEdge = (index: number, part: Partial<Edge>, done = true) =>
    onCharge({ ...charge, edges: edges.map((edge, i) => (i === index ? { ...edge, ...part } : edge)) }, done);
  const setPrice = (index: number, price: BandPrice, done = true) =>
    index < 0 ? onCharge({ ...charge, first: price }, done) : setEdge(index, { price }, done);
  // Edges may be written in any order: the next one is the next further on.
  const startOf = (index: number) => (index < 0 ? 0 : (markAt(edges[index]?.at ?? NOWHERE, context) ?? 0));
  const split = (index: number) => {
    const start = startOf(index);
    const later = edges.map((_, i) => startOf(i)).filter((one) => one > start);
    const units = later.length > 0 ? Math.round((start + Math.min(...later)) / 2) : Math.round(start * 1.5);
    const at = markOf(kind, units || defaultEdge(kind), context.currency, unitsOf(plan));
    const added: Edge = { edge: "from", at: at ?? NOWHERE, price: edges[index]?.price ?? first };
    if (at) onCharge({ ...charge, edges: edges.toSpliced(index + 1, 0, added) }, true);
  };
  const headOf = (index: number, name: string, price: BandPrice) => (
    <span className="flex flex-wrap items-center gap-1.5">
      {index < 0 || !edges[index] ? (
        say("At first")
      ) : (
        <EdgeHead number={index + 1} edge={edges[index]} onEdge={(part) => setEdge(index, part)} />
      )}
      <PriceKind
        name={name}
        price={price}
        unit={markOf(kind, defaultUnit(kind, context.currency), context.currency, unitsOf(plan))}
        onPrice={(next) => setPrice(index, next)}
      />
      <BandActions
        name={name}
        onSplit={() => split(index)}
        {...(index < 0 ? {} : { onRemove: () => onCharge({ ...charge, edges: edges.toSpliced(index, 1) }, true) })}
      />
    </span>
  );
  const rowsOf = (index: number, price: BandPrice): AmountRow[] => {
    const name = index < 0 ? say("First band") : say("Band {number}", { number: index + 2 });
    const at = edges[index] && amountOf(edges[index].at);
    const edgeRow = at && {
      key: say("edge {index}", { index }),
      label: say("Edge of band {number}", { number: index + 2 }),
      head: (
        <span className="text-quiet">
          {say("begins")} {edges[index]?.edge}
        </span>
      ),
      amount: at,
      set: (next: Amount, done: boolean) => setEdge(index, { at: next }, done),
    };
    const rows = priceRows(name, price, headOf(index, name, price), (next, done) => setPrice(index, next, done));
    return edgeRow ? [edgeRow, ...rows] : rows;
  };
  const rows = [first, ...edges.map(({ price }) => price)].flatMap((price, i) => rowsOf(i - 1, price));
  return (
    <>
      <BandsDrawing
        charge={charge}
        context={context}
        onEdge={(index, at, done) => setEdge(index, { at }, done)}
        onCancel={() => draftStore.cancel()}
      />
      <EditedAmounts name={say("Bands")} rows={rows} />
      <div>
        <button type="button" className="btn btn-sm" onClick={() => split(edges.length - 1)}>
          <Plus size={14} aria-hidden /> {say("Add a band")}
        </button>
      </div>
      <BandsAsText charge={charge} context={context} onCharge={(next) => onCharge(next, true)} />
    </>
  );
}

/** The amounts of one band's price. */
function priceRows(
  name: string,
  price: BandPrice,
  head: ReactNode,
  onPrice: (price: BandPrice, done: boolean) => void,
): AmountRow[] {
  const row = { key: name, label: name, head };
  if (typeof price === "string")
    return [{ ...row, amount: null, instead: price === "free" ? say("free") : say("not offered"), set: () => {} }];
  if (!("fixed" in price)) return [{ ...row, amount: price, set: onPrice }];
  return [
    { ...row, amount: price.fixed, set: (fixed, done) => onPrice({ ...price, fixed }, done) },
    {
      key: say("{name} more", { name }),
      label: say("{name}, for each further unit", { name }),
      amount: price.more,
      set: (more, done) => onPrice({ ...price, more }, done),
    },
  ];
}

/** Where an edge without an amount stands. */
const NOWHERE: Amount = { byCurrency: {} };

/** Whole units of a measure at which a first band ends. */
const defaultEdge = (kind: MeasureSpec["kind"]) =>
  kind === "value" ? 5000 : kind === "items" ? 5 : kind === "distance" ? 5000 : 2_000_000;

/** A first unit for prices that grow: one of the currency, a piece, a kilogram, a litre, a kilometre. */
const defaultUnit = (kind: MeasureSpec["kind"], currency: string) =>
  kind === "value" ? 10 ** (exponentOf(currency) ?? 2) : kind === "items" ? 1 : kind === "distance" ? 1000 : 1_000_000;

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
