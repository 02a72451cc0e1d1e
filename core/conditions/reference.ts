import { Type } from "../schema/type.ts";

/** A condition of any kind, told apart by `kind`. */
export type AnyCondition = { readonly kind: string };

export const CONDITION_ID = "Condition";

/** Stands for the schema of conditions inside conditions. */
export const PartRef = Type.Unsafe<AnyCondition>({ $ref: CONDITION_ID });
