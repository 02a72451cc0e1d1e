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
import type { Clause } from "./clause-editor.ts";
import { ClauseFields } from "./clause-fields.tsx";
import { examplesFor } from "./examples.ts";
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
        draftStore.asOneStep(() => {
          draftStore.commit({ kind: "condition", id, body: { id, name: words.slice(0, 100), when: condition } });
          onCondition({ kind: "saved", id });
        });
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
