import { byPosition } from "./atoms.ts";

type Placed = { readonly id: string; readonly position: number };

/** Room left between neighbours, so that most moves change one position only. */
const GAP = 10;

/**
 * The positions that change when one of a list is put at another place among the others, `to` counted from 0.
 *
 * @example moved([{ id: "a", position: 10 }, { id: "b", position: 20 }], "b", 0) // [{ id: "b", position: 5 }]
 */
export function moved(list: readonly Placed[], id: string, to: number): { id: string; position: number }[] {
  const others = list.filter((one) => one.id !== id).sort(byPosition);
  const before = others[to - 1]?.position;
  const behind = others[to]?.position;
  if (behind === undefined) return [{ id, position: (before ?? 0) + GAP }];
  const room = behind - (before ?? 0);
  if (room >= 2) return [{ id, position: (before ?? 0) + Math.floor(room / 2) }];
  // No room between the two: all are numbered anew.
  const order = [...others.slice(0, to).map((one) => one.id), id, ...others.slice(to).map((one) => one.id)];
  const was = new Map(list.map((one) => [one.id, one.position]));
  return order
    .map((one, i) => ({ id: one, position: (i + 1) * GAP }))
    .filter(({ id: one, position }) => was.get(one) !== position);
}

/**
 * A list with one of it at another place among the others. Only positions change: the order of an array means nothing.
 *
 * @example movedTo([{ id: "a", position: 10 }, { id: "b", position: 20 }], "b", 0) // b at 5
 */
export function movedTo<One extends Placed>(list: readonly One[], id: string, to: number): One[] {
  const positions = new Map(moved(list, id, to).map((one) => [one.id, one.position]));
  return list.map((one) => ({ ...one, position: positions.get(one.id) ?? one.position }));
}

/** Where something new goes: behind all others. */
export const lastPosition = (list: readonly Placed[]): number =>
  Math.max(0, ...list.map(({ position }) => position)) + GAP;

/**
 * An id for something new, made from its name, that none of the others has.
 *
 * @example freeId("Our own round", ["round"]) // "our-own-round"
 */
export function freeId(name: string, taken: readonly string[]): string {
  const bare = name
    .normalize("NFKD")
    .replaceAll(/\p{M}/gu, "")
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, "-")
    .replaceAll(/^-|-$/g, "")
    .slice(0, 40);
  const base = bare === "" ? "new" : bare;
  if (!taken.includes(base)) return base;
  for (let n = 2; ; n += 1) if (!taken.includes(`${base}-${n}`)) return `${base}-${n}`;
}
