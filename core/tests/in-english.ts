import type { Phrase, Written } from "../phrases/phrase.ts";
import { ENGLISH, speakValue } from "../phrases/speak.ts";

const hasOnly = (value: object, ...keys: readonly string[]) => Object.keys(value).every((key) => keys.includes(key));

const isPhrase = (value: object): value is Phrase =>
  "message" in value && typeof value.message === "string" && hasOnly(value, "message", "values");

const isWritten = (value: object): value is Written =>
  (("number" in value || "moment" in value) && "options" in value && hasOnly(value, "number", "moment", "options")) ||
  (("list" in value || "code" in value) && "type" in value && hasOnly(value, "list", "code", "type"));

/**
 * What core answers with its phrases as they read, for comparing: the place in a file is left out, the path says the same.
 *
 * @example inEnglish([{ path: "/at", message: phrase("is missing") }]) // [{ path: "/at", message: "is missing" }]
 */
export function inEnglish(value: unknown): unknown {
  if (typeof value !== "object" || value === null) return value;
  if (Array.isArray(value)) return value.map(inEnglish);
  if (isPhrase(value) || isWritten(value)) return speakValue(value, ENGLISH);
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key]) => key !== "place")
      .map(([key, part]) => [key, inEnglish(part)]),
  );
}
