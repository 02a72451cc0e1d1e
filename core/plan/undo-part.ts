import equal from "fast-deep-equal";
import { isRecord } from "../schema/is-record.ts";
import { partsOf } from "./parts-of.ts";

/**
 * Takes one change of a thing back: that part as it was before, everything else as it is now.
 *
 * @param path of the part, as lines of changes name it
 * @returns the thing without that change; undefined where the part has been changed again since
 * @example undonePart({ a: 2, b: 9 }, { a: 1, b: 3 }, { a: 2, b: 3 }, ["a"]) // { whole: { a: 1, b: 9 } }
 */
export function undonePart(
  now: unknown,
  before: unknown,
  after: unknown,
  path: readonly string[],
): { readonly whole: unknown } | undefined {
  const whole = wholePath(before, after, path);
  const isAsItWasMade = equal(partAt(now, whole), partAt(after, whole));
  return isAsItWasMade ? { whole: withPart(now, whole, partAt(before, whole), before) } : undefined;
}

/**
 * The path of what goes back together: what has become of another kind, and a part of a list that came or went, since half of it
 * would be none; a whole list where its parts are known by their places alone, and it has become longer or shorter.
 */
function wholePath(before: unknown, after: unknown, path: readonly string[]): readonly string[] {
  for (const [i, key] of path.entries()) {
    const around = path.slice(0, i);
    const sides = [partAt(before, around), partAt(after, around)];
    const [kindBefore, kindAfter] = sides.map(kindOf);
    if (kindBefore !== undefined && kindAfter !== undefined && kindBefore !== kindAfter) return around;
    if (!sides.some(Array.isArray)) continue;
    const [was, is] = sides.map(partsOf);
    if (/^#\d+$/.test(key) && was?.size !== is?.size) return around;
    if (was?.has(key) !== is?.has(key)) return path.slice(0, i + 1);
  }
  return path;
}

const kindOf = (value: unknown): unknown => (isRecord(value) ? value.kind : undefined);

function partAt(whole: unknown, path: readonly string[]): unknown {
  return path.reduce<unknown>((value, key) => partsOf(value)?.get(key), whole);
}

/** @param model where what is not there any more takes its shape and its place from */
function withPart(whole: unknown, path: readonly string[], part: unknown, model: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return part;
  const parts = partsOf(whole) ?? new Map<string, unknown>();
  const was = partsOf(model)?.get(key);
  const made = withPart(parts.get(key), rest, part, was);
  // What only came with the change goes with the last of its parts.
  const inner = was === undefined && partsOf(made)?.size === 0 ? undefined : made;
  const isList = Array.isArray(whole ?? model);
  return isList ? listWith(parts, key, inner, partsOf(model)) : recordWith(whole, key, inner);
}

function recordWith(whole: unknown, key: string, part: unknown): object {
  const { [key]: _, ...others } = isRecord(whole) ? whole : {};
  // Where it stood: keys that keep their places read as the same text.
  const there = isRecord(whole) ? Object.keys(whole) : [];
  if (part === undefined) return others;
  if (!there.includes(key)) return { ...others, [key]: part };
  return Object.fromEntries(there.map((one) => [one, one === key ? part : others[one]]));
}

/** What comes back to a list stands behind whatever stood before it there. */
function listWith(
  parts: ReadonlyMap<string, unknown>,
  key: string,
  part: unknown,
  model: ReadonlyMap<string, unknown> | null,
): unknown[] {
  const listed = [...parts].filter(([one]) => one !== key);
  if (part === undefined) return listed.map(([, value]) => value);
  const keys = [...parts.keys()];
  if (parts.has(key)) listed.splice(keys.indexOf(key), 0, [key, part]);
  else {
    const before = new Set([...(model?.keys() ?? [])].slice(0, [...(model?.keys() ?? [])].indexOf(key)));
    const at = listed.findLastIndex(([one]) => before.has(one)) + 1;
    listed.splice(at, 0, [key, part]);
  }
  return listed.map(([, value]) => value);
}
