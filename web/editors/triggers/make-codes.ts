/** Letters and digits that are not mistaken for one another when read aloud or from paper. */
const ALPHABET = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";

/** Codes nobody can guess from one another, ten letters each, none of them there already. */
export function makeCodes(count: number, taken: readonly string[]): string[] {
  const there = new Set(taken);
  const made = new Set<string>();
  while (made.size < count) {
    const bytes = crypto.getRandomValues(new Uint8Array(10));
    // 256 is a multiple of the alphabet's 32 letters: all letters are equally likely.
    const code = [...bytes].map((byte) => ALPHABET[byte % ALPHABET.length]).join("");
    if (!there.has(code)) made.add(code);
  }
  return [...made];
}
