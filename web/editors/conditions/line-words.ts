/** How many lines of a cart something has to be so of. */
export const HOW = { any: "some line", none: "no line", only: "every line" } as const;

/** The most that can be counted. */
export const MOST = 1_000_000;
