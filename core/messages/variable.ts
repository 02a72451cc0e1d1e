import type { LadderMeasure } from "../measures/measure-spec.ts";
import type { Phrase } from "../phrases/phrase.ts";
import type { MessageState, StepState } from "./states.ts";

/** What is known of a step where a text about it is said: figures in whole units of what is counted. */
export type MessageValues = {
  readonly state: StepState;
  readonly locale: string;
  readonly currency: string;
  readonly measure: LadderMeasure["kind"];
  readonly goal: number | null;
  readonly counted: number | null;
  /** As it can be said: see `sayable`. */
  readonly remaining: number | null;
  readonly percent: number;
  readonly reward: string;
  /** The first option the reward is given on; empty for one on the order. */
  readonly option: string;
  /** When the offer ends, as a moment in UTC milliseconds; null: it does not. */
  readonly deadline: number | null;
  readonly timeZone: string;
  readonly place: string;
  /** What counts, where only some goods do. */
  readonly goods: string;
};

/** What is known of an option where its name or note is said; prices in minor units, null while there is none. */
export type OptionFigures = {
  readonly locale: string;
  readonly currency: string;
  readonly price: number | null;
  readonly fullPrice: number | null;
  /** The next goal that would better it, and what is missing; in units of `measure`. */
  readonly measure: LadderMeasure["kind"];
  readonly goal: number | null;
  readonly remaining: number | null;
};

/** What a variable is filled with: a text, or a number that plurals agree with. */
export type VariableKind = "text" | "number";

/** Something that a text about a step may mention. */
export type StepVariable = {
  readonly name: string;
  /** What it is, for the people who write texts. */
  readonly words: Phrase;
  /** Of which states' texts may mention it: elsewhere there is nothing to fill it with. */
  readonly isIn: (state: MessageState) => boolean;
  /** @param counts what the offer counts; null for texts of the whole plan, which may be said of any step */
  readonly kind: (counts: string | null) => VariableKind;
  readonly fill: (figures: MessageValues) => string | number;
};

/** Something that an option's name and note may mention; all of them come as texts. */
export type OptionVariable = {
  readonly name: string;
  readonly words: Phrase;
  readonly fill: (figures: OptionFigures) => string;
};

export const everywhere = () => true;
export const asText = () => "text" as const;
/** A number where items are counted; money and weights come written out. */
export const asCounted = (counts: string | null): VariableKind => (counts === "items" ? "number" : "text");
