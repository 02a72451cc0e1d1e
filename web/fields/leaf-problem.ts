import type { ErrorObject } from "ajv";
import { say } from "../language/say.ts";
import type { LeafName } from "./leaf-names.ts";
import leafValidators, { type SchemaPart } from "./leaf-validators.js";

/**
 * Why a leaf of a schema cannot hold a value, in words for the field it is typed into; null where it can.
 *
 * @example leafProblem("offer/name", "") // "may not be empty"
 */
export function leafProblem(leaf: LeafName, value: unknown): string | null {
  const { allows, schema } = leafValidators[leaf];
  if (allows(value)) return null;
  const errors = allows.errors ?? [];
  const error = errors.find(({ keyword }) => keyword !== "anyOf");
  if (!error) return say("is not allowed here");
  const entry = entryAt(value, error.instancePath);
  return entry === null ? problemWords(error, schema) : `“${entry}”: ${problemWords(error, schema)}`;
}

function problemWords({ keyword, params, schemaPath }: ErrorObject, schema: SchemaPart): string {
  switch (keyword) {
    case "minLength":
      return params.limit === 1 ? say("may not be empty") : say("at least {limit} letters", { limit: params.limit });
    case "maxLength":
      return say("{limit} letters at most", { limit: params.limit });
    case "minItems":
      return params.limit === 1 ? say("needs at least one") : say("needs at least {limit}", { limit: params.limit });
    case "maxItems":
      return say("{limit} at most", { limit: params.limit });
    case "uniqueItems":
      return say("each only once");
    case "type":
    case "minimum":
    case "maximum":
      return numberWords(partAt(schema, schemaPath));
    case "pattern":
      return patternWords(partAt(schema, schemaPath));
    default:
      return say("is not allowed here");
  }
}

/** The entry of a list that an error is about. */
function entryAt(value: unknown, instancePath: string): string | null {
  const index = /^\/(\d+)$/.exec(instancePath)?.[1];
  if (!Array.isArray(value) || index === undefined) return null;
  const letters = [...String(value[Number(index)])];
  return letters.length > LONGEST ? `${letters.slice(0, LONGEST - 1).join("")}…` : letters.join("");
}

/** So much of an entry is enough to find it by, in letters. */
const LONGEST = 24;

/** The part of a schema that a keyword stands in. @param schemaPath of the keyword: "#/items/pattern" */
function partAt(schema: SchemaPart, schemaPath: string): SchemaPart {
  const isPart = (found: unknown): found is SchemaPart => typeof found === "object" && found !== null;
  return schemaPath
    .split("/")
    .slice(1, -1)
    .reduce((part: SchemaPart, key) => {
      const inner = part[key];
      return isPart(inner) ? inner : part;
    }, schema);
}

/** @example "a whole number from 0 to 365" */
function numberWords({ type, minimum, maximum }: SchemaPart): string {
  const figure = type === "integer" ? say("a whole number") : type === "number" ? say("a number") : say("a text");
  const least = String(minimum);
  if (minimum !== undefined && maximum !== undefined)
    return say("{figure} from {least} to {most}", { figure, least, most: String(maximum) });
  return minimum === undefined ? figure : say("{figure}, {least} or more", { figure, least });
}

/** What a pattern asks for, as its schema says it. @example "a time of day such as 18:30" */
function patternWords({ title, description, examples }: SchemaPart): string {
  const words = title ?? description;
  if (typeof words !== "string") return say("is not written like this");
  const begun = say(`${words.charAt(0).toLowerCase()}${words.slice(1)}`);
  return Array.isArray(examples)
    ? say("{begun} such as {examples}", { begun, examples: examples.join(" or ") })
    : begun;
}
