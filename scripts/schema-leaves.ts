import { ChargeSchema } from "../core/charges/charge.ts";
import { CHARGE_ID } from "../core/charges/reference.ts";
import { ConditionSchema } from "../core/conditions/condition.ts";
import { CONDITION_ID } from "../core/conditions/reference.ts";
import { LeavesOut } from "../core/measures/goods-filter.ts";
import { LadderMark, Mark } from "../core/measures/measure-spec.ts";
import { OnlyGoods, OnlyPieces, ShareGoods } from "../core/measures/only-goods.ts";
import { Amount, Rounding } from "../core/money/amount.ts";
import { ENTITY_KINDS, entityKinds } from "../core/plan/entities.ts";
import { Decimal, Percent } from "../core/schema/atoms.ts";
import type { TSchema } from "../core/schema/type.ts";
import { Product } from "../server/catalogue/product.ts";
import { Standpoint } from "../server/saved/standpoint-schema.ts";

/** A leaf of a schema: what is set as a whole, such as a text, a number, a choice or a list of short texts. */
export type Leaf = {
  /**
   * The way to it by the names of properties: lists add nothing, a record's key is `*`, and a choice adds the kind that was
   * made. @example "offer/steps/reward/percent-off/percent"
   */
  readonly name: string;
  /** Its forms: several where a choice has it in more than one of its members. */
  readonly schemas: readonly TSchema[];
};

/** Charges and conditions hold others of their kind: each is a tree of its own. */
const TREES: Readonly<Record<string, string>> = { [CHARGE_ID]: "charge", [CONDITION_ID]: "when" };

/**
 * An amount, a point on a scale, and a pick of goods is a leaf where it stands, since the same fields edit it everywhere; what it is made of is a
 * tree of its own. By the title of its schema.
 */
const EDITED_ALIKE: ReadonlyMap<unknown, string> = new Map([
  [Amount.title, "amount"],
  [Mark.title, "mark"],
  [LadderMark.title, "mark"],
  [OnlyGoods.title, "only"],
  [OnlyPieces.title, "only"],
  [ShareGoods.title, "only"],
]);
const treeOf = (schema: TSchema): string | undefined => EDITED_ALIKE.get(schema.title);

/** Whatever is edited, by the first part of its leaves' names: the plan's entities, then what is not in a plan. */
const ROOTS: ReadonlyMap<string, TSchema> = new Map<string, TSchema>([
  ...entityKinds().map((kind): [string, TSchema] => [kind, ENTITY_KINDS[kind].schema]),
  ["when", ConditionSchema],
  ["charge", ChargeSchema],
  ["product", Product],
  // What stands in many places, and is typed into the same field everywhere.
  ["amount", Amount],
  ["figure", Decimal],
  ["percent", Percent],
  ["mark", Mark],
  ["rounding", Rounding],
  ["leavesOut", LeavesOut],
  ["only", OnlyPieces],
  ["standpoint", Standpoint],
]);

function rootOf(name: string): TSchema {
  const schema = ROOTS.get(name);
  if (!schema) throw new RangeError(`there is no schema "${name}"`);
  return schema;
}

/** Every leaf below `root`, by name. */
export function leavesOf(root: string): ReadonlyMap<string, Leaf> {
  const schemas = new Map<string, TSchema[]>();
  const visit = (name: string, schema: TSchema): void => {
    for (const step of stepsInto(schema)) {
      const at = step.name === null ? name : `${name}/${step.name}`;
      if (step.isLeaf) schemas.set(at, [...(schemas.get(at) ?? []), step.schema]);
      else visit(at, step.schema);
    }
  };
  visit(root, rootOf(root));
  return new Map([...schemas].map(([name, forms]) => [name, { name, schemas: forms }]));
}

/** What each leaf that is typed allows: those that are chosen or ticked cannot be wrong. */
export function checkedLeaves(): ReadonlyMap<string, object> {
  const leaves = [...ROOTS.keys()].flatMap((root) => [...leavesOf(root).values()]);
  return new Map(
    leaves.flatMap(({ name, schemas }): [string, object][] => {
      const forms = new Map(schemas.filter(isTyped).map((schema) => [JSON.stringify(schema), schema]));
      const [only, ...others] = forms.values();
      return only ? [[name, others.length > 0 ? { anyOf: [...forms.values()] } : only]] : [];
    }),
  );
}

/** The names of these as a type; kept in `leaf-names.ts`, so that a field of a leaf that is none does not compile. */
export function leafNamesText(): string {
  const names = [...checkedLeaves().keys()].sort().map((name) => `  | "${name}"`);
  return `/** A leaf of a schema that is typed. Made by \`npm run schemas\`. */\nexport type LeafName =\n${names.join("\n")};\n`;
}

const isTyped = (schema: TSchema): boolean =>
  schema.anyOf?.some(isTyped) ??
  (["string", "number", "integer", "array"].includes(schema.type) && !("const" in schema));

