import type { Pool, RowDataPacket } from "mysql2/promise";
import type { Calendars } from "../../core/places/location.ts";
import { planOf } from "../../core/plan/entities.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { Problem } from "../../core/schema/problem.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import { readDraft } from "./read-draft.ts";

/** The draft made ready to answer. `state`: the same as long as nobody has written to it. */
export type CompiledDraft = {
  readonly state: string;
  readonly sequence: number;
  readonly plan: Plan;
  readonly calendars: Calendars;
  readonly compiled: CompiledPlan;
};

interface StateRow extends RowDataPacket {
  state: string;
}

let known: CompiledDraft | undefined;

/** The draft as it is saved, compiled once for all who ask; or what is wrong with it. */
export async function compiledDraft(pool: Pool): Promise<CompiledDraft | { readonly problems: Problem[] }> {
  // Sequences begin anew where a store does.
  const [[row]] = await pool.query<StateRow[]>(
    "SELECT CONCAT(sequence, ' ', COALESCE((SELECT MAX(made_at) FROM change_sets), '')) AS state FROM draft_head WHERE id = 1",
  );
  if (row && row.state === known?.state) return known;
  const { sequence, entities, calendars } = await readDraft(pool);
  const plan = planOf(entities);
  const result = plan ? compile(plan, calendars) : { problems: [] };
  if (!plan || "problems" in result) return { problems: "problems" in result ? result.problems : [] };
  const made = { sequence, plan, calendars, compiled: result.compiled };
  known = { state: row?.state ?? "", ...made };
  return known;
}
