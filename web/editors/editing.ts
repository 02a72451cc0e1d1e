import { createContext, use } from "react";
import type { Trace } from "../../core/conditions/compile.ts";
import type { Condition } from "../../core/conditions/condition.ts";
import type { AmountContext } from "../../core/money/amount.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { type Column, columnsOf } from "./amounts/columns.ts";

/** What every editor of a part of the plan has to know of the whole. */
export type Editing = {
  readonly plan: Plan;
  /** The market and currency that it is put into words in. */
  readonly context: AmountContext;
  /** The zones its amounts are for. */
  readonly zones: readonly string[];
  /** The markets and currencies of these. */
  readonly columns: readonly Column[];
  /** How a condition stands for the current shopper; null where that cannot be told. */
  readonly explain: (condition: Condition) => Trace | null;
};

export const EditingContext = createContext<Editing | null>(null);

/** @example editingIn({ plan, context, zones: offer.zones, explain }) */
export const editingIn = (known: Omit<Editing, "columns">): Editing => ({
  ...known,
  columns: columnsOf(known.plan, known.zones),
});

/** @throws Error outside of what gives it */
export function useEditing(): Editing {
  const editing = use(EditingContext);
  if (!editing) throw new Error("nothing here says what is edited");
  return editing;
}
