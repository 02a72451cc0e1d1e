/**
 * Shares a whole amount over weights by largest remainder: shares are whole and add up to the amount exactly.
 * For display only; nothing is computed from shares. Equal remainders go to the earlier position.
 *
 * @example shareOut(100, [1, 1, 1]) // [34, 33, 33]
 * @param amount minor units, zero or more
 * @param weights whole numbers, zero or more; when all are zero every share is zero
 */
export function allocate(amount: number, weights: readonly number[]): number[] {
  const sum = weights.reduce((all, weight) => all + weight, 0);
  // Nothing was taken off: every share is its weight.
  if (sum === amount) return [...weights];
  const total = BigInt(sum);
  if (total === 0n) return weights.map(() => 0);
  const parts = weights.map((weight, index) => {
    const product = BigInt(amount) * BigInt(weight);
    return { index, share: product / total, rest: product % total };
  });
  let left = BigInt(amount) - parts.reduce((sum, part) => sum + part.share, 0n);
  const byRest = [...parts].sort((a, b) => (a.rest === b.rest ? a.index - b.index : a.rest > b.rest ? -1 : 1));
  for (const part of byRest) {
    if (left === 0n) break;
    part.share += 1n;
    left -= 1n;
  }
  return parts.map((part) => Number(part.share));
}
