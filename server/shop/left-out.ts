import type { UnsaidText } from "../../core/messages/format-message.ts";

const told = new Set<string>();
const MOST_TOLD = 1000;

/** Says in the log which texts of a release were left out of a quote, each once: every quote would say it again. */
export function tellUnsaid(release: number, unsaid: readonly UnsaidText[]): void {
  for (const { text, locale, why } of unsaid) {
    const line = `release ${release}: left out, since ${why}: ${JSON.stringify(text)} (${locale})`;
    if (told.has(line)) continue;
    if (told.size >= MOST_TOLD) told.clear();
    told.add(line);
    console.error(line);
  }
}
