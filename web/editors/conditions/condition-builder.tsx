import Bookmark from "lucide-react/icons/bookmark";
import Trash2 from "lucide-react/icons/trash-2";
import { Link } from "wouter";
import type { Trace } from "../../../core/conditions/compile.ts";
import type { Condition } from "../../../core/conditions/condition.ts";
import type { Family } from "../../../core/conditions/definition.ts";
import { CONDITION_KINDS } from "../../../core/conditions/registry.ts";
import { conditionWords } from "../../../core/conditions/words.ts";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import { savedOf } from "../../../core/plan/plan.ts";
import { freeId } from "../../../core/schema/positions.ts";
import { AddSelect } from "../../fields/add-select.tsx";
import { IconButton } from "../../fields/icon-button.tsx";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { draftStore } from "../../state/use-draft.ts";
import { useEditing } from "../editing.ts";
import type { Clause } from "./clause-editor.ts";
import { ClauseFields } from "./clause-fields.tsx";
import { examplesFor } from "./examples.ts";
import { TruthMark } from "./truth-mark.tsx";

type Props = {
  condition: Condition | undefined;
  onCondition: (condition: Condition | undefined) => void;
  /** How the sentence begins. */
  lead: string;
};

const FAMILIES: Readonly<Record<Family, Phrase>> = {
  shopper: phrase("About the shopper"),
  place: phrase("About the place"),
  cart: phrase("About the cart"),
  moment: phrase("About the moment"),
};

/** A condition as a sentence whose clauses are changed in place; each says how it stands for the current shopper. */
export function ConditionBuilder({ condition, lead, onCondition }: Props) {
  const { explain } = useEditing();
  if (!condition) {
    return (
      <p className="flex flex-wrap items-center gap-2">
        {lead} <strong>{say("all carts and shoppers")}</strong>.
        <AddClause label={say("Only where…")} onAdd={onCondition} />
      </p>
    );
  }
  const trace = explain(condition);
  return (
    <div>
      <p className="mb-1 flex items-center gap-2">
        {say("{lead} carts where", { lead })}
        {(condition.kind === "all" || condition.kind === "any") && <Truth trace={trace} />}
      </p>
      <Part condition={condition} trace={trace} depth={0} onCondition={onCondition} />
      {condition.kind !== "all" && condition.kind !== "any" && (
        <AddClause label={say("And…")} onAdd={(added) => onCondition({ kind: "all", of: [condition, added] })} />
      )}
    </div>
  );
}

type PartProps = Omit<Props, "lead" | "condition"> & { condition: Condition; trace: Trace | null; depth: number };

function Part(props: PartProps) {
  const { condition, trace, onCondition, depth } = props;
  switch (condition.kind) {
    case "all":
    case "any":
      return <GroupPart {...props} condition={condition} />;
    case "not":
      return (
        <div className="border-l-2 border-warning pl-3">
          <p className="flex items-center gap-2">
            <strong>{say("it is not so that")}</strong>
            <Truth trace={trace} />
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => onCondition(condition.of)}>
              {say("Turn round")}
            </button>
          </p>
          <Part
            depth={depth + 1}
            condition={condition.of}
            trace={trace?.of?.[0] ?? null}
            onCondition={(next) => onCondition(next && { kind: "not", of: next })}
          />
        </div>
      );
    case "saved":
      return <SavedPart {...props} condition={condition} />;
    default:
      return <ClauseRow {...props} clause={condition} />;
  }
}

type OfKind<Kind extends Condition["kind"]> = PartProps & { condition: Extract<Condition, { kind: Kind }> };

function GroupPart(props: OfKind<"all" | "any">) {
  const { condition, trace, onCondition, depth } = props;
  return (
    <div className={depth > 0 ? "border-l-2 border-base-300 pl-3" : ""}>
      <p className="flex flex-wrap items-center gap-2">
        <SelectField
          label={say("How the clauses go together")}
          hideLabel
          value={condition.kind}
          choices={{ all: say("all"), any: say("any") }}
          onCommit={(kind) => onCondition({ kind, of: condition.of })}
        />
        {say("of these hold")}
        {depth > 0 && <Truth trace={trace} />}
        <SaveButton {...props} />
        <RemoveButton onRemove={() => onCondition(undefined)} words={say("this group")} />
      </p>
      <ul className="mt-1 grid gap-1">
        {condition.of.map((part, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: clauses have no identity but their place
          <li key={i}>
            <Part
              depth={depth + 1}
              condition={part}
              trace={trace?.of?.[i] ?? null}
              onCondition={(next) => {
                const of = condition.of.flatMap((other, j) => (j === i ? (next ? [next] : []) : [other]));
                onCondition(of.length === 0 ? undefined : { ...condition, of });
              }}
            />
          </li>
        ))}
      </ul>
      <AddClause label={say("And…")} onAdd={(added) => onCondition({ ...condition, of: [...condition.of, added] })} />
    </div>
  );
}

