/** How many lines of a cart something has to be so of. */
export const HOW = { any: "some line", none: "no line", only: "every line" } as const;
