import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { defineTrigger } from "../trigger-definition.ts";

/** Nothing has to be done: whoever the offer is for has it. */
export const nothing = defineTrigger({
  kind: "nothing",
  schema: Type.Object({ kind: Type.Literal("nothing") }, closed),
  example: { kind: "nothing" },
  goal: () => null,
  codes: () => [],
  codeRole: "none",
  met: () => true,
  tail: () => "",
});
