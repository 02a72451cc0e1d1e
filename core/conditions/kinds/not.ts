import { type Phrase, phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import type { Connective } from "../connective.ts";
import { PartRef } from "../reference.ts";

/** Its part does not hold. */
export const not = {
  kind: "not",
  role: "negation",
  schema: Type.Object({ kind: Type.Literal("not"), of: PartRef }, closed),
  example: { kind: "not", of: { kind: "signed-in" } },
  turns: (words: Phrase) => phrase("it is not so that {words}", { words }),
} as const satisfies Connective & { example: { of: unknown } };
