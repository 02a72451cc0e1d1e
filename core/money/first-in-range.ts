/**
 * The least `k` ≥ 0 at which `step` × k, taken modulo `modulus`, lies from `low` to `high`; null: it never does. In about as many steps as
 * the greatest common divisor takes by Euclid's way: where no multiple of the step lies there, going round leaves a smaller question.
 *
 * @param low, high 0 ≤ low ≤ high < modulus
 * @example firstInRange(7n, 10n, 4n, 5n) // 2n: 0, 7, 4
 */
export function firstInRange(step: bigint, modulus: bigint, low: bigint, high: bigint): bigint | null {
  if (low === 0n) return 0n;
  const by = step % modulus;
  if (by === 0n) return null;
  const first = (low + by - 1n) / by;
  if (first * by <= high) return first;
  const rounds = firstInRange(by - (modulus % by), by, low % by, high % by);
  return rounds === null ? null : (low + modulus * rounds + by - 1n) / by;
}
