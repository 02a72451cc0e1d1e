import ArrowDown from "lucide-react/icons/arrow-down";
import ArrowUp from "lucide-react/icons/arrow-up";
import Trash2 from "lucide-react/icons/trash-2";
import type { ReactNode } from "react";
import { conditional as casesCharge } from "../../../../core/charges/kinds/conditional.ts";
import { chargeWords } from "../../../../core/charges/words.ts";
import { conditionWords } from "../../../../core/conditions/words.ts";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { savedOf } from "../../../../core/plan/plan.ts";
import { byRank } from "../../../../core/schema/atoms.ts";
import { IconButton } from "../../../fields/icon-button.tsx";
import { SelectField } from "../../../fields/select-field.tsx";
import { say } from "../../../language/say.ts";
import { setOptional } from "../../../state/set-optional.ts";
import { ConditionBuilder } from "../../conditions/condition-builder.tsx";
import { firstClause } from "../../conditions/examples.ts";
import { useEditing } from "../../editing.ts";
import type { ChargeFieldsProps, ChargeKindEditor, ChargeOf } from "../charge-kind-editor.ts";

/** A list of cases, each perhaps under a condition. */
export const conditional: ChargeKindEditor<"conditional"> = {
  words: phrase("a list of cases"),
  instead: (former) => ({
    kind: "conditional",
    take: casesCharge.example.take,
    entries: [{ position: 10, charge: former }],
  }),
  Fields: CasesFields,
};

type Case = ChargeOf<"conditional">["entries"][number];

const TAKES = {
  first: phrase("the first that applies"),
  sum: phrase("the sum of all that apply"),
  highest: phrase("the highest"),
  lowest: phrase("the lowest"),
} as const;

const renumbered = (cases: readonly Case[]) => cases.map((one, i) => ({ ...one, position: (i + 1) * 10 }));

/** Cases in their order; moving one shows its effect at once, since everything on screen answers from the plan as it is. */
function CasesFields({ charge, onCharge, inner }: ChargeFieldsProps<"conditional">) {
  const { plan } = useEditing();
  const cases = [...charge.entries].sort(byRank);
  const set = (entries: Case[], done = true) => onCharge({ ...charge, entries }, done);
  const move = (from: number, by: -1 | 1) => {
    const [one, other] = [cases[from], cases[from + by]];
    if (!one || !other) return;
    const swapped = new Map([
      [one, other.position],
      [other, one.position],
    ]);
    set(charge.entries.map((entry) => ({ ...entry, position: swapped.get(entry) ?? entry.position })));
  };
  const last = cases.at(-1);
  return (
    <div className="grid gap-2">
      <SelectField
        label={say("Take")}
        className="w-60"
        value={charge.take}
        choices={TAKES}
        onCommit={(take) => onCharge({ ...charge, take }, true)}
      />
      <ol className="grid gap-2">
        {cases.map((one, i) => (
          <CaseItem
            key={one.position}
            one={one}
            number={i + 1}
            of={cases.length}
            onMove={(by) => move(i, by)}
            onRemove={() => set(cases.filter((_, j) => j !== i))}
            onCase={(next) => set(cases.map((other, j) => (j === i ? next : other)))}
          >
            {inner(one.charge, (next, done) =>
              set(
                cases.map((other, j) => (j === i ? { ...other, charge: next } : other)),
                done,
              ),
            )}
          </CaseItem>
        ))}
      </ol>
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        disabled={!last}
        onClick={() =>
          last && set(renumbered([{ position: 0, when: firstClause(plan), charge: last.charge }, ...cases]))
        }
      >
        {say("Add a case in front")}
      </button>
    </div>
  );
}

type CaseProps = {
  one: Case;
  number: number;
  of: number;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
  onCase: (next: Case) => void;
  /** The editor of its charge. */
  children: ReactNode;
};

function CaseItem({ one, number, of, onMove, onRemove, onCase, children }: CaseProps) {
  const { plan, context } = useEditing();
  const saved = savedOf(plan);
  return (
    <li className="border border-base-300 bg-base-100 p-3">
      <div className="flex items-start gap-2">
        <p className="min-w-0 flex-1">
          {one.when ? say("If {condition}", { condition: conditionWords(one.when, context, saved) }) : say("Otherwise")}
          : <strong>{say(chargeWords(one.charge, context, saved))}</strong>
        </p>
        <IconButton words={say("Move case {number} up", { number })} disabled={number === 1} onClick={() => onMove(-1)}>
          <ArrowUp size={14} aria-hidden />
        </IconButton>
        <IconButton
          words={say("Move case {number} down", { number })}
          disabled={number === of}
          onClick={() => onMove(1)}
        >
          <ArrowDown size={14} aria-hidden />
        </IconButton>
        <IconButton words={say("Remove case {number}", { number })} disabled={of === 1} onClick={onRemove}>
          <Trash2 size={14} aria-hidden />
        </IconButton>
      </div>
      <details className="mt-1 text-[13px]">
        <summary className="cursor-pointer text-quiet">{say("Change case {number}", { number })}</summary>
        <div className="mt-2 grid gap-3">
          <ConditionBuilder
            condition={one.when}
            lead={say("It is for")}
            onCondition={(when) => onCase(setOptional(one, "when", when))}
          />
          {children}
        </div>
      </details>
    </li>
  );
}
