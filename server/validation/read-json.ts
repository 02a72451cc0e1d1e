import type { Checked } from "./checker.ts";

/** Parses JSON text; a problem at the root says where in the text it breaks off. */
export function readJson(text: string): Checked<unknown> {
  try {
    const value: unknown = JSON.parse(text);
    return { value };
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { problems: [{ path: "", message: `is not JSON: ${why.replace(/\s+/g, " ").slice(0, 200)}` }] };
  }
}
