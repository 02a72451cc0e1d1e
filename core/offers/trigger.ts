import { byKind } from "../schema/atoms.ts";
import { definitionOf, registry } from "../schema/kinds.ts";
import type { Static } from "../schema/type.ts";
import type { Goal } from "./goal.ts";
import type { RegisteredTrigger } from "./trigger-definition.ts";
import { code } from "./triggers/code.ts";
import { goal } from "./triggers/goal.ts";
import { goalAndCode } from "./triggers/goal-and-code.ts";
import { goalOrCode } from "./triggers/goal-or-code.ts";
import { nothing } from "./triggers/nothing.ts";

/** Every kind of trigger. A new kind is a file of its own and its name in this list. */
const KINDS = [goal, code, goalOrCode, goalAndCode, nothing] as const;

/** What earns a step. */
export const Trigger = byKind(
  KINDS.map(({ schema }) => schema),
  "Trigger",
);
export type Trigger = Static<(typeof KINDS)[number]["schema"]>;

export const TRIGGER_KINDS: ReadonlyMap<string, RegisteredTrigger> = registry<RegisteredTrigger>(KINDS);

/** @throws RangeError for a kind that is not there, which the schema refuses before */
export const triggerKind = (trigger: Trigger): RegisteredTrigger => definitionOf(TRIGGER_KINDS, trigger, "trigger");

/** @example goalOf({ kind: "nothing" }) // null */
export const goalOf = (trigger: Trigger): Goal | null => triggerKind(trigger).goal(trigger);
export const codesOf = (trigger: Trigger): readonly string[] => triggerKind(trigger).codes(trigger);
