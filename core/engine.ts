import type { CheckedAddress, CheckedProduct } from "./checks/check.ts";
import type { Finding } from "./checks/finding.ts";
import { runChecks } from "./checks/run-checks.ts";
import { climb } from "./climb/climb.ts";
import { type Climb, priceAt, remainingAt } from "./climb/interval.ts";
import { phrase } from "./phrases/phrase.ts";
import type { Calendars } from "./places/location.ts";
import type { Plan } from "./plan/plan.ts";
import { brokenRules } from "./plan/problems/rules.ts";
import type { Quote, QuoteForm, QuoteResult } from "./quote/answer/quote.ts";
import { quote } from "./quote/quote.ts";
import type { QuoteRequest } from "./request/request.ts";
import type { Problem } from "./schema/problem.ts";
import { type CompiledPlan, compile } from "./tariff/compile.ts";
import { checkPlan, checkQuoteRequest } from "./validation/documents.ts";

/**
 * The engine as a library: everything here takes plain JSON, checks it by the published schemas, and answers with a result or with
 * problems that say where. It never throws for what it is given.
 */

export type { Calendars, CheckedAddress, CheckedProduct, Finding, Plan, Problem, Quote, QuoteForm, QuoteRequest };
export { type Climb, priceAt, remainingAt };

/** A plan made ready to answer. Opaque: hand it to {@link quoteCart}, {@link climbCart} and {@link findingsOf}. */
export type Engine = CompiledPlan;

/**
 * @param plan a plan file, as parsed JSON
 * @param calendars public holidays as ISO days, by the calendars that its locations keep
 * @example const made = engineFor(JSON.parse(text)); if ("engine" in made) quoteCart(made.engine, request);
 */
export function engineFor(plan: unknown, calendars: Calendars = {}): { engine: Engine } | { problems: Problem[] } {
  const checked = checkPlan(plan);
  if ("problems" in checked) return checked;
  const result = compile(checked.value, calendars);
  return "problems" in result ? result : { engine: result.compiled };
}

/**
 * What a shopper gets for one cart. Amounts are whole minor units of the request's currency.
 *
 * @example const answer = quoteCart(engine, request); if ("quote" in answer) answer.quote.options[0]?.price // 490
 */
export function quoteCart(engine: Engine, request: unknown, form: QuoteForm = {}): QuoteResult {
  const checked = checkQuoteRequest(request);
  return "problems" in checked ? checked : quote(engine, checked.value, form);
}

/**
 * Delivery prices and progress for every value of a cart at once; see {@link priceAt} and {@link remainingAt} for one of them.
 *
 * @param to the last cart value, in minor units: from 0 to 10 million
 * @returns climb null where nobody serves the destination
 * @example climbCart(engine, request, 10_000) // priceAt(climb.intervals[0], 0, 0) is the first option's price for an empty cart
 */
export function climbCart(
  engine: Engine,
  request: unknown,
  to: number,
): { climb: Climb | null } | { problems: Problem[] } {
  if (!Number.isInteger(to) || to < 0 || to > LONGEST_CLIMB)
    return {
      problems: [
        {
          path: "",
          message: phrase("a climb goes to a whole number of minor units, at most {most}", { most: LONGEST_CLIMB }),
        },
      ],
    };
  const checked = checkQuoteRequest(request);
  return "problems" in checked ? checked : climb(engine, checked.value, to);
}

const LONGEST_CLIMB = 10_000_000;

/** What the checks may know besides the plan; whatever is left out is taken for none. */
export type CheckInputs = {
  /** The moment they look from, in milliseconds of UTC. */
  readonly at: number;
  readonly products?: readonly CheckedProduct[];
  readonly uses?: Readonly<Record<string, number>>;
  readonly addresses?: readonly CheckedAddress[];
};

/**
 * Everything the checks find wrong, risky or odd in a plan.
 *
 * @example findingsOf(engine, { at: Date.now() }).map(({ sentence }) => english(sentence))
 */
export function findingsOf(engine: Engine, around: CheckInputs): Finding[] {
  const known = { products: [], uses: {}, addresses: [], ...around };
  return [...runChecks(engine, known)].flatMap(({ findings }) => findings);
}

/**
 * What keeps a plan from being released though it answers: rules that came after it was made.
 *
 * @example rulesBrokenBy(engine) // [{ path: "/offers/2/steps/0/reward/percent", message: "gives nothing: …" }]
 */
export const rulesBrokenBy = (engine: Engine): Problem[] => brokenRules(engine.plan);
