import { phrase } from "../phrases/phrase.ts";
import { type PostcodePattern, postcodePattern } from "../postcodes/postcode.ts";
import type { Problem } from "../schema/problem.ts";
import { Type } from "../schema/type.ts";

/** Postcodes as conditions ask for them: codes, patterns and ranges of one country, as zones have them. */
export const POSTCODE_PATTERNS = Type.Array(Type.String({ minLength: 1, maxLength: 32 }), {
  minItems: 1,
  maxItems: 5000,
});

export const postcodePatternProblems = (country: string, patterns: readonly string[], path: string): Problem[] =>
  patterns.flatMap((text, i) =>
    postcodePattern(country, text)
      ? []
      : [{ path: `${path}/patterns/${i}`, message: phrase('"{text}" is no postcode, pattern or range', { text }) }],
  );

/** The patterns made ready to be matched; what cannot be read was refused before. */
export const compiledPatterns = (country: string, patterns: readonly string[]): PostcodePattern[] =>
  patterns.flatMap((text) => postcodePattern(country, text) ?? []);
