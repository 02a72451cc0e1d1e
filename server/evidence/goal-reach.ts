import type { Pool } from "mysql2/promise";
import type { GoalReach } from "../../core/checks/check.ts";
import { goalsOfPlan } from "../../core/evidence/goals-of-plan.ts";
import { countsOfLines } from "../../core/evidence/order-facts.ts";
import { reachOf } from "../../core/evidence/reach.ts";
import { planOf } from "../../core/plan/entities.ts";
import { compile } from "../../core/tariff/compile.ts";
import { soldIn } from "../catalogue/sold.ts";
import { readDraft } from "../draft/read-draft.ts";
import { hasOrders } from "../orders/read-orders.ts";
import { readSpread, rolledUpNow } from "./spread.ts";

/** How long what was counted is good for, in milliseconds, while the draft is the same. */
const FRESH = 60_000;
let known: { readonly sequence: number; readonly at: number; readonly reach: readonly GoalReach[] } | undefined;

/**
 * How past orders could get to each goal of the draft, as far as orders are rolled up the way it counts: nobody waits for that here.
 */
export async function goalReach(pool: Pool): Promise<readonly GoalReach[]> {
  if (!(await hasOrders(pool))) return [];
  const { sequence, entities, calendars } = await readDraft(pool);
  if (known?.sequence === sequence && performance.now() - known.at < FRESH) return known.reach;
  const plan = planOf(entities);
  const result = plan && compile(plan, calendars);
  if (!plan || !result || "problems" in result) return [];
  const reach: GoalReach[] = [];
  for (const { offer, step, market, currency, goal, counting } of goalsOfPlan(plan)) {
    const id = await rolledUpNow(pool, counting);
    if (id === null) continue;
    const { spread } = await readSpread(pool, id, { currency, market });
    const { lines } = await soldIn(pool, currency);
    const adds = countsOfLines(result.compiled, counting, { market, currency }, lines);
    reach.push({ offer, step, market, currency, ...reachOf(spread, goal, adds) });
  }
  known = { sequence, at: performance.now(), reach };
  return reach;
}
