/** Codes are compared without regard to case and surrounding space, as shoppers type them. */
export const normalCode = (code: string) => code.trim().toUpperCase();

/** Whether a text tells one of these codes. @example tellsACode("Enter PaperPost", ["PAPERPOST"]) // true */
export function tellsACode(text: string, codes: Iterable<string>): boolean {
  const read = normalCode(text);
  for (const code of codes) if (read.includes(normalCode(code))) return true;
  return false;
}
