import type { Condition } from "../../../core/conditions/condition.ts";
import type { Plan } from "../../../core/plan/plan.ts";

/** A condition that asks about a fact. */
export type Clause = Exclude<Condition, { kind: "all" | "any" | "not" | "saved" }>;

export type ClauseOf<Kind extends Clause["kind"]> = Extract<Clause, { kind: Kind }>;

/** What the editor of a clause is given. */
export type ClauseEditorProps<One extends Clause> = {
  plan: Plan;
  clause: One;
  onClause: (clause: Clause) => void;
};
