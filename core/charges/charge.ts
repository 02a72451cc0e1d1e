import { type Condition, conditionProblems } from "../conditions/condition.ts";
import type { Problem } from "../schema/problem.ts";
import { type TSchema, Type } from "../schema/type.ts";
import type { ChargeContext, ChargeReferences, CompiledCharge } from "./definition.ts";
import { BandedCharge, bandsProblems, compileBands } from "./kinds/bands.ts";
import { type CarrierCharge, CarrierChargeSchema, carrierProblems, compileCarrier } from "./kinds/carrier.ts";
import { CHARGE_ID, type ConditionalCharge, ConditionalChargeSchema, compileConditional } from "./kinds/conditional.ts";
import { compileFlat, FlatCharge, flatProblems } from "./kinds/flat.ts";
import { compileParcelClasses, ParcelClassCharge, parcelClassProblems } from "./kinds/parcel-classes.ts";
import { compilePerItem, PerItemCharge, perItemProblems } from "./kinds/per-item.ts";

/** How the price of a delivery option is computed. A new kind is a file of its own and a case in each switch here. */
export type Charge = FlatCharge | PerItemCharge | BandedCharge | ParcelClassCharge | CarrierCharge | ConditionalCharge;

/** Stands for the schema of charges wherever one may be written; {@link ChargeSchema} has to be known to Ajv. */
export const ChargeRef = Type.Unsafe<Charge>({ $ref: CHARGE_ID });

export const ChargeSchema: TSchema = Type.Unsafe<Charge>({
  $id: CHARGE_ID,
  type: "object",
  required: ["kind"],
  discriminator: { propertyName: "kind" },
  oneOf: [FlatCharge, PerItemCharge, BandedCharge, ParcelClassCharge, CarrierChargeSchema, ConditionalChargeSchema],
});

export function compileCharge(charge: Charge, context: ChargeContext): CompiledCharge {
  switch (charge.kind) {
    case "flat":
      return compileFlat(charge, context);
    case "per-item":
      return compilePerItem(charge, context);
    case "bands":
      return compileBands(charge, context);
    case "parcel-classes":
      return compileParcelClasses(charge, context);
    case "carrier":
      return compileCarrier(charge, context, compileCharge);
    case "conditional":
      return compileConditional(charge, context, compileCharge);
  }
}

export function chargeProblems(charge: Charge, path: string, references: ChargeReferences): Problem[] {
  switch (charge.kind) {
    case "flat":
      return flatProblems(charge, path, references);
    case "per-item":
      return perItemProblems(charge, path, references);
    case "bands":
      return bandsProblems(charge, path, references);
    case "parcel-classes":
      return parcelClassProblems(charge, path, references);
    case "carrier":
      return [
        ...carrierProblems(charge, path, references),
        ...(charge.fallback ? chargeProblems(charge.fallback, `${path}/fallback`, references) : []),
      ];
    case "conditional":
      return charge.entries.flatMap((entry, i) => [
        ...whenProblems(entry.when, `${path}/entries/${i}/when`, references),
        ...chargeProblems(entry.charge, `${path}/entries/${i}/charge`, references),
      ]);
  }
}

const whenProblems = (when: Condition | undefined, path: string, references: ChargeReferences): Problem[] =>
  when ? conditionProblems(when, path, references, references.saved) : [];
