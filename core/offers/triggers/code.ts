import { phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { Codes } from "../goal.ts";
import { defineTrigger } from "../trigger-definition.ts";

/** A code is entered. */
export const code = defineTrigger({
  kind: "code",
  schema: Type.Object({ kind: Type.Literal("code"), codes: Codes }, closed),
  example: { kind: "code", codes: ["INKLOVE"] },
  goal: () => null,
  codes: ({ codes }) => codes,
  codeRole: "needed",
  met: ({ codeEntered }, step, now) => codeEntered(step, now),
  tail: (codes) => phrase(" with {codes}", { codes }),
});
