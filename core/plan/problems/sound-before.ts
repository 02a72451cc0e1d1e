import type { Problem } from "../../schema/problem.ts";
import { entitiesOf, planPath } from "../entities.ts";
import type { Plan } from "../plan.ts";
import { MOST_READABLE, nestingProblem } from "./nesting.ts";

/** Things that nothing was wrong with, while all that they may refer to was as `around` has it. */
type Sound = { readonly around: readonly unknown[]; readonly things: WeakSet<object> };

// An edit changes one thing of a plan that may have thousands: the others are not gone through again.
let last: Sound = { around: [], things: new WeakSet() };
const readable = new WeakSet<object>();

/**
 * Looks a thing over unless it was found sound in this plan, or in one before that had the same things to refer to.
 *
 * @returns a function from a thing and what is wrong with it to just that, nothing where it is known
 */
export function unlessSoundBefore(plan: Plan): (thing: object, look: () => Problem[]) => Problem[] {
  const around = aroundOf(plan);
  if (around.length !== last.around.length || around.some((one, i) => one !== last.around[i]))
    last = { around, things: new WeakSet() };
  const { things } = last;
  return (thing, look) => {
    if (things.has(thing)) return [];
    const problems = look();
    if (problems.length === 0) things.add(thing);
    return problems;
  };
}

/** Whatever things of a plan can depend on besides themselves: what there is by its id, and where money is asked for. */
function aroundOf({ markets, rates, zones, ...lists }: Plan): unknown[] {
  const ids = [lists.options, lists.offers, lists.locations ?? [], lists.conditions ?? []].flatMap((list) => [
    list.length,
    ...list.map(({ id }) => id),
  ]);
  return [...markets, ...(rates ?? []), ...zones.flatMap(({ id, market }) => [id, market]), ...ids];
}

/** The first thing of a plan that lies too deep to be read. */
export function unreadable(plan: Plan): Problem | undefined {
  for (const entity of entitiesOf(plan)) {
    if (readable.has(entity.body)) continue;
    const nested = nestingProblem(entity.body, MOST_READABLE);
    if (nested) return { ...nested, path: `${planPath(plan, entity)}${nested.path}` };
    readable.add(entity.body);
  }
  return undefined;
}
