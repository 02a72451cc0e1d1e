import { joined, type Phrase } from "../phrases/phrase.ts";
import { english } from "../phrases/speak.ts";

/** Something wrong with data that was given, and where: `path` is a JSON Pointer (RFC 6901) into that data. */
export type Problem = {
  path: string;
  message: Phrase;
  /** Where it is in a file that people read, such as a row; the path says the same in English. */
  place?: Phrase;
};

/** @example inFile(phrase("row {row}", { row: 3 }), phrase("is no rate")) */
export const inFile = (place: Phrase, message: Phrase): Problem => ({ path: english(place), message, place });

/** Where it is and what is wrong, in one line. @example problemPhrase({ path: "/at", message: phrase("is missing") }) // "/at is missing" */
export const problemPhrase = ({ path, message, place }: Problem): Phrase => joined([place ?? path, message]);

/** The same in English. */
export const problemLine = (problem: Problem): string => english(problemPhrase(problem));

/** Joins keys into a JSON Pointer, escaping as RFC 6901 says. @example pointer("options", 0, "a/b") // "/options/0/a~1b" */
export function pointer(...keys: readonly (string | number)[]): string {
  return keys.map((key) => `/${String(key).replaceAll("~", "~0").replaceAll("/", "~1")}`).join("");
}
