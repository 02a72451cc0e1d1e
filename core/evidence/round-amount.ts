const MANTISSAS = [1, 2, 5, 10];

/**
 * A step that amounts of this size are rounded to where people name them: a tenth of the amount at most, and a one, a two or a five
 * with zeros behind it. Works in minor units, whatever the currency's decimals.
 *
 * @example roundStep(4320) // 200: 43.20 is some number of twos
 */
export function roundStep(amount: number): number {
  const tenth = Math.max(1, amount / 10);
  const power = 10 ** Math.floor(Math.log10(tenth));
  const mantissa = MANTISSAS.findLast((one) => one * power <= tenth) ?? 1;
  return mantissa * power;
}

/**
 * The first round amount above another, with half its round step between them at least.
 *
 * @example roundAbove(4320) // 4500: the next five
 */
export function roundAbove(amount: number): number {
  const step = roundStep(amount);
  const round = Math.max(1, step === 2 * 10 ** Math.floor(Math.log10(step)) ? step * 2.5 : step);
  return Math.ceil((amount + step / 2) / round) * round;
}
