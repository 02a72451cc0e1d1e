import { definitionOf, registry } from "../schema/kinds.ts";
import type { RegisteredCharge } from "./definition.ts";
import { banded } from "./kinds/bands.ts";
import { carrier } from "./kinds/carrier.ts";
import { conditional } from "./kinds/conditional.ts";
import { flat } from "./kinds/flat.ts";
import { parcelClasses } from "./kinds/parcel-classes.ts";
import { perItem } from "./kinds/per-item.ts";
import type { AnyCharge } from "./reference.ts";

/** Every kind of charge. A new kind is a file of its own, its name in this list and its form in `Charge`. */
const KINDS = [flat, perItem, banded, parcelClasses, carrier, conditional] as const;

/** Kinds of charges by kind, in the order in which they are offered. */
export const CHARGE_KINDS: ReadonlyMap<string, RegisteredCharge> = registry<RegisteredCharge>(KINDS);

/** @throws RangeError for a kind that is not there, which the schema refuses before */
export const chargeKind = (charge: AnyCharge): RegisteredCharge => definitionOf(CHARGE_KINDS, charge, "charge");
