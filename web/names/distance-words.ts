import { IN_UNITS } from "./units.ts";

/** A distance as people say it. @example distanceWords(6234, "km") // "6.2 km" */
export const distanceWords = (metres: number, unit: "km" | "mi"): string =>
  `${(metres / IN_UNITS[unit]).toFixed(1).replace(/\.0$/, "")} ${unit}`;
