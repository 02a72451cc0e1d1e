import { type Static, Type } from "@sinclair/typebox";
import { ConditionRef } from "../conditions/condition.ts";
import { Basis } from "../measures/basis.ts";
import { Edge } from "../measures/threshold.ts";
import { Amount } from "../money/amount.ts";
import { ByLocale, closed, Id, Position } from "../plan/atoms.ts";
import { Reward } from "./reward.ts";

/**
 * What shoppers read about one step: before anything is in the cart, while goods are missing, once it is earned, and
 * while it depends on where the cart goes and that is not known.
 */
const StepWording = Type.Object(
  {
    empty: Type.Optional(ByLocale),
    "on-the-way": Type.Optional(ByLocale),
    reached: Type.Optional(ByLocale),
    "place-unknown": Type.Optional(ByLocale),
  },
  { ...closed, title: "StepWording", description: "ICU MessageFormat; variables: goal, counted, remaining, percent" },
);

/** One rung of an offer: what must be spent, and what is given. */
export const Step = Type.Object(
  {
    id: Id,
    position: Position,
    goal: Type.Object({ at: Amount, edge: Edge }, closed),
    reward: Reward,
    wording: StepWording,
  },
  { ...closed, title: "Step" },
);
export type Step = Static<typeof Step>;

/** A shipping discount: where it holds, what counts, and a ladder of steps. */
export const Offer = Type.Object(
  {
    id: Id,
    position: Position,
    name: Type.String({ minLength: 1, maxLength: 100, description: "Internal; shoppers never read it" }),
    on: Type.Boolean(),
    zones: Type.Array(Id, { maxItems: 1000, uniqueItems: true }),
    when: Type.Optional(ConditionRef),
    basis: Basis,
    steps: Type.Array(Step, { minItems: 1, maxItems: 20 }),
  },
  { ...closed, title: "Offer" },
);
export type Offer = Static<typeof Offer>;
