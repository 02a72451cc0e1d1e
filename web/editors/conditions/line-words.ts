import { phrase } from "../../../core/phrases/phrase.ts";

/** How many lines of a cart something has to be so of. */
export const HOW = { any: phrase("some line"), none: phrase("no line"), only: phrase("every line") } as const;
