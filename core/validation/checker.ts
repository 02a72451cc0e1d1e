import type { Static, TSchema } from "@sinclair/typebox";
import { Ajv, type ErrorObject } from "ajv";
import addFormats from "ajv-formats";
import { ChargeSchema } from "../charges/charge.ts";
import { ConditionSchema } from "../conditions/condition.ts";
import { MOST_READABLE, nestingProblem } from "../plan/problems/nesting.ts";
import type { Problem } from "../schema/problem.ts";

/** Data of the right shape, or what is wrong with it and where. */
export type Checked<T> = { value: T } | { problems: Problem[] };

const ajv = new Ajv({
  allErrors: true,
  // Problems say what a pattern means, which stands beside it.
  verbose: true,
  discriminator: true,
  strict: true,
  strictRequired: false,
  addUsedSchema: false,
});
addFormats.default(ajv, ["date-time"]);
ajv.addSchema([ConditionSchema, ChargeSchema]);

/** A function that checks unknown data against a schema. Compile once, at module level. */
export function checker<Schema extends TSchema>(schema: Schema): (data: unknown) => Checked<Static<Schema>> {
  const validate = ajv.compile<Static<Schema>>(schema);
  return (data) => {
    // First: what lies too deep in each other would be too much for the schema's check.
    const nested = nestingProblem(data, MOST_READABLE);
    if (nested) return { problems: [nested] };
    return validate(data) ? { value: data } : { problems: problemsOf(validate.errors ?? []) };
  };
}

/** Most problems reported at once; the rest would only bury them. */
const MOST_PROBLEMS = 50;

function problemsOf(errors: readonly ErrorObject[]): Problem[] {
  const choices = errors.filter(({ keyword }) => keyword === "anyOf").map(({ schemaPath }) => schemaPath);
  const said = new Set<string>();
  return errors
    .filter(({ schemaPath }) => !choices.some((choice) => schemaPath !== choice && schemaPath.startsWith(`${choice}/`)))
    .filter(({ keyword }) => keyword !== "oneOf")
    .map((error) => ({ path: placeOf(error), message: wordsOf(error) }))
    .filter(({ path, message }) => {
      const line = `${path} ${message}`;
      return !said.has(line) && said.add(line);
    })
    .slice(0, MOST_PROBLEMS);
}

function placeOf({ instancePath, keyword, params }: ErrorObject): string {
  if (keyword === "additionalProperties") return `${instancePath}/${escaped(params.additionalProperty)}`;
  if (keyword === "required") return `${instancePath}/${escaped(params.missingProperty)}`;
  return instancePath;
}

const escaped = (key: unknown) => String(key).replaceAll("~", "~0").replaceAll("/", "~1");

function wordsOf({ keyword, message, params, parentSchema }: ErrorObject): string {
  switch (keyword) {
    case "required":
      return "is missing";
    case "additionalProperties":
      return "is not known here";
    case "anyOf":
      return "has none of the forms allowed here";
    case "const":
      return `must be ${JSON.stringify(params.allowedValue)}`;
    case "enum":
      return `must be one of ${params.allowedValues.join(", ")}`;
    case "discriminator":
      return `has no known ${params.tag}`;
    case "pattern": {
      const meaning = parentSchema?.description;
      return typeof meaning === "string" ? `must be: ${meaning}` : (message ?? "has the wrong form");
    }
    default:
      return message ?? "is not allowed";
  }
}
