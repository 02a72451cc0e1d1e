import type { Condition } from "../conditions/condition.ts";
import { type TSchema, Type } from "../schema/type.ts";
import type { BandedCharge } from "./kinds/bands.ts";
import type { CarrierCharge } from "./kinds/carrier.ts";
import type { ConditionalCharge } from "./kinds/conditional.ts";
import type { FlatCharge } from "./kinds/flat.ts";
import type { ParcelClassCharge } from "./kinds/parcel-classes.ts";
import type { PerItemCharge } from "./kinds/per-item.ts";
import { CHARGE_ID } from "./reference.ts";
import { CHARGE_KINDS } from "./registry.ts";

/** How the price of a delivery option is computed. */
export type Charge =
  | FlatCharge
  | PerItemCharge
  | BandedCharge
  | ParcelClassCharge
  | CarrierCharge<Charge>
  | ConditionalCharge<Charge>;

/** Stands for the schema of charges wherever one may be written; {@link ChargeSchema} has to be known to Ajv. */
export const ChargeRef = Type.Unsafe<Charge>({ $ref: CHARGE_ID });

export const ChargeSchema: TSchema = Type.Unsafe<Charge>({
  $id: CHARGE_ID,
  type: "object",
  required: ["kind"],
  discriminator: { propertyName: "kind" },
  oneOf: [...CHARGE_KINDS.values()].map(({ schema }) => schema),
});

/** A charge within another, and the other with one in its place. Paths are JSON pointers within the outer charge. */
type ChargePart = { readonly charge: Charge; readonly path: string; readonly replace: (charge: Charge) => Charge };

/** The one place that knows how charges lie in each other: those within one, none deeper than the next. */
export function chargeParts(outer: Charge): ChargePart[] {
  switch (outer.kind) {
    case "carrier":
      return outer.fallback
        ? [{ charge: outer.fallback, path: "/fallback", replace: (fallback) => ({ ...outer, fallback }) }]
        : [];
    case "conditional":
      return outer.entries.map(({ charge }, i) => ({
        charge,
        path: `/entries/${i}/charge`,
        replace: (next) => ({
          ...outer,
          entries: outer.entries.map((one, j) => (j === i ? { ...one, charge: next } : one)),
        }),
      }));
    default:
      return [];
  }
}

/** A condition that a charge asks itself, and the charge with another in its place. */
type ChargeCondition = {
  readonly condition: Condition;
  readonly path: string;
  /** Of its entry, counted from 0. */
  readonly index: number;
  readonly replace: (condition: Condition) => Charge;
};

/** The one place that knows where charges ask conditions. */
export function chargeConditions(outer: Charge): ChargeCondition[] {
  if (outer.kind !== "conditional") return [];
  return outer.entries.flatMap(({ when }, i) =>
    when
      ? [
          {
            condition: when,
            path: `/entries/${i}/when`,
            index: i,
            replace: (next) => ({
              ...outer,
              entries: outer.entries.map((one, j) => (j === i ? { ...one, when: next } : one)),
            }),
          },
        ]
      : [],
  );
}
