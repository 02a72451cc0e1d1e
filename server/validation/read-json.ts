import { phrase } from "../../core/phrases/phrase.ts";
import { pointer } from "../../core/schema/problem.ts";
import type { Checked } from "../../core/validation/checker.ts";

/**
 * Parses JSON text; a problem at the root says where in the text it breaks off. A byte-order mark before it is skipped. A key
 * that stands twice in one object is a problem: which of the two was meant nobody can tell.
 */
export function readJson(text: string): Checked<unknown> {
  const bare = text.startsWith(BYTE_ORDER_MARK) ? text.slice(1) : text;
  let value: unknown;
  try {
    value = JSON.parse(bare);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return {
      problems: [{ path: "", message: phrase("is not JSON: {why}", { why: why.replace(/\s+/g, " ").slice(0, 200) }) }],
    };
  }
  // Looking for it takes long: whether there is any is counted first.
  const repeated = keysWritten(bare) === keysOf(value) ? undefined : repeatedKey(bare);
  return repeated === undefined
    ? { value }
    : { problems: [{ path: repeated, message: phrase("stands twice in the same object") }] };
}

const BYTE_ORDER_MARK = "\uFEFF";
const [QUOTE, COLON, BACKSLASH] = [0x22, 0x3a, 0x5c];

/** How many keys a text writes; of text that is JSON, where a colon outside of a string follows each. */
function keysWritten(text: string): number {
  let keys = 0;
  let inString = false;
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    if (code === QUOTE) inString = !inString;
    else if (code === BACKSLASH) i += 1;
    else if (code === COLON && !inString) keys += 1;
  }
  return keys;
}

/** How many keys a value has, in all that it holds. Nothing here calls itself, however deep it is. */
function keysOf(value: unknown): number {
  let keys = 0;
  const open = [value];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    if (Array.isArray(next)) {
      for (const one of next) if (holdsMore(one)) open.push(one);
    } else if (holdsMore(next)) {
      // Nothing that was parsed has inherited any; a list of them would take longer than looking at them.
      for (const key in next) {
        keys += 1;
        const one = next[key];
        if (holdsMore(one)) open.push(one);
      }
    }
  }
  return keys;
}

const holdsMore = (value: unknown): value is Record<string, unknown> => typeof value === "object" && value !== null;

const TOKEN = /"(?:[^"\\]|\\.)*"|[{}[\],:]/g;

/** An object being read, with its keys so far and the one at hand; or a list, with the number of the entry at hand. */
type Open = { keys: Set<string>; at: string } | { index: number };

/** The first key that stands twice, as a JSON pointer; of text that is JSON. */
function repeatedKey(text: string): string | undefined {
  const open: Open[] = [];
  let last = "";
  for (const [token] of text.matchAll(TOKEN)) {
    const here = open.at(-1);
    if (token === "{") open.push({ keys: new Set(), at: "" });
    else if (token === "[") open.push({ index: 0 });
    else if (token === "}" || token === "]") open.pop();
    else if (token === "," && here && "index" in here) here.index += 1;
    else if (token === ":" && here && "keys" in here) {
      const key: unknown = JSON.parse(last);
      here.at = String(key);
      if (here.keys.has(here.at)) return pointer(...open.map((one) => ("keys" in one ? one.at : one.index)));
      here.keys.add(here.at);
    } else last = token;
  }
  return undefined;
}
