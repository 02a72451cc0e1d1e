import type { PhraseValue } from "../phrases/phrase.ts";
import { type KindSchema, ownKind } from "../schema/kinds.ts";
import type { Static } from "../schema/type.ts";
import type { Truth } from "../situation/truth.ts";
import type { Goal } from "./goal.ts";

/** A trigger of any kind, told apart by `kind`. */
export type AnyTrigger = { readonly kind: string };

/** What is looked at, when it is asked for: asking tells how long the answer stands. */
export type TriggerLook<Step, Now> = {
  readonly goalMet: (step: Step, now: Now) => Truth;
  readonly codeEntered: (step: Step, now: Now) => boolean;
};

/** Whether a step is earned. It is asked for every option of every cart, so that nothing is made anew for it. */
type Met = <Step, Now>(look: TriggerLook<Step, Now>, step: Step, now: Now) => Truth;

/** How far a code goes: it is no matter, it is needed, or it stands for the goal. */
export type CodeRole = "none" | "needed" | "stands-for-goal";

/** One kind of trigger: what earns a step. */
export type TriggerDefinition<Schema extends KindSchema> = {
  readonly kind: Static<Schema>["kind"];
  readonly schema: Schema;
  readonly example: Static<Schema>;
  readonly goal: (trigger: Static<Schema>) => Goal | null;
  readonly codes: (trigger: Static<Schema>) => readonly string[];
  readonly codeRole: CodeRole;
  readonly met: Met;
  /** What its sentence ends in, after the goal: " or with code INKLOVE". @param codes in words */
  readonly tail: (codes: PhraseValue) => PhraseValue;
};

export type RegisteredTrigger<Schema extends KindSchema = KindSchema> = {
  readonly kind: Static<Schema>["kind"];
  readonly schema: Schema;
  readonly example: Static<Schema>;
  readonly goal: (trigger: AnyTrigger) => Goal | null;
  readonly codes: (trigger: AnyTrigger) => readonly string[];
  readonly codeRole: CodeRole;
  readonly met: Met;
  readonly tail: (codes: PhraseValue) => PhraseValue;
};

/**
 * Makes a kind of trigger ready for the registry.
 *
 * @example defineTrigger({ kind: "nothing", schema, example, goal: () => null, codes: () => [], codeRole: "none", met: () => true, tail })
 */
export function defineTrigger<Schema extends KindSchema>(
  definition: TriggerDefinition<Schema>,
): RegisteredTrigger<Schema> {
  const own = ownKind<Schema>(definition.kind, "trigger");
  return {
    ...definition,
    goal: (trigger) => definition.goal(own(trigger)),
    codes: (trigger) => definition.codes(own(trigger)),
  };
}
