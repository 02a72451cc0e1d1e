import type { ErrorObject } from "ajv";
import { asWritten, orList, type Phrase, phrase } from "../phrases/phrase.ts";
import { MOST_READABLE, nestingProblem } from "../plan/problems/nesting.ts";
import { type Problem, pointer, problemLine } from "../schema/problem.ts";

/** Data of the right shape, or what is wrong with it and where. */
export type Checked<T> = { value: T } | { problems: Problem[] };

/** A schema made into code: see `scripts/validators.ts`. */
export type Validator<T> = ((data: unknown) => data is T) & { errors?: ErrorObject[] | null };

/**
 * A function that checks unknown data by a validator.
 *
 * @example const checkPlan = checkedBy(validators.plan); checkPlan({}) // { problems: [{ path: "/format", message: "is missing" }, …] }
 */
export const checkedBy =
  <T>(validate: Validator<T>): ((data: unknown) => Checked<T>) =>
  (data) => {
    // First: what lies too deep in each other would be too much for the schema's check.
    const nested = nestingProblem(data, MOST_READABLE);
    return nested ? { problems: [nested] } : checkedNow(validate, data);
  };

/** The same by a schema that never names itself: its check goes no deeper than it is, whatever the data. */
export const checkedByFlat =
  <T>(validate: Validator<T>): ((data: unknown) => Checked<T>) =>
  (data) =>
    checkedNow(validate, data);

const checkedNow = <T>(validate: Validator<T>, data: unknown): Checked<T> =>
  validate(data) ? { value: data } : { problems: problemsOf(validate.errors ?? []) };

/** Most problems reported at once; the rest would only bury them. */
const MOST_PROBLEMS = 50;

function problemsOf(errors: readonly ErrorObject[]): Problem[] {
  // Where one of several forms was wanted, why each of them does not fit would only confuse.
  const chosen = errors.filter(({ keyword }) => keyword === "anyOf").map(({ instancePath }) => instancePath);
  const clear = new Set(chosen.filter((choice) => isClear(errors, choice)));
  const choices = chosen.filter((choice) => !clear.has(choice));
  const said = new Set<string>();
  return errors
    .filter(({ instancePath }) => !clear.has(instancePath))
    .filter(
      ({ keyword, instancePath }) =>
        !choices.some(
          (choice) => instancePath.startsWith(`${choice}/`) || (instancePath === choice && keyword !== "anyOf"),
        ),
    )
    .filter(({ keyword }) => keyword !== "oneOf")
    .map((error) => ({ path: placeOf(error), message: wordsOf(error) }))
    .filter(({ path, message }) => {
      const line = problemLine({ path, message });
      return !said.has(line) && said.add(line);
    })
    .slice(0, MOST_PROBLEMS);
}

/** Whether it is clear which form was meant: all others are of another type, and what is wrong lies within. */
function isClear(errors: readonly ErrorObject[], choice: string): boolean {
  const here = errors.filter(({ instancePath, keyword }) => instancePath === choice && keyword !== "anyOf");
  return (
    here.length > 0 &&
    here.every(({ keyword }) => keyword === "type") &&
    errors.some(({ instancePath }) => instancePath.startsWith(`${choice}/`))
  );
}

function placeOf({ instancePath, keyword, params }: ErrorObject): string {
  if (keyword === "additionalProperties") return `${instancePath}${pointer(String(params.additionalProperty))}`;
  if (keyword === "required") return `${instancePath}${pointer(String(params.missingProperty))}`;
  return instancePath;
}

function wordsOf({ keyword, message, params, parentSchema }: ErrorObject): Phrase {
  switch (keyword) {
    case "required":
      return phrase("is missing");
    case "additionalProperties":
      return phrase("is not known here");
    case "anyOf":
      return phrase("has none of the forms allowed here");
    case "const":
      return phrase("must be {value}", { value: JSON.stringify(params.allowedValue) });
    case "enum":
      return phrase("must be one of {values}", { values: params.allowedValues.join(", ") });
    case "discriminator":
      return phrase("has no known {tag}", { tag: params.tag });
    case "pattern": {
      const { description, title, examples } = parentSchema ?? {};
      if (typeof title === "string" && Array.isArray(examples))
        return phrase("must be {title} such as {examples}", {
          title: phrase(`${title.charAt(0).toLowerCase()}${title.slice(1)}`),
          examples: orList(examples.map(String)),
        });
      if (typeof description === "string")
        return phrase("must be: {description}", { description: phrase(description) });
      return message === undefined ? phrase("has the wrong form") : asWritten(message);
    }
    default:
      return message === undefined ? phrase("is not allowed") : asWritten(message);
  }
}
