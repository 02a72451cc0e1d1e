import { type Static, Type } from "../schema/type.ts";

/** Which side owns an edge: `from` 45.00 includes 45.00; `above` 45.00 starts with the next minor unit. */
export const Edge = Type.Union([Type.Literal("from"), Type.Literal("above")], { title: "Edge" });
export type Edge = Static<typeof Edge>;

/** Counts are whole, so "above x" is "at least x + 1". @example leastCount(4500, "above") // 4501 */
export function leastCount(at: number, edge: Edge): number {
  return edge === "from" ? at : at + 1;
}
