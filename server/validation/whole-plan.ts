import { kindIn, planLists, STORE_ID } from "../../core/plan/entities.ts";
import { FORMAT, type Plan } from "../../core/plan/plan.ts";
import { planProblems } from "../../core/plan/problems/plan-problems.ts";
import { brokenRules } from "../../core/plan/problems/rules.ts";
import type { Problem } from "../../core/schema/problem.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { checkEntity, checkPlan } from "../../core/validation/documents.ts";

/**
 * Checks a plan file as a whole: its form, and its references wherever the form is right, so that one reading tells
 * everything that has to be mended.
 *
 * @example checkWholePlan(JSON.parse(text)) // { value: plan } or { problems: [{ path: "/offers/2/when", … }, …] }
 */
export function checkWholePlan(data: unknown): Checked<Plan> {
  const checked = checkPlan(data);
  if ("value" in checked) {
    const problems = [...planProblems(checked.value), ...brokenRules(checked.value)];
    return problems.length > 0 ? { problems } : checked;
  }
  return { problems: [...checked.problems, ...referenceProblems(data)] };
}

/** Problems between those parts of a plan whose form is right. */
function referenceProblems(data: unknown): Problem[] {
  if (typeof data !== "object" || data === null) return [];
  const store = checkEntity.store(Reflect.get(data, STORE_ID));
  if ("problems" in store) return [];
  const places = new Map<string, number[]>();
  const left = new Set<string>();
  const sound: Record<string, unknown> = { format: FORMAT, store: store.value };
  for (const [list, kind] of planLists()) {
    const entries: unknown = Reflect.get(data, list);
    const kept: unknown[] = [];
    const indices: number[] = [];
    for (const [index, entry] of (Array.isArray(entries) ? entries : []).entries()) {
      const id: unknown = typeof entry === "object" && entry !== null ? Reflect.get(entry, "id") : undefined;
      if ("value" in checkEntity[kind](entry)) {
        kept.push(entry);
        indices.push(index);
      } else if (typeof id === "string") left.add(id);
    }
    sound[list] = kept;
    places.set(list, indices);
  }
  const partial = checkPlan(sound);
  if ("problems" in partial) return [];
  // What names a part whose own form is wrong would be mended with it.
  return planProblems(partial.value, left).map(({ path, message }) => {
    const [, list = "", index = "", rest = ""] = /^\/(\w+)\/(\d+)(.*)$/.exec(path) ?? [];
    const original = kindIn(list) ? places.get(list)?.[Number(index)] : undefined;
    return { path: original === undefined ? path : `/${list}/${original}${rest}`, message };
  });
}
