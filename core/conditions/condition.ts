import { closed, Id } from "../schema/atoms.ts";
import { type Static, type TSchema, Type } from "../schema/type.ts";
import { CONDITION_ID } from "./reference.ts";
import { CONDITION_KINDS, CONNECTIVE_KINDS, type PlainCondition } from "./registry.ts";

/** A statement about shopper, place, cart or moment; all, any and not to any depth; saved ones by their id. */
export type Condition =
  | PlainCondition
  | { kind: "all"; of: Condition[] }
  | { kind: "any"; of: Condition[] }
  | { kind: "not"; of: Condition }
  | { kind: "saved"; id: string };

/** Stands for the schema of conditions wherever one may be written; {@link ConditionSchema} has to be known to Ajv. */
export const ConditionRef = Type.Unsafe<Condition>({ $ref: CONDITION_ID });

export const ConditionSchema: TSchema = Type.Unsafe<Condition>({
  $id: CONDITION_ID,
  type: "object",
  required: ["kind"],
  discriminator: { propertyName: "kind" },
  oneOf: [...CONDITION_KINDS.values(), ...CONNECTIVE_KINDS.values()].map(({ schema }) => schema),
});

/** A condition kept under a name, to be used in many places. */
export const SavedCondition = Type.Object(
  {
    id: Id,
    name: Type.String({ minLength: 1, maxLength: 100 }),
    purpose: Type.Optional(Type.String({ minLength: 1, maxLength: 1000, description: "Internal" })),
    when: ConditionRef,
  },
  { ...closed, title: "SavedCondition" },
);
export type SavedCondition = Static<typeof SavedCondition>;

export type SavedConditions = ReadonlyMap<string, SavedCondition>;

/** A condition by how it is made up: of parts that all or some of have to hold, of one that must not, of another by its id, or plain. */
export type Shape =
  | { readonly role: "every" | "some"; readonly parts: readonly Condition[] }
  | { readonly role: "negation"; readonly part: Condition }
  | { readonly role: "reference"; readonly id: string }
  | { readonly role: "plain"; readonly condition: PlainCondition };

/** The one place that knows how conditions lie in each other. @example shapeOf({ kind: "not", of }) // { role: "negation", part: of } */
export function shapeOf(condition: Condition): Shape {
  switch (condition.kind) {
    case "all":
      return { role: "every", parts: condition.of };
    case "any":
      return { role: "some", parts: condition.of };
    case "not":
      return { role: "negation", part: condition.of };
    case "saved":
      return { role: "reference", id: condition.id };
    default:
      return { role: "plain", condition };
  }
}
