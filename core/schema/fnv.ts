/** The offset basis of 32-bit FNV-1a. */
const BASIS = 2_166_136_261;

/**
 * 32-bit FNV-1a over a text's UTF-16 units: the same number for the same text everywhere, and good for nothing secret.
 *
 * @param seed other than the usual one: a number of its own for the same text
 * @example fnv1a("paper") % 6 // one of six, always the same
 */
export function fnv1a(text: string, seed = BASIS): number {
  let value = seed;
  for (let i = 0; i < text.length; i += 1) value = Math.imul(value ^ text.charCodeAt(i), 16_777_619) >>> 0;
  return value;
}
