import type { Plan, Store } from "../../core/plan/plan.ts";
import type { Distance, Volume, Weight } from "../../core/quantities/quantity.ts";

/** What new weights, distances and volumes begin in; each can be changed where it stands. */
export type UnitSystem = NonNullable<Store["units"]>;

export const unitsOf = ({ store }: Pick<Plan, "store">): UnitSystem => store.units ?? "metric";

/** By system: the unit that small things begin in, that parcels and ways do. */
export const FIRST_UNITS = {
  metric: { small: "g", parcel: "kg", way: "km", space: "dm3" },
  imperial: { small: "oz", parcel: "lb", way: "mi", space: "ft3" },
} as const satisfies Record<
  UnitSystem,
  { small: Weight["unit"]; parcel: Weight["unit"]; way: Distance["unit"]; space: Volume["unit"] }
>;

/** Whole milligrams, cubic millimetres and metres of a unit, as near as whole figures of it need. */
export const IN_UNITS: Readonly<Record<"kg" | "lb" | "dm3" | "ft3" | "km" | "mi", number>> = {
  kg: 1_000_000,
  lb: 453_592.37,
  dm3: 1_000_000,
  ft3: 28_316_846.592,
  km: 1000,
  mi: 1609.344,
};
