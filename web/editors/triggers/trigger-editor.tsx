import { createElement } from "react";
import type { Goal } from "../../../core/offers/goal.ts";
import { goalOf, type Trigger } from "../../../core/offers/trigger.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { code } from "./kinds/code-editor.tsx";
import { goalAndCode } from "./kinds/goal-and-code-editor.tsx";
import { goal } from "./kinds/goal-editor.tsx";
import { goalOrCode } from "./kinds/goal-or-code-editor.tsx";
import { nothing } from "./kinds/nothing-editor.ts";
import type { TriggerFieldsProps, TriggerKindEditor, TriggerOf } from "./trigger-kind-editor.ts";

type Kind = Trigger["kind"];

/** The editor of each kind of trigger, in the order in which they are offered: a kind without one does not compile. */
const EDITORS: { readonly [One in Kind]: TriggerKindEditor<One> } = {
  goal,
  code,
  "goal-or-code": goalOrCode,
  "goal-and-code": goalAndCode,
  nothing,
};

const WORDS = Object.fromEntries(Object.entries(EDITORS).map(([kind, { words }]) => [kind, words]));

type Props = {
  trigger: Trigger;
  /** A goal for a trigger that has had none. */
  firstGoal: () => Goal;
  onTrigger: (trigger: Trigger) => void;
};

/** What earns a step. Its spend goal stands in the goal grid. */
export const TriggerEditor = ({ trigger, firstGoal, onTrigger }: Props) => (
  <div className="mt-1 flex flex-wrap items-end gap-3">
    <SelectField<Kind>
      label={say("Earned by")}
      value={trigger.kind}
      choices={WORDS}
      onCommit={(kind) => onTrigger(EDITORS[kind].instead(trigger, goalOf(trigger) ?? firstGoal()))}
    />
    <TriggerFields trigger={trigger} onTrigger={onTrigger} />
  </div>
);

function TriggerFields<One extends Kind>(props: TriggerFieldsProps<TriggerOf<One>>) {
  const kind: One = props.trigger.kind;
  const { Fields } = EDITORS[kind];
  return Fields ? createElement<TriggerFieldsProps<TriggerOf<One>>>(Fields, props) : null;
}
