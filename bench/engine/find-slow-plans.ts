import { readFileSync, writeFileSync } from "node:fs";
import * as fc from "fast-check";
import { quote } from "../../core/quote/quote.ts";
import { compile } from "../../core/tariff/compile.ts";
import { anyCase, type Case } from "../../core/tests/arbitrary.ts";

// node --import tsx bench/engine/find-slow-plans.ts SEED COUNT: keeps the slowest of those found before and so many drawn plans more.
const [seed = 1, count = 20_000] = process.argv.slice(2).map(Number);
const FILE = "bench/engine/slow-plans.jsonl";
const KEPT = 220;
const BATCH = 500;

type Timed = { readonly took: number; readonly line: string };

const timed = (cases: readonly Case[]): Timed[] =>
  cases.flatMap(({ plan, request }) => {
    const made = compile(plan);
    if ("problems" in made) return [];
    const took = Math.min(
      ...[1, 2, 3].map(() => {
        const start = performance.now();
        quote(made.compiled, request, { text: false });
        return performance.now() - start;
      }),
    );
    return [{ took, line: JSON.stringify({ plan, request }) }];
  });
const slowest = (all: readonly Timed[]) => [...all].sort((a, b) => b.took - a.took).slice(0, KEPT);

const before: Case[] = readFileSync(FILE, "utf8")
  .trim()
  .split("\n")
  .map((line) => JSON.parse(line));
let kept: Timed[] = [];
for (let batch = 0; batch * BATCH < count; batch += 1) {
  const span = [1000, 3000, 20_000, 100_000][batch % 4] ?? 1000;
  kept = slowest([...kept, ...timed(fc.sample(anyCase(span), { seed: seed + batch, numRuns: BATCH }))]);
}
// Last, when all of it is up to speed.
kept = slowest([...kept, ...timed(before)]);
writeFileSync(FILE, `${kept.map(({ line }) => line).join("\n")}\n`);
