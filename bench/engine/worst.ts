import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { climb } from "../../core/climb/climb.ts";
import { quote } from "../../core/quote/quote.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import { anyCase, type Case } from "../../core/tests/arbitrary.ts";
import { interleaved, report } from "../interleaved.ts";
import { median } from "../median.ts";
import { stackedPlan, stackedRequest } from "./stacked.ts";

// Plans that nobody would make and anybody could: drawn at random, found by search for the slowest, and offers by the hundred.
type Asked = { readonly compiled: CompiledPlan; readonly request: Case["request"] };

const askedOf = ({ plan, request }: Case): Asked[] => {
  const made = compile(plan);
  return "problems" in made ? [] : [{ compiled: made.compiled, request }];
};
const plain = { text: false };

const quoted = ({ compiled, request }: Asked) => quote(compiled, request, plain);
/** As far as the answers that are kept are climbed with all that is said of steps. */
const CLIMBED = 200;
const climbed = ({ compiled, request }: Asked) => climb(compiled, request, CLIMBED);

const ROUNDS = 5;

/** The median of some timings of each, all of them in turn, from the quickest on. */
function timesOf(cases: readonly Asked[], answer: (asked: Asked) => unknown = quoted): number[] {
  const times = cases.map((): number[] => []);
  for (let round = -1; round < ROUNDS; round += 1)
    for (const [i, asked] of cases.entries()) {
      const start = performance.now();
      answer(asked);
      if (round >= 0) times[i]?.push(performance.now() - start);
    }
  return times.map(median).sort((a, b) => a - b);
}

/** Steps of which it is not known whether any amount earns them. */
const unsettledIn = (cases: readonly Asked[]): number =>
  cases.reduce((sum, { compiled, request }) => {
    const answer = quote(compiled, request, plain);
    return sum + ("quote" in answer ? answer.quote.progress.filter(({ state }) => state === "unsettled").length : 0);
  }, 0);

const drawn = [1000, 3000, 20_000].flatMap((span) =>
  fc.sample(anyCase(span), { seed: 16, numRuns: 1000 }).flatMap(askedOf),
);
const times = timesOf(drawn);
const middle = median(times);
const [late = 0, last = 0] = [times[Math.floor(times.length * 0.99)], times.at(-1)];
report(`drawn plans, the 99th percentile / the median quote, ${times.length} plans`, late / middle, {
  late,
  median: middle,
});
report("drawn plans, the slowest / the median quote", last / middle, { slowest: last });

const climbs = timesOf(drawn, climbed);
const [climbMiddle, climbLate = 0, climbLast = 0] = [
  median(climbs),
  climbs[Math.floor(climbs.length * 0.99)],
  climbs.at(-1),
];
report(
  `drawn plans, the 99th percentile / the median climb to ${CLIMBED}, ${climbs.length} plans`,
  climbLate / climbMiddle,
  {
    late: climbLate,
    median: climbMiddle,
  },
);
report("drawn plans, the slowest / the median climb", climbLast / climbMiddle, { slowest: climbLast });

const found: Case[] = readFileSync("bench/engine/slow-plans.jsonl", "utf8")
  .trim()
  .split("\n")
  .map((line) => JSON.parse(line));
const slow = found.flatMap(askedOf);
const slowTimes = timesOf(slow);
const [slowMiddle, slowest = 0] = [median(slowTimes), slowTimes.at(-1)];
report(
  `plans found by search for the slowest, their median / that of drawn plans, ${slow.length} plans`,
  slowMiddle / middle,
  { median: slowMiddle },
);
report("plans found by search for the slowest, the slowest / the median of drawn plans", slowest / middle, { slowest });

const many = Array.from({ length: 10 }, (_, i) =>
  fc.sample(anyCase([1000, 3000, 20_000][i % 3] ?? 1000), { seed: 160 + i, numRuns: 1000 }),
).flat();
const unsettled = unsettledIn(many.flatMap(askedOf));
console.log(
  `steps given up on: ${unsettled} in ${many.length} drawn plans, ${unsettledIn(slow)} in those found by search`,
);

for (const [name, goods] of [
  ["some earned", 8_000],
  ["all earned", 100_000],
] as const) {
  const [one, hundred] = [1, 100].map(
    (count) => askedOf({ plan: stackedPlan(count), request: stackedRequest(goods) })[0],
  );
  if (!one || !hundred) throw new Error("the plan of offers that stack does not compile");
  const [lone = 0, all = 0] = await interleaved(
    [one, hundred].map(
      ({ compiled, request }) =>
        () =>
          quote(compiled, request, plain),
    ),
    { rounds: 20, repeats: 5 },
  );
  report(`a hundred offers that stack with any / one of them, ${name}`, all / lone, { hundred: all, one: lone });
}
