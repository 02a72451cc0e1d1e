import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { isDeepStrictEqual } from "node:util";
import * as fc from "fast-check";
import { cartAt } from "../climb/cart-at.ts";
import { climb } from "../climb/climb.ts";
import { climbAsJson, priceAt, remainingAt } from "../climb/interval.ts";
import { quote } from "../quote/quote.ts";
import { type CompiledPlan, compile } from "../tariff/compile.ts";
import { anyCase, type Case } from "./arbitrary.ts";

// What the engine answered to thousands of drawn requests before it was made quicker (at b5c22c6), as checksums: nothing that was
// made quicker may answer otherwise. A line for each hundred; in it, for each case, the sum of the quote with its text and reasons,
// and that of the climb, "-" where it was not kept. Neither is where the plan that was drawn then was refused: another is drawn now.
// "!" marks what the engine of then gave up on: whether more goods earn a step was taken for no without being known, so that today's
// answer may be another.

/** How far goals reach in the cases, in turn. */
const SPANS = [1000, 3000, 20_000] as const;
const SEED = 20_261_126;
const AT_ONCE = 100;
/** Minor units of the climb with all that is said of steps; prices alone are climbed as far as goals reach. */
const CLIMBED = 200;

type DrawnCase = Case & { readonly span: number };

/** A hundred drawn plans, each with a request. The same number draws the same ones, as long as the generator stays. */
function drawnCases(hundred: number): readonly DrawnCase[] {
  const span = SPANS[hundred % SPANS.length] ?? SPANS[0];
  const drawn = fc.sample(anyCase(span), { seed: SEED + hundred, numRuns: AT_ONCE });
  return drawn.map((one) => ({ ...one, span }));
}

/** Eight digits that stand for a value. */
const shortSum = (value: unknown): string =>
  createHash("sha256").update(JSON.stringify(value)).digest("hex").slice(0, 8);

const quoteSum = (compiled: CompiledPlan, { request }: DrawnCase): string =>
  shortSum(quote(compiled, request, { why: true }));

function climbSum(compiled: CompiledPlan, { request, span }: DrawnCase): string {
  const drawn = (to: number, progress: boolean) => {
    const climbed = climb(compiled, request, to, { progress });
    return "climb" in climbed && climbed.climb ? climbAsJson(climbed.climb) : climbed;
  };
  return shortSum([drawn(CLIMBED, true), drawn(span, false)]);
}

/** Whether the climb says at every minor unit what a quote of that cart says. The climb of then did not always. */
function asQuoted(compiled: CompiledPlan, { request }: DrawnCase): boolean {
  const made = climb(compiled, request, CLIMBED);
  if ("problems" in made || !made.climb) return false;
  return made.climb.intervals.every((interval) =>
    Array.from({ length: interval.to - interval.from + 1 }, (_, i) => interval.from + i).every((x) => {
      const answer = quote(compiled, { ...request, cart: cartAt(request.cart, x) }, { text: false });
      if ("problems" in answer) return false;
      const { options, progress } = answer.quote;
      const climbed = interval.prices.map((_, i) => priceAt(interval, i, x));
      const goals = made.climb?.steps.flatMap(({ goal }, i) => (goal === null ? [] : [remainingAt(interval, i, x)]));
      return isDeepStrictEqual(
        [climbed, goals],
        [options.map(({ price, reason }) => price ?? reason), progress.map(({ remaining }) => remaining)],
      );
    }),
  );
}

const kept: ReadonlyMap<number, readonly string[]> = new Map(
  readFileSync(new URL("former/drawn-answers.txt", import.meta.url), "utf8")
    .trimEnd()
    .split("\n")
    .map((line): [number, string[]] => {
      const [hundred = "", sums = ""] = line.split("|");
      return [Number(hundred), sums.split(",")];
    }),
);

/** The hundreds that were kept. */
export const HUNDREDS: readonly number[] = [...kept.keys()].sort((a, b) => a - b);

/** `otherwise`: climbs that were cut into other stretches, or not as quotes of the same carts, and are as those now. */
export type Compared = { quotes: number; climbs: number; otherwise: number; gaveUp: number; differ: string[] };

/** Answers a hundred cases anew and compares. @param mostClimbs so many climbs of them: they take longer */
export function compareHundred(hundred: number, mostClimbs: number): Compared {
  const compared: Compared = { quotes: 0, climbs: 0, otherwise: 0, gaveUp: 0, differ: [] };
  const sums = kept.get(hundred) ?? [];
  for (const [i, drawn] of drawnCases(hundred).entries()) {
    const [quoted = "", climbed = "-"] = (sums[i] ?? "").split(" ");
    if (quoted === "-") continue;
    const made = compile(drawn.plan);
    if ("problems" in made) {
      compared.differ.push(`plan ${hundred}/${i}`);
      continue;
    }
    if (quoted.endsWith("!")) compared.gaveUp += 1;
    else {
      compared.quotes += 1;
      if (quoteSum(made.compiled, drawn) !== quoted) compared.differ.push(`quote ${hundred}/${i}`);
    }
    if (climbed === "-" || climbed.endsWith("!") || compared.climbs >= mostClimbs) continue;
    compared.climbs += 1;
    if (climbSum(made.compiled, drawn) === climbed) continue;
    if (asQuoted(made.compiled, drawn)) compared.otherwise += 1;
    else compared.differ.push(`climb ${hundred}/${i}`);
  }
  return compared;
}
