import { Type } from "../schema/type.ts";

/** A charge of any kind, told apart by `kind`. */
export interface AnyCharge {
  readonly kind: string;
}

export const CHARGE_ID = "Charge";

/** Stands for the schema of charges inside charges. */
export const InnerChargeRef = Type.Unsafe<AnyCharge>({ $ref: CHARGE_ID });
