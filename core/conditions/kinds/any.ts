import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import type { Connective } from "../connective.ts";
import { PartRef } from "../reference.ts";

/** Some part holds. */
export const any = {
  kind: "any",
  role: "some",
  schema: Type.Object({ kind: Type.Literal("any"), of: Type.Array(PartRef, { minItems: 1, maxItems: 200 }) }, closed),
  example: { kind: "any", of: [{ kind: "signed-in" }, { kind: "business" }] },
  joint: phrase(" or "),
} as const satisfies Connective & { example: { of: unknown } };
