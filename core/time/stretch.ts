import { closed } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";
import { Local } from "./local.ts";

/** A stretch of time by the market's clocks, half-open; a day as the end is included. */
const Stretch = Type.Object(
  { from: Type.Optional(Local), until: Type.Optional(Local) },
  { ...closed, title: "Stretch" },
);
export type Stretch = Static<typeof Stretch>;

/** The times when something holds. */
export const Schedule = Type.Array(Stretch, { minItems: 1, maxItems: 100 });
export type Schedule = Static<typeof Schedule>;
