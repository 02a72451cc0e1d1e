import { ByLocale, closed } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";
import { MESSAGE_STATES, SURFACES } from "./states.ts";

const stateTexts = Object.fromEntries(MESSAGE_STATES.map((state) => [state, Type.Optional(ByLocale)]));
const ByState = Type.Unsafe<{ [State in (typeof MESSAGE_STATES)[number]]?: Static<typeof ByLocale> }>(
  Type.Object(stateTexts, closed),
);
const BySurface = Type.Unsafe<{ [Surface in (typeof SURFACES)[number]]?: Static<typeof ByState> }>(
  Type.Object(Object.fromEntries(SURFACES.map((surface) => [surface, Type.Optional(ByState)])), closed),
);

/**
 * What shoppers read about one step in each state, and where one surface needs a text of its own. `translatedFrom` keeps
 * the text each translation was made from, so that one left behind can be told.
 */
export const StepWording = Type.Unsafe<
  Static<typeof ByState> & { on?: Static<typeof BySurface>; translatedFrom?: Record<string, string> }
>(
  Type.Object(
    {
      ...stateTexts,
      on: Type.Optional(BySurface),
      translatedFrom: Type.Optional(
        Type.Record(Type.String({ maxLength: 120 }), Type.String({ maxLength: 2000 }), {
          description: "By state, surface if any, and language with slashes between: the source text at that time",
        }),
      ),
    },
    { ...closed, title: "StepWording", description: "ICU MessageFormat" },
  ),
);
export type StepWording = Static<typeof StepWording>;
