/** Margins on goods, parts of what they cost: of some categories, and of everything else. */
export type StatedMargins = { readonly others: number; readonly byCategory: ReadonlyMap<string, number> };

/** What goods of orders came to together, in minor units, by the categories that each of them is in. */
export type GoodsMix = readonly { readonly categories: readonly string[]; readonly worth: number }[];

/** A part of what was bought, and the margin on it. `category` is null for whatever no margin of its own is stated of. */
export type MarginPart = { readonly category: string | null; readonly worth: number; readonly margin: number };

/**
 * What was bought, by the margin on it, the most first. Of goods in several categories it is the first that a margin is stated of.
 *
 * @example marginParts([{ categories: ["paper"], worth: 900 }], { others: 0.4, byCategory: new Map([["paper", 0.3]]) })
 * // [{ category: "paper", worth: 900, margin: 0.3 }]
 */
export function marginParts(mix: GoodsMix, { others, byCategory }: StatedMargins): MarginPart[] {
  const worths = new Map<string | null, number>();
  for (const { categories, worth } of mix) {
    const category = categories.find((name) => byCategory.has(name)) ?? null;
    worths.set(category, (worths.get(category) ?? 0) + worth);
  }
  return [...worths]
    .map(([category, worth]) => ({
      ...{ category, worth },
      margin: category === null ? others : (byCategory.get(category) ?? others),
    }))
    .sort((a, b) => b.worth - a.worth);
}

/** The margin on goods mixed as these are; on nothing, what holds of everything else. @example meanMargin(parts, 0.4) // 0.33 */
export function meanMargin(parts: readonly MarginPart[], others: number): number {
  const whole = parts.reduce((sum, { worth }) => sum + worth, 0);
  return whole === 0 ? others : parts.reduce((sum, { worth, margin }) => sum + worth * margin, 0) / whole;
}
