import equal from "fast-deep-equal";
import { add, compare, timesWhole } from "../money/rational.ts";
import type { ClimbInterval, ClimbPrice, ClimbStep } from "./interval.ts";

/** Joins neighbours over which nothing changes but along the same straight lines. */
export function joined(intervals: readonly ClimbInterval[]): ClimbInterval[] {
  const result: ClimbInterval[] = [];
  for (const interval of intervals) {
    const last = result.at(-1);
    const together = last && join(last, interval);
    if (together) result[result.length - 1] = together;
    else result.push(interval);
  }
  return result;
}

function join(a: ClimbInterval, b: ClimbInterval): ClimbInterval | undefined {
  const gap = b.from - a.from;
  if (!a.prices.every((price, i) => goesOn(price, b.prices[i], gap))) return undefined;
  if (!equal(a.offers, b.offers)) return undefined;
  const steps = a.steps.map((left, i) => joinedStep(left, b.steps[i], a, b));
  const whole = steps.filter((step) => step !== undefined);
  if (whole.length < steps.length) return undefined;
  return { from: a.from, to: b.to, prices: a.prices, offers: a.offers, steps: whole };
}

/** A step that stands along one straight line over two neighbours; undefined where it does not. */
function joinedStep(
  left: ClimbStep,
  right: ClimbStep | undefined,
  a: ClimbInterval,
  b: ClimbInterval,
): ClimbStep | undefined {
  if (!right || left.state !== right.state) return undefined;
  if (!left.remaining || !right.remaining) return left.remaining === right.remaining ? left : undefined;
  const [{ start, slope: before }, { start: then, slope: after }] = [left.remaining, right.remaining];
  // One point fits any slope; a longer stretch has its own.
  const slope = ([0, -1] as const).find(
    (one) =>
      (a.from === a.to || before === one) &&
      (b.from === b.to || after === one) &&
      start + one * (b.from - a.from) === then,
  );
  return slope === undefined ? undefined : { state: left.state, remaining: { start, slope } };
}

function goesOn(a: ClimbPrice, b: ClimbPrice | undefined, gap: number): boolean {
  if (typeof a !== "object" || typeof b !== "object") return a === b;
  const there = add(a.start, timesWhole(a.slope, gap));
  return compare(a.slope, b.slope) === 0 && compare(there, b.start) === 0;
}
