/** Something wrong with data that was given, and where: `path` is a JSON Pointer (RFC 6901) into that data. */
export type Problem = { path: string; message: string };

/** Joins keys into a JSON Pointer, escaping as RFC 6901 says. @example pointer("options", 0, "a/b") // "/options/0/a~1b" */
export function pointer(...keys: readonly (string | number)[]): string {
  return keys.map((key) => `/${String(key).replaceAll("~", "~0").replaceAll("/", "~1")}`).join("");
}
