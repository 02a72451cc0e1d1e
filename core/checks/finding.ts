import type { Phrase } from "../phrases/phrase.ts";
import { english } from "../phrases/speak.ts";
import type { Change, EntityKind } from "../plan/entities.ts";
import type { Accepted } from "../plan/plan.ts";
import type { QuoteRequest } from "../request/request.ts";
import { fnv1a } from "../schema/fnv.ts";

/** How bad it is: shoppers are charged or told something wrong; they may be; it is worth a look. */
export type Severity = "wrong" | "risky" | "odd";

/** Something a check has found wrong or risky in a plan. */
export type Finding = {
  /** Of the check that found it, such as `goal-met-by-one-product`. */
  readonly code: string;
  readonly severity: Severity;
  /** What is the matter. */
  readonly sentence: Phrase;
  /** Where: an entity, and the place in it as a JSON pointer. */
  readonly at: { readonly kind: EntityKind; readonly id: string; readonly path: string };
  /** A cart and standpoint that shows it. */
  readonly witness: QuoteRequest | null;
  /** What would mend it, where that is safe. */
  readonly fix?: { readonly words: Phrase; readonly changes: readonly Change[] };
};

/** The same text for the same cause: what was found, where, and in which words, in English whoever reads it. */
export function causeOf({ code, at, sentence }: Finding): string {
  const text = JSON.stringify([code, at, english(sentence)]);
  // Two seeds are enough to tell causes apart.
  return [fnv1a(text), fnv1a(text, 3_735_928_559)].map((hash) => hash.toString(16).padStart(8, "0")).join("");
}

/** The reason a finding was accepted for, while its cause is still the same. */
export const acceptedReason = (finding: Finding, accepted: readonly Accepted[]): string | undefined =>
  accepted.find(({ code, id, cause }) => code === finding.code && id === finding.at.id && cause === causeOf(finding))
    ?.reason;
