import { writeFileSync } from "node:fs";
import * as fc from "fast-check";
import { quote } from "../../core/quote/quote.ts";
import { compile } from "../../core/tariff/compile.ts";
import { anyCase } from "../../core/tests/arbitrary.ts";

// node --import tsx bench/engine/find-slow-plans.ts SEED COUNT: writes the slowest of so many drawn plans anew.
const [seed = 1, count = 20_000] = process.argv.slice(2).map(Number);
const KEPT = 220;
const BATCH = 500;
let kept: { took: number; line: string }[] = [];
for (let batch = 0; batch * BATCH < count; batch += 1) {
  const span = [1000, 3000, 20_000, 100_000][batch % 4] ?? 1000;
  const timed = fc.sample(anyCase(span), { seed: seed + batch, numRuns: BATCH }).flatMap(({ plan, request }) => {
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
  kept = [...kept, ...timed].sort((a, b) => b.took - a.took).slice(0, KEPT);
}
writeFileSync("bench/engine/slow-plans.jsonl", `${kept.map(({ line }) => line).join("\n")}\n`);
