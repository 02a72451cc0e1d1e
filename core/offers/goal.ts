import { Edge } from "../measures/edge.ts";
import { LadderMark } from "../measures/measure-spec.ts";
import { closed } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";

/** How far a cart has to come. */
export const Goal = Type.Object({ at: LadderMark, edge: Edge }, { ...closed, title: "Goal" });
export type Goal = Static<typeof Goal>;

export const Codes = Type.Array(Type.String({ minLength: 1, maxLength: 64 }), { minItems: 1, maxItems: 10_000 });
