import { group } from "d3-array";
import type { Pool } from "mysql2/promise";
import type { GoalReach } from "../../core/checks/check.ts";
import { goalsOfPlan } from "../../core/evidence/goals-of-plan.ts";
import { countingKey, countsOfLines } from "../../core/evidence/order-facts.ts";
import { reachOf } from "../../core/evidence/reach.ts";
import { soldIn } from "../catalogue/sold.ts";
import { type CompiledDraft, compiledDraft } from "../draft/compiled-draft.ts";
import { hasOrders } from "../orders/read-orders.ts";
import { readSpread } from "./read-spread.ts";
import { rolledUpNow } from "./roll-up.ts";

/** How long what was counted is good for, in milliseconds, while the draft is the same. */
const FRESH = 60_000;
let known: { readonly state: string; readonly at: number; readonly reach: readonly GoalReach[] } | undefined;

/**
 * How past orders could get to each goal of the draft, as far as orders are rolled up the way it counts: nobody waits for that here.
 */
export async function goalReach(pool: Pool): Promise<readonly GoalReach[]> {
  if (!(await hasOrders(pool))) return [];
  const draft = await compiledDraft(pool);
  if ("problems" in draft) return [];
  if (known?.state === draft.state && performance.now() - known.at < FRESH) return known.reach;
  const reach = await reachIn(pool, draft);
  known = { state: draft.state, at: performance.now(), reach };
  return reach;
}

async function reachIn(pool: Pool, { plan, compiled }: CompiledDraft): Promise<GoalReach[]> {
  const reach: GoalReach[] = [];
  for (const goals of group(goalsOfPlan(plan), keyOf).values()) {
    const [first] = goals;
    const id = first && (await rolledUpNow(pool, first.counting));
    if (!first || id === null || id === undefined) continue;
    const { market, currency, counting } = first;
    const { spread } = await readSpread(pool, id, { currency, market });
    const { lines } = await soldIn(pool, currency);
    const adds = countsOfLines(compiled, counting, { market, currency }, lines);
    for (const { offer, step, goal } of goals)
      reach.push({ offer, step, market, currency, ...reachOf(spread, goal, adds) });
  }
  return reach;
}

/** Goals that are about the same orders, counted alike. */
const keyOf = ({ market, currency, counting }: ReturnType<typeof goalsOfPlan>[number]): string =>
  `${market} ${currency} ${countingKey(counting)}`;
