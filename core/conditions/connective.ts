import type { Phrase } from "../phrases/phrase.ts";
import type { TSchema } from "../schema/type.ts";
import type { AnyCondition } from "./reference.ts";

/** A kind of condition made of others: all of them, some of them, not this one, or one kept by name. */
export type Connective = {
  readonly kind: string;
  readonly schema: TSchema;
  readonly example: AnyCondition;
} & (
  | { readonly role: "every" | "some" /** Stands between its parts in words. */; readonly joint: Phrase }
  | { readonly role: "negation"; readonly turns: (words: Phrase) => Phrase }
  | { readonly role: "reference" }
);
