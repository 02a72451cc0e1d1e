/** A placeholder, or the head of a plural or select block together with the comma that opens its cases. */
export const CHIP = /\{\s*([A-Za-z]\w*)\s*(?:\}|,\s*(plural|selectordinal|select)\s*,)/g;

/** The placeholders of a text, as often as each is there. */
export const chipsIn = (text: string): string[] => [...text.matchAll(CHIP)].map(([, name = ""]) => name);

/** Where the first chip of a name stands, to be taken away on purpose. */
export function chipAt(text: string, name: string): { from: number; to: number } | undefined {
  const found = [...text.matchAll(CHIP)].find(([, one, kind]) => one === name && kind === undefined);
  return found && { from: found.index, to: found.index + found[0].length };
}
