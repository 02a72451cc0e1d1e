import { phrase } from "../../phrases/phrase.ts";
import { type Problem, pointer } from "../../schema/problem.ts";

/** How deep conditions and charges may lie in each other, saved conditions followed. */
export const MOST_NESTED = 20;
/** Deeper than this a plan cannot be read at all; what was made before the limit above is no deeper. */
export const MOST_READABLE = 64;

/** Keys under which a condition or a charge holds others. */
const HOLDS: ReadonlySet<string> = new Set(["of", "charge", "fallback"]);

/**
 * Whether parts lie too deep in each other, told of any data before anything else looks at it: nothing here calls itself, so that no
 * depth is too much for it.
 *
 * @returns the first part that lies deeper than `most`
 */
export function nestingProblem(data: unknown, most: number): Problem | undefined {
  // Almost no data holds so many parts at all, let alone in each other.
  if (!holdsMoreThan(data, most)) return undefined;
  // Places are kept only once one is wanted: plans hold many parts, and none too deep.
  const path = deeperThan(data, most, noPath) === undefined ? undefined : deeperThan(data, most, pathWith);
  return path === undefined
    ? undefined
    : { path, message: phrase("lies in more than {most} others: nest no deeper, or keep a part by name", { most }) };
}

const noPath = () => "";
const pathWith = (path: string, key: string) => `${path}${pointer(key)}`;

/** Whether there are more than `most` keys that hold others, wherever they are. */
function holdsMoreThan(data: unknown, most: number): boolean {
  let holding = 0;
  const open = isObject(data) ? [data] : [];
  for (let next = open.pop(); next !== undefined && holding <= most; next = open.pop()) {
    const isList = Array.isArray(next);
    // Nothing that was parsed has inherited keys; a list of its own would take longer than looking at them.
    for (const key in next) {
      const inner = next[key];
      if (!isObject(inner)) continue;
      if (!isList && HOLDS.has(key)) holding += 1;
      open.push(inner);
    }
  }
  return holding > most;
}

function deeperThan(data: unknown, most: number, extended: (path: string, key: string) => string): string | undefined {
  const open: { value: Record<string, unknown>; path: string; depth: number }[] = isObject(data)
    ? [{ value: data, path: "", depth: 0 }]
    : [];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    const { value, path, depth } = next;
    if (depth > most) return path;
    const isList = Array.isArray(value);
    for (const [key, inner] of Object.entries(value)) {
      if (!isObject(inner)) continue;
      open.push({ value: inner, path: extended(path, key), depth: !isList && HOLDS.has(key) ? depth + 1 : depth });
    }
  }
  return undefined;
}

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === "object" && value !== null;
