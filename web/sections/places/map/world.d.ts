/** What the outlines are drawn on. */
export const MAP_SIZE: { readonly width: number; readonly height: number };
/** Countries by code ("" where land has none) with their outlines. */
export const LAND: readonly (readonly [string, string])[];
/** Countries too small for an outline, and where they lie. */
export const POINTS: readonly (readonly [string, number, number])[];
/** Regions by code with their outlines: of the countries that have some, all. */
export const REGIONS: readonly (readonly [string, string])[];
