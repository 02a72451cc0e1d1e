import { addWhole, ceil, divide, MOST_EXACT, timesWhole, whole } from "./rational.ts";

/**
 * The least `k` ≥ 0 at which `step` × k, taken modulo `modulus`, lies from `low` to `high`; null: it never does. In about as many steps as
 * the greatest common divisor takes by Euclid's way: where no multiple of the step lies there, going round leaves a smaller question.
 *
 * @param modulus no more than {@link MOST_EXACT}
 * @param low, high 0 ≤ low ≤ high < modulus
 * @example firstInRange(7, 10, 4, 5) // 2: 0, 7, 4
 */
export function firstInRange(step: number, modulus: number, low: number, high: number): number | null {
  if (low === 0) return 0;
  const by = step % modulus;
  if (by === 0) return null;
  const first = Math.ceil(low / by);
  if (first * by <= high) return first;
  const rounds = firstInRange(by - (modulus % by), by, low % by, high % by);
  if (rounds === null) return null;
  const sum = low + modulus * rounds;
  return sum <= MOST_EXACT
    ? Math.ceil(sum / by)
    : ceil(divide(addWhole(timesWhole(whole(modulus), rounds), low), whole(by)));
}
