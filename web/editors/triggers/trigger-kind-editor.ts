import type { FunctionComponent } from "react";
import type { Goal } from "../../../core/offers/goal.ts";
import type { Trigger } from "../../../core/offers/trigger.ts";
import type { Phrase } from "../../../core/phrases/phrase.ts";

export type TriggerOf<Kind extends Trigger["kind"]> = Extract<Trigger, { kind: Kind }>;

export type TriggerFieldsProps<One extends Trigger> = { trigger: One; onTrigger: (trigger: One) => void };

/** How one kind of trigger is edited. */
export type TriggerKindEditor<Kind extends Trigger["kind"]> = {
  readonly words: Phrase;
  /** A trigger of this kind in the place of another: it keeps what it can. @param goal the former's, or one to begin with */
  readonly instead: (former: Trigger, goal: Goal) => TriggerOf<Kind>;
  readonly Fields?: FunctionComponent<TriggerFieldsProps<TriggerOf<Kind>>>;
};
