import { closed, Id } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import type { Connective } from "../connective.ts";

/** One of the plan's conditions that are kept by name. */
export const saved = {
  kind: "saved",
  role: "reference",
  schema: Type.Object({ kind: Type.Literal("saved"), id: Id }, closed),
  example: { kind: "saved", id: "no-oversize" },
} as const satisfies Connective & { example: { id: string } };