function SavedPart(props: OfKind<"saved">) {
  const { condition, trace, onCondition } = props;
  const { plan } = useEditing();
  const words = useWords(condition);
  return (
    <p className="flex flex-wrap items-center gap-2 py-0.5">
      <SelectField
        label={say("The saved condition")}
        look="word"
        className="text-[14px] font-semibold"
        value={condition.id}
        choices={{ [condition.id]: words, ...choicesOf(plan.conditions ?? [], ({ name }) => name) }}
        onCommit={(id) => onCondition({ ...condition, id })}
      />
      <Link className="link text-[13px]" href={`/offers#condition/${condition.id}`}>
        {say("saved")}
        <span className="sr-only">: {words}</span>
      </Link>
      <Truth trace={trace} />
      <NotButton {...props} />
      <GroupButton {...props} />
      <RemoveButton onRemove={() => onCondition(undefined)} words={words} />
    </p>
  );
}

/** How a part stands for the current shopper, where that can be told. */
function Truth({ trace }: { trace: Trace | null }) {
  const { context } = useEditing();
  return trace && <TruthMark trace={trace} currency={context.currency} />;
}

/** A condition as it reads in the market and currency it is edited in. */
function useWords(condition: Condition): string {
  const { plan, context } = useEditing();
  return say(conditionWords(condition, context, savedOf(plan)));
}

function ClauseRow(props: PartProps & { clause: Clause }) {
  const { clause, trace, onCondition } = props;
  const { plan } = useEditing();
  const words = useWords(clause);
  return (
    <details className="py-0.5">
      <summary className="flex cursor-pointer flex-wrap items-center gap-x-2">
        <span className="border-b border-dotted border-quiet font-semibold">{words}</span>
        <Truth trace={trace} />
      </summary>
      <div className="my-1.5 flex flex-wrap items-end gap-3 border-l-2 border-primary pl-3">
        <ClauseFields plan={plan} clause={clause} onClause={onCondition} />
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
    {say("Not")}
  </button>
);

/** A clause becomes a group, so that more can be said beside it. */
const GroupButton = ({ condition, depth, onCondition }: PartProps) => (
  <button
    type="button"
    className="btn btn-ghost btn-xs"
    onClick={() => onCondition({ kind: depth % 2 === 1 ? "any" : "all", of: [condition] })}
  >
    {say("Group")}
  </button>
);

/** Keeps a condition under its own words, to be used elsewhere too. */
function SaveButton({ condition, onCondition }: PartProps) {
  const { plan } = useEditing();
  const words = useWords(condition);
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs"
      onClick={() => {
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
      <Bookmark size={13} aria-hidden /> {say("Save")}
    </button>
  );
}

const RemoveButton = ({ onRemove, words }: { onRemove: () => void; words: string }) => (
  <IconButton words={say("Remove {words}", { words })} onClick={onRemove}>
    <Trash2 size={13} aria-hidden />
  </IconButton>
);

type AddProps = { label: string; onAdd: (condition: Condition) => void };

/** Every kind of clause by its family, each as an example of how it reads. */
function AddClause({ label, onAdd }: AddProps) {
  const { plan, context } = useEditing();
  const examples = examplesFor(plan);
  const saved = (plan.conditions ?? []).map(({ id, name }) => ({ value: `saved/${id}`, words: name }));
  const kindsOf = (family: string) =>
    [...CONDITION_KINDS.values()]
      .filter((definition) => definition.family === family)
      .flatMap(({ kind }) => examples.filter((one) => one.kind === kind))
      .map((example) => ({ value: example.kind, words: say(conditionWords(example, context, new Map())) }));
  return (
    <AddSelect
      label={say("Add a clause")}
      shown={label}
      className="w-52"
      choices={[]}
      groups={[
        { name: say("Saved conditions"), choices: saved },
        ...Object.entries(FAMILIES).map(([family, name]) => ({ name: say(name), choices: kindsOf(family) })),
      ]}
      onAdd={(value) => {
        const [kind, id = ""] = value.split("/");
        const clause = examples.find((one) => one.kind === kind);
        if (kind === "saved") onAdd({ kind, id });
        else if (clause) onAdd(clause);
      }}
    />
  );
}
