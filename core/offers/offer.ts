import { ConditionRef } from "../conditions/condition.ts";
import { OnChannels } from "../conditions/on-channels.ts";
import { LadderMeasure } from "../measures/measure-spec.ts";
import { StepWording } from "../messages/step-wording.ts";
import { Reward } from "../rewards/reward.ts";
import { byKind, closed, Id, Percent, Position } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";
import { Schedule } from "../time/stretch.ts";
import { Trigger } from "./trigger.ts";

/** One rung of an offer: what earns it, and what is given. */
export const Step = Type.Object(
  {
    id: Id,
    position: Position,
    trigger: Trigger,
    reward: Reward,
    wording: StepWording,
  },
  { ...closed, title: "Step" },
);
export type Step = Static<typeof Step>;

/** A shipping discount: who, when and where, what counts, a ladder of steps, limits, company it keeps. */
export const Offer = Type.Object(
  {
    id: Id,
    position: Position,
    name: Type.String({ minLength: 1, maxLength: 100, description: "Internal; shoppers never read it" }),
    purpose: Type.Optional(Type.String({ minLength: 1, maxLength: 1000, description: "Internal" })),
    on: Type.Boolean(),
    zones: Type.Array(Id, { maxItems: 1000, uniqueItems: true }),
    channels: Type.Optional(OnChannels),
    when: Type.Optional(ConditionRef),
    schedule: Type.Optional(Schedule),
    limits: Type.Optional(
      Type.Object(
        {
          overall: Type.Optional(Type.Integer({ minimum: 1, maximum: 1_000_000_000 })),
          perShopper: Type.Optional(Type.Integer({ minimum: 1, maximum: 1_000_000 })),
          guests: Type.Optional(
            Type.Literal("every-time", {
              description: "Guests cannot be told apart: they get it each time, or never unless it says so",
            }),
          ),
        },
        { ...closed, title: "Limits", description: "How often it can be used" },
      ),
    ),
    stacking: Type.Optional(
      byKind(
        [
          Type.Object({ kind: Type.Literal("alone") }, closed),
          Type.Object({ kind: Type.Literal("any") }, closed),
          Type.Object(
            { kind: Type.Literal("with"), offers: Type.Array(Id, { minItems: 1, maxItems: 1000, uniqueItems: true }) },
            closed,
          ),
        ],
        "Stacking",
      ),
    ),
    signInLure: Type.Optional(
      Type.Boolean({ description: "Progress is shown to guests when only signing in is missing" }),
    ),
    nearlyThere: Type.Optional({ ...Percent, description: "From this percent of the goal on it is nearly there" }),
    counts: LadderMeasure,
    steps: Type.Array(Step, { minItems: 1, maxItems: 20 }),
  },
  { ...closed, title: "Offer" },
);
export type Offer = Static<typeof Offer>;

/** Whether two offers may be used together: each has to stand the other. */
export function canStack(a: Offer, b: Offer): boolean {
  const stands = ({ stacking }: Offer, other: Offer) =>
    stacking?.kind === "any" || (stacking?.kind === "with" && stacking.offers.includes(other.id));
  return stands(a, b) && stands(b, a);
}
