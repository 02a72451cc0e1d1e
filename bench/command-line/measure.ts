import { spawnSync } from "node:child_process";
import { fileURLToPath } from "node:url";
import { median } from "../median.ts";

const root = fileURLToPath(new URL("../../", import.meta.url));
const QUOTE = ["bin/summant", "quote", "--plan", "demo/plan.json", "--request", "demo/requests/below-goal.json"];
const ROUNDS = 11;

function timeOf(args: readonly string[]): number {
  const begun = performance.now();
  const { status, stderr } = spawnSync(process.execPath, args, { cwd: root, encoding: "utf8" });
  if (status !== 0) throw new Error(stderr);
  return performance.now() - begun;
}

// The first makes the bundle where sources are newer.
timeOf(QUOTE);
const pairs = Array.from({ length: ROUNDS }, () => ({ nothing: timeOf(["-e", "0"]), quote: timeOf(QUOTE) }));
const [nothing, quote] = [median(pairs.map((pair) => pair.nothing)), median(pairs.map((pair) => pair.quote))];
console.log(
  `summant quote on the demo / node -e 0: ${(quote / nothing).toFixed(1)}  (${quote.toFixed(0)} ms, ${nothing.toFixed(0)} ms; 8 wanted)`,
);
