import Bookmark from "lucide-react/icons/bookmark";
import Trash2 from "lucide-react/icons/trash-2";
import { Link } from "wouter";
import type { Trace } from "../../../core/conditions/compile.ts";
import type { Condition } from "../../../core/conditions/condition.ts";
import type { Family } from "../../../core/conditions/definition.ts";
import { CONDITION_KINDS } from "../../../core/conditions/registry.ts";
import { conditionWords } from "../../../core/conditions/words.ts";
import type { AmountContext } from "../../../core/money/amount.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { savedOf } from "../../../core/plan/plan.ts";
import { freeId } from "../../../core/schema/positions.ts";
import { draftStore } from "../../state/use-draft.ts";
import { columnsOf } from "../amounts/columns.ts";
import { type Clause, ClauseFields } from "./clause-fields.tsx";
import { TruthMark } from "./truth-mark.tsx";

type Props = {
  plan: Plan;
  context: AmountContext;
  /** The zones its amounts are for. */
  zones: readonly string[];
  condition: Condition | undefined;
  /** How it stands for the current shopper; null where that cannot be told. */
  trace: Trace | null;
  onCondition: (condition: Condition | undefined) => void;
  /** How the sentence begins. */
  lead: string;
};

const FAMILIES: Readonly<Record<Family, string>> = {
  shopper: "About the shopper",
  place: "About the place",
  cart: "About the cart",
  moment: "About the moment",
};

/** A condition as a sentence whose clauses are changed in place; each says how it stands for the current shopper. */
export function ConditionBuilder(props: Props) {
  const { condition, context, lead, onCondition, trace } = props;
  if (!condition) {
    return (
      <p className="flex flex-wrap items-center gap-2">
        {lead} <strong>all carts and shoppers</strong>.
        <AddClause {...props} label="Only where…" onAdd={onCondition} />
      </p>
    );
  }
  return (
    <div>
      <p className="mb-1">
        {lead} carts where
        {(condition.kind === "all" || condition.kind === "any") && trace && (
          <TruthMark trace={trace} currency={context.currency} />
        )}
      </p>
      <Part {...props} condition={condition} depth={0} />
    </div>
  );
}

type PartProps = Omit<Props, "condition"> & { condition: Condition; depth: number };

function Part(props: PartProps) {
  const { plan, condition, context, trace, onCondition, depth } = props;
  const inner = (index: number) => trace?.of?.[index] ?? null;
  switch (condition.kind) {
    case "all":
    case "any":
      return (
        <div className={depth > 0 ? "border-l-2 border-base-300 pl-3" : ""}>
          <p className="flex flex-wrap items-center gap-2">
            <select
              aria-label="How the clauses go together"
              className="select select-sm w-auto"
              value={condition.kind}
              onChange={(event) =>
                onCondition({ kind: event.target.value === "any" ? "any" : "all", of: condition.of })
              }
            >
              <option value="all">all</option>
              <option value="any">any</option>
            </select>
            of these hold{depth > 0 && trace && <TruthMark trace={trace} currency={context.currency} />}
            <SaveButton {...props} />
            <RemoveButton onRemove={() => onCondition(undefined)} words="this group" />
          </p>
          <ul className="mt-1 grid gap-1">
            {condition.of.map((part, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: clauses have no identity but their place
              <li key={i}>
                <Part
                  {...props}
                  depth={depth + 1}
                  condition={part}
                  trace={inner(i)}
                  onCondition={(next) => {
                    const of = condition.of.flatMap((other, j) => (j === i ? (next ? [next] : []) : [other]));
                    onCondition(of.length === 0 ? undefined : { ...condition, of });
                  }}
                />
              </li>
            ))}
          </ul>
          <AddClause
            {...props}
            label="And…"
            onAdd={(added) => onCondition({ ...condition, of: [...condition.of, added] })}
          />
        </div>
      );
    case "not":
      return (
        <div className="border-l-2 border-warning pl-3">
          <p className="flex items-center gap-2">
            <strong>it is not so that</strong>
            {trace && <TruthMark trace={trace} currency={context.currency} />}
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => onCondition(condition.of)}>
              Turn round
            </button>
          </p>
          <Part
            {...props}
            depth={depth + 1}
            condition={condition.of}
            trace={inner(0)}
            onCondition={(next) => onCondition(next && { kind: "not", of: next })}
          />
        </div>
      );
    case "saved":
      return (
        <p className="flex flex-wrap items-center gap-2 py-0.5">
          <Link className="link font-semibold" href={`/offers#condition/${condition.id}`}>
            {conditionWords(condition, context, savedOf(plan))}
          </Link>
          <span className="text-[12px] text-quiet">saved</span>
          {trace && <TruthMark trace={trace} currency={context.currency} />}
          <NotButton {...props} />
          <GroupButton {...props} />
          <RemoveButton
            onRemove={() => onCondition(undefined)}
            words={conditionWords(condition, context, savedOf(plan))}
          />
        </p>
      );
    default:
      return <ClauseRow {...props} clause={condition} />;
  }
}

