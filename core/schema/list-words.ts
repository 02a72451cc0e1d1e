/** A list in words. @example orList(["Trade", "Press"]) // "Trade or Press" */
export const orList = (words: readonly string[]) => new Intl.ListFormat("en", { type: "disjunction" }).format(words);
