import { ConditionRef } from "../conditions/condition.ts";
import { SURFACES } from "../messages/states.ts";
import { ByLocale, closed, Id, Position, WebAddress } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";
import { Schedule } from "../time/stretch.ts";

const Surface = Type.Union(
  SURFACES.map((surface) => Type.Literal(surface)),
  { description: "Where it is read" },
);

/** Something told to shoppers without a goal: other hours, a delay. It promises nothing, so its texts have no variables. */
export const Notice = Type.Object(
  {
    id: Id,
    position: Position,
    name: Type.String({ minLength: 1, maxLength: 100, description: "Internal; shoppers never read it" }),
    on: Type.Boolean(),
    zones: Type.Array(Id, { maxItems: 5000, uniqueItems: true, description: "Empty: wherever the store sells" }),
    when: Type.Optional(ConditionRef),
    schedule: Type.Optional(Schedule),
    surfaces: Type.Array(Surface, { minItems: 1, maxItems: SURFACES.length, uniqueItems: true }),
    texts: ByLocale,
    link: Type.Optional(
      Type.Object(
        {
          to: WebAddress,
          texts: ByLocale,
        },
        { ...closed, title: "NoticeLink" },
      ),
    ),
  },
  { ...closed, title: "Notice" },
);
export type Notice = Static<typeof Notice>;