function ClauseRow(props: PartProps & { clause: Clause }) {
  const { plan, clause, context, trace, zones, onCondition } = props;
  const words = conditionWords(clause, context, savedOf(plan));
  return (
    <details className="py-0.5">
      <summary className="flex cursor-pointer flex-wrap items-center gap-x-2">
        <span className="border-b border-dotted border-quiet font-semibold">{words}</span>
        {trace && <TruthMark trace={trace} currency={context.currency} />}
      </summary>
      <div className="my-1.5 flex flex-wrap items-end gap-3 border-l-2 border-primary pl-3">
        <ClauseFields plan={plan} clause={clause} columns={columnsOf(plan, zones)} onClause={onCondition} />
        <span className="flex gap-1">
          <NotButton {...props} />
          <GroupButton {...props} />
          <SaveButton {...props} />
          <RemoveButton onRemove={() => onCondition(undefined)} words={words} />
        </span>
      </div>
    </details>
  );
}

const NotButton = ({ condition, onCondition }: PartProps) => (
  <button type="button" className="btn btn-ghost btn-xs" onClick={() => onCondition({ kind: "not", of: condition })}>
    Not
  </button>
);

/** A clause becomes a group, so that more can be said beside it. */
const GroupButton = ({ condition, depth, onCondition }: PartProps) => (
  <button
    type="button"
    className="btn btn-ghost btn-xs"
    onClick={() => onCondition({ kind: depth % 2 === 1 ? "any" : "all", of: [condition] })}
  >
    Group
  </button>
);

/** Keeps a condition under its own words, to be used elsewhere too. */
function SaveButton({ plan, condition, context, onCondition }: PartProps) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs"
      onClick={() => {
        const words = conditionWords(condition, context, savedOf(plan));
        const id = freeId(
          words.slice(0, 40),
          (plan.conditions ?? []).map((one) => one.id),
        );
        draftStore.commit({ kind: "condition", id, body: { id, name: words.slice(0, 100), when: condition } });
        onCondition({ kind: "saved", id });
      }}
    >
      <Bookmark size={13} aria-hidden /> Save
    </button>
  );
}

const RemoveButton = ({ onRemove, words }: { onRemove: () => void; words: string }) => (
  <button type="button" className="btn btn-ghost btn-xs btn-square" onClick={onRemove}>
    <Trash2 size={13} aria-hidden />
    <span className="sr-only">Remove {words}</span>
  </button>
);

type AddProps = Pick<Props, "plan" | "context"> & { label: string; onAdd: (condition: Condition) => void };

/** Every kind of clause by its family, each as an example of how it reads. */
function AddClause({ plan, context, label, onAdd }: AddProps) {
  const saved = plan.conditions ?? [];
  const examples = examplesFor(plan);
  return (
    <select
      aria-label="Add a clause"
      className="select select-sm w-52"
      value=""
      onChange={(event) => {
        const [kind, id = ""] = event.target.value.split("/");
        if (kind === "saved") onAdd({ kind, id });
        else {
          const clause = examples.find((one) => one.kind === kind);
          if (clause) onAdd(clause);
        }
      }}
    >
      <option value="" disabled>
        {label}
      </option>
      {saved.length > 0 && (
        <optgroup label="Saved">
          {saved.map(({ id, name }) => (
            <option key={id} value={`saved/${id}`}>
              {name}
            </option>
          ))}
        </optgroup>
      )}
      {Object.entries(FAMILIES).map(([family, name]) => (
        <optgroup key={family} label={name}>
          {[...CONDITION_KINDS.values()]
            .filter((definition) => definition.family === family)
            .map(({ kind }) => {
              const example = examples.find((one) => one.kind === kind);
              return example ? (
                <option key={kind} value={kind}>
                  {conditionWords(example, context, new Map())}
                </option>
              ) : null;
            })}
        </optgroup>
      ))}
    </select>
  );
}

const BASIS = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } as const;

/** What each kind of clause starts as. */
function examplesFor({ locations }: Plan): Clause[] {
  const from = locations?.[0]?.id;
  return [
    { kind: "signed-in" },
    { kind: "named", ids: ["s-1001"] },
    { kind: "group", groups: ["trade"] },
    { kind: "orders", is: "exactly", count: 0 },
    { kind: "not-ordered-for", days: 90 },
    { kind: "account-age", is: "at-most", days: 30 },
    { kind: "total-spent", is: "at-least", amount: { byCurrency: { EUR: "500.00" } } },
    { kind: "business" },
    { kind: "country", countries: ["PT"] },
    { kind: "region", regions: ["PT-30"] },
    { kind: "postcode", country: "PT", patterns: ["9000..9399"] },
    ...(from ? [{ kind: "distance", from, is: "at-most", distance: { value: "10", unit: "km" } } as const] : []),
    { kind: "billing", countries: ["PT"] },
    { kind: "value", basis: BASIS, is: "at-least", amount: { byCurrency: { EUR: "20.00" } } },
    { kind: "items", is: "more-than", count: 8 },
    { kind: "lines", is: "more-than", count: 3 },
    { kind: "weight", is: "at-most", weight: { value: "2", unit: "kg" } },
    { kind: "goods", by: "categories", how: "none", of: ["oversize"] },
    { kind: "trait", trait: "used", how: "none" },
    { kind: "line", how: "any", figure: { kind: "quantity", is: "at-least", count: 10 } },
    { kind: "code", codes: ["INKLOVE"] },
    { kind: "between", from: "2026-11-27T09:00", until: "2026-11-30" },
    { kind: "weekdays", days: [6, 7] },
    { kind: "month-days", days: [1, 15] },
    { kind: "hours", from: "18:00", until: "22:00" },
    { kind: "channel", channels: ["app"] },
    { kind: "currency", currencies: ["EUR"] },
    { kind: "language", languages: ["pt"] },
  ];
}
