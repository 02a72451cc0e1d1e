import type { Amount } from "./amount.ts";

const PARTS: ReadonlySet<string> = new Set(["byCurrency", "byMarket", "byZone", "converted"]);

function isAmount(value: object): value is Amount {
  const keys = Object.keys(value);
  return keys.length > 0 && keys.every((key) => PARTS.has(key));
}

/**
 * Every amount within something, however deep.
 *
 * @param but names of parts that are not looked into
 * @example amountsIn({ kind: "flat", amount: { byCurrency: { EUR: "4.90" } } }) // [{ byCurrency: … }]
 */
export function amountsIn(value: unknown, but: readonly string[] = []): Amount[] {
  if (typeof value !== "object" || value === null) return [];
  if (isAmount(value)) return [value];
  return Object.entries(value).flatMap(([key, part]) => (but.includes(key) ? [] : amountsIn(part, but)));
}

/** The zones that amounts within something have figures of their own for. */
export const zonesWithOwnAmounts = (value: unknown): ReadonlySet<string> =>
  new Set(amountsIn(value).flatMap(({ byZone }) => Object.keys(byZone ?? {})));
