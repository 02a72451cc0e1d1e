import { type Condition, type SavedConditions, shapeOf } from "./condition.ts";

/** A condition within another, and where, as a JSON pointer. */
export type ConditionPart = { readonly condition: Condition; readonly path: string; readonly depth: number };

/** A condition's parts, none deeper than the next. */
function partsOf(condition: Condition, path = ""): { condition: Condition; path: string }[] {
  const shape = shapeOf(condition);
  if (shape.role === "negation") return [{ condition: shape.part, path: `${path}/of` }];
  if (shape.role !== "every" && shape.role !== "some") return [];
  return shape.parts.map((part, i) => ({ condition: part, path: `${path}/of/${i}` }));
}

/**
 * A condition and everything in it, outer ones first. Nothing here calls itself, so that no depth is too much for it.
 *
 * @example [...visitCondition({ kind: "not", of: { kind: "signed-in" } }, "/when")] // at /when, and at /when/of
 */
export function* visitCondition(condition: Condition, path = ""): Generator<ConditionPart> {
  const open: ConditionPart[] = [{ condition, path, depth: 1 }];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    yield next;
    const { depth } = next;
    for (const part of partsOf(next.condition, next.path).reverse()) open.push({ ...part, depth: depth + 1 });
  }
}

/** The same with the saved conditions that are named, each once; of those it has no path. */
export function* visitFollowing(condition: Condition, saved: SavedConditions): Generator<Condition> {
  const seen = new Set<string>();
  const open = [condition];
  for (let one = open.pop(); one !== undefined; one = open.pop()) {
    for (const { condition: part } of visitCondition(one)) {
      const shape = shapeOf(part);
      yield part;
      if (shape.role !== "reference" || seen.has(shape.id)) continue;
      seen.add(shape.id);
      const found = saved.get(shape.id);
      if (found) open.push(found.when);
    }
  }
}

/** The saved conditions that a condition names itself. */
export function savedNamed(condition: Condition): Set<string> {
  const names = new Set<string>();
  for (const part of visitCondition(condition)) {
    const shape = shapeOf(part.condition);
    if (shape.role === "reference") names.add(shape.id);
  }
  return names;
}

/** How deep a condition goes with the saved ones it names, one that leads back to itself counted once. */
export function conditionDepth(condition: Condition, saved: SavedConditions): number {
  const known = new Map<string, number>();
  const depthOf = (start: Condition): number => {
    let deepest = 0;
    for (const { condition: part, depth } of visitCondition(start)) {
      const shape = shapeOf(part);
      deepest = Math.max(deepest, depth + (shape.role === "reference" ? savedDepth(shape.id) : 0));
    }
    return deepest;
  };
  const savedDepth = (id: string): number => {
    const before = known.get(id);
    const found = saved.get(id);
    if (before !== undefined || !found) return before ?? 0;
    known.set(id, 0);
    const depth = depthOf(found.when);
    known.set(id, depth);
    return depth;
  };
  return depthOf(condition);
}