/** A leaf of a body: where it stands, as a JSON pointer, its name and what it holds. */
export type LeafValue = { readonly path: string; readonly leaf: string; readonly value: unknown };

/** The leaves that a body has, with what they hold. @param body of the form of `root` */
export function leafValuesOf(root: string, body: unknown): LeafValue[] {
  const found: LeafValue[] = [];
  const visit = (name: string, schema: TSchema, value: unknown, path: string): void => {
    if (value === undefined) return;
    const alike = treeOf(schema);
    if (alike !== undefined && alike !== name) {
      found.push({ path, leaf: name, value });
      visit(alike, rootOf(alike), value, path);
      return;
    }
    const tree = typeof schema.$ref === "string" ? TREES[schema.$ref] : undefined;
    if (tree !== undefined) visit(tree, rootOf(tree), value, path);
    else if (isLeaf(schema)) found.push({ path, leaf: name, value });
    else if (Array.isArray(value))
      for (const [i, one] of value.entries()) visit(name, schema.items, one, `${path}/${i}`);
    else if (typeof value !== "object" || value === null) found.push({ path, leaf: name, value });
    else visitObject(name, schema, new Map(Object.entries(value)), path);
  };
  const visitObject = (name: string, schema: TSchema, value: ReadonlyMap<string, unknown>, path: string): void => {
    if (schema.anyOf) {
      const member = memberFor(schema.anyOf, value);
      if (treeOf(member) !== undefined) visit(name, member, Object.fromEntries(value), path);
      else visitObject(name, member, value, path);
    } else if (schema.oneOf) {
      const tag = tagOf(schema);
      const kind = value.get(tag);
      found.push({ path: `${path}/${tag}`, leaf: `${name}/${tag}`, value: kind });
      const member = schema.oneOf.find((one: TSchema) => one.properties[tag].const === kind);
      const rest = new Map([...value].filter(([key]) => key !== tag));
      visitObject(`${name}/${kind}`, member, rest, path);
    } else {
      const [inside] = Object.values<TSchema>(schema.patternProperties ?? {});
      for (const [key, inner] of value) {
        const own = schema.properties?.[key];
        if (own) visit(`${name}/${key}`, own, inner, `${path}/${key}`);
        else if (inside) visit(`${name}/*`, inside, inner, `${path}/${key}`);
      }
    }
  };
  visit(root, rootOf(root), body, "");
  return found;
}

/** The member of a choice that knows most of what is there. */
function memberFor(members: readonly TSchema[], value: ReadonlyMap<string, unknown>): TSchema {
  const known = ({ properties = {} }: TSchema) =>
    [...value.keys()].filter((key) => Object.hasOwn(properties, key)).length;
  const [first, ...others] = members;
  if (!first) throw new TypeError("a choice of nothing");
  return others.reduce((best, member) => (known(member) > known(best) ? member : best), first);
}

type SchemaStep = { readonly name: string | null; readonly schema: TSchema; readonly isLeaf: boolean };

/** What a schema is made of; a leaf is its own only step. */
function stepsInto(schema: TSchema): SchemaStep[] {
  if (schema.$ref) return [];
  if (isLeaf(schema)) return [{ name: null, schema, isLeaf: true }];
  if (schema.anyOf)
    return schema.anyOf
      .filter(isMade)
      .map((member: TSchema) => ({ name: null, schema: member, isLeaf: isLeafInside(member) }));
  if (schema.oneOf) {
    const tag = tagOf(schema);
    return schema.oneOf.filter(isMade).flatMap((member: TSchema) => {
      const { [tag]: kind, ...properties } = member.properties;
      return [
        { name: tag, schema: kind, isLeaf: true },
        { name: kind.const, schema: { ...member, properties }, isLeaf: false },
      ];
    });
  }
  if (schema.type === "array") return [{ name: null, schema: schema.items, isLeaf: false }];
  const named = Object.entries<TSchema>(schema.properties ?? {});
  const others = Object.values<TSchema>(schema.patternProperties ?? {}).map((inner): [string, TSchema] => ["*", inner]);
  return [...named, ...others].map(([name, own]) => ({ name, schema: own, isLeaf: isLeafInside(own) }));
}

/** Only former plans have what is deprecated: it is read, and not made anew. */
const isMade = ({ deprecated }: TSchema): boolean => deprecated !== true;

const isLeafInside = (schema: TSchema): boolean => treeOf(schema) !== undefined || isLeaf(schema);

const tagOf = (schema: TSchema): string => schema.discriminator.propertyName;

/** Whether there is nothing inside that could be set alone. */
function isLeaf(schema: TSchema): boolean {
  if (schema.$ref || schema.oneOf) return false;
  if (schema.anyOf) return schema.anyOf.every(isLeaf);
  if (schema.type === "array") return Array.isArray(schema.items) || isLeaf(schema.items);
  return schema.type !== "object";
}
