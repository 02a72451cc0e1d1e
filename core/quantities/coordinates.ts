import { type Static, Type } from "../schema/type.ts";

/** Latitude and longitude in degrees (WGS 84). */
export const Coordinates = Type.Tuple([
  Type.Number({ minimum: -90, maximum: 90 }),
  Type.Number({ minimum: -180, maximum: 180 }),
]);
export type Coordinates = Static<typeof Coordinates>;
