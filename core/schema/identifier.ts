import { Type } from "./type.ts";

/** A name that shops' servers bring along: something is in it, and nothing nobody can type. */
export const IDENTIFIER_PATTERN = "^(?=.*\\S)[^\\u0000-\\u001f\\u007f-\\u009f]*$";

const IDENTIFIER = new RegExp(IDENTIFIER_PATTERN, "u");

/** @example isIdentifier(" ") // false */
export const isIdentifier = (text: string): boolean => IDENTIFIER.test(text);

/** A name by which shops' servers know something, as schemas have it. */
export const Name = (maxLength = 64) =>
  Type.String({
    minLength: 1,
    maxLength,
    title: "A name",
    pattern: IDENTIFIER_PATTERN,
    description: "Not blank, without control characters",
  });
