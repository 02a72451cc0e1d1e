import { createContext } from "react";
import type { UnitSystem } from "../names/units.ts";

/** The units that new quantities begin in, by the store's choice. */
export const UnitsContext = createContext<UnitSystem>("metric");
