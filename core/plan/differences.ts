import equal from "fast-deep-equal";
import { isRecord } from "../schema/is-record.ts";
import { pointer } from "../schema/problem.ts";

/** A place where two values differ: where, as a JSON pointer, and what stands there; undefined where nothing does. */
export type Difference = { readonly path: string; readonly before: unknown; readonly after: unknown };

/**
 * Where two pieces of JSON differ, as deep down as both have the same shape: lists of different lengths differ as a whole.
 *
 * @example differences({ name: "A", steps: [{ goal: 4 }] }, { name: "A", steps: [{ goal: 5 }] })
 * // [{ path: "/steps/0/goal", before: 4, after: 5 }]
 */
export function differences(before: unknown, after: unknown, path = ""): Difference[] {
  if (equal(before, after)) return [];
  if (Array.isArray(before) && Array.isArray(after) && before.length === after.length) {
    return before.flatMap((one, i) => differences(one, after[i], `${path}/${i}`));
  }
  if (isRecord(before) && isRecord(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys.flatMap((key) => differences(before[key], after[key], `${path}${pointer(key)}`));
  }
  return [{ path, before, after }];
}
