import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import type { Connective } from "../connective.ts";
import { PartRef } from "../reference.ts";

/** Every part holds. */
export const all = {
  kind: "all",
  role: "every",
  schema: Type.Object({ kind: Type.Literal("all"), of: Type.Array(PartRef, { minItems: 1, maxItems: 200 }) }, closed),
  example: { kind: "all", of: [{ kind: "signed-in" }, { kind: "business" }] },
  joint: phrase(" and "),
} as const satisfies Connective & { example: { of: unknown } };
