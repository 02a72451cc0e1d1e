import type { EntityKind } from "../plan/entities.ts";
import type { QuoteRequest } from "../quote/request.ts";

/** How bad it is: shoppers are charged or told something wrong; they may be; it is worth a look. */
export type Severity = "wrong" | "risky" | "odd";

/** Something a check has found wrong or risky in a plan. */
export type Finding = {
  /** Of the check that found it, such as `goal-out-of-reach`. */
  readonly code: string;
  readonly severity: Severity;
  /** What is the matter, in English for the people who make the plan. */
  readonly sentence: string;
  /** Where: an entity, and the place in it as a JSON pointer. */
  readonly at: { readonly kind: EntityKind; readonly id: string; readonly path: string };
  /** A cart and standpoint that shows it. */
  readonly witness: QuoteRequest | null;
};
