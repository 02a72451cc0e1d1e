// Makes code of every schema that data from outside is checked by, so that neither server, command line nor browser compiles
// schemas while they run.
import { writeFileSync } from "node:fs";
import { Ajv } from "ajv";
import standalone from "ajv/dist/standalone/index.js";
import addFormats from "ajv-formats";
import { ChargeSchema } from "../core/charges/charge.ts";
import { CHARGE_ID } from "../core/charges/reference.ts";
import { ConditionSchema } from "../core/conditions/condition.ts";
import { CONDITION_ID } from "../core/conditions/reference.ts";
import { isRecord } from "../core/schema/is-record.ts";
import { CORE_SCHEMAS } from "../core/validation/schemas.ts";
import { SERVER_SCHEMAS } from "../server/validation/schemas.ts";
import { checkedLeaves } from "./schema-leaves.ts";

type Json = { readonly [key: string]: unknown };

/** Smaller parts are not worth a function of their own. */
const SMALL = 150;

/**
 * Schemas in which every larger part that stands in several places stands once and is referred to: the code becomes a fifth as
 * long. Choices by `kind` keep their parts where they are, since the key is looked for in them.
 */
function shared(schemas: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const parts = new Map<string, { name: string; times: number }>();
  const keyOf = ({ description: _, ...rest }: Json) => JSON.stringify(rest);
  const isPart = (value: Json) => (typeof value.type === "string" || "anyOf" in value) && !("$id" in value);
  const each = (value: unknown, inChoice: boolean, isTop: boolean, look: (part: Json) => boolean): void => {
    if (Array.isArray(value)) for (const one of value) each(one, inChoice, isTop, look);
    if (!isRecord(value) || (!inChoice && !isTop && isPart(value) && look(value))) return;
    for (const [key, inner] of Object.entries(value)) {
      if (isRecord(inner) && (key === "properties" || key === "patternProperties"))
        for (const property of Object.values(inner)) each(property, false, false, look);
      else if (typeof inner === "object") each(inner, key === "oneOf", false, look);
    }
  };
  const count = (part: Json): boolean => {
    const key = keyOf(part);
    const known = parts.get(key);
    if (known) known.times += 1;
    else if (key.length > SMALL)
      parts.set(key, { name: `${String(part.title ?? "Part").replaceAll(/\W/g, "")}-${parts.size}`, times: 1 });
    return known !== undefined;
  };
  for (const schema of Object.values(schemas)) each(schema, false, true, count);
  const made = new Map<string, unknown>();
  const rewritten = (value: unknown, inChoice: boolean, isTop: boolean): unknown => {
    if (Array.isArray(value)) return value.map((one) => rewritten(one, inChoice, isTop));
    if (!isRecord(value)) return value;
    const part = !inChoice && !isTop && isPart(value) ? parts.get(keyOf(value)) : undefined;
    if (part && part.times > 1) {
      const { description: _, ...rest } = value;
      if (!made.has(part.name)) {
        made.set(part.name, null);
        made.set(part.name, rewritten(rest, false, true));
      }
      return { $ref: part.name };
    }
    return Object.fromEntries(
      Object.entries(value).map(([key, inner]) => [
        key,
        isRecord(inner) && (key === "properties" || key === "patternProperties")
          ? Object.fromEntries(Object.entries(inner).map(([name, one]) => [name, rewritten(one, false, false)]))
          : rewritten(inner, key === "oneOf", false),
      ]),
    );
  };
  const wholes = Object.entries(schemas).map(([name, schema]) => [name, rewritten(schema, false, true)]);
  return Object.fromEntries([...made, ...wholes]);
}

/** What the code of ajv asks of other modules, as imports that node, the bundler and the browser read alike. */
const NEEDED = [
  ['require("ajv/dist/runtime/ucs2length").default', "ucs2length", "ajv/dist/runtime/ucs2length.js"],
  ['require("ajv/dist/runtime/equal").default', "equal", "ajv/dist/runtime/equal.js"],
  ['require("ajv-formats/dist/formats")', "formats", "ajv-formats/dist/formats.js"],
] as const;

/** Code as ajv made it, with what it asks of other modules imported. */
function withImports(code: string, last: string): string {
  const imports: string[] = [];
  let whole = code;
  for (const [required, name, module] of NEEDED) {
    if (!whole.includes(required)) continue;
    imports.push(
      `import ${name}Module from "${module}";`,
      `const ${name}Needed = ${name}Module.default ?? ${name}Module;`,
    );
    whole = whole.replaceAll(required, `${name}Needed`);
  }
  return `// Made by scripts/validators.ts.\n${imports.join("\n")}\n${whole}\n${last}\n`;
}

/** @param verbose whether errors carry the schema that they come from */
function compiler(verbose: boolean): Ajv {
  const ajv = new Ajv({
    allErrors: true,
    verbose,
    discriminator: true,
    strict: true,
    strictRequired: false,
    addUsedSchema: false,
    inlineRefs: false,
    code: { source: true, esm: true },
  });
  addFormats.default(ajv, ["date-time"]);
  return ajv;
}

function codeOf(schemas: Readonly<Record<string, unknown>>): string {
  // Problems say what a pattern means, which stands beside it.
  const ajv = compiler(true);
  // Without what only TypeBox reads.
  const plain: Record<string, unknown> = JSON.parse(
    JSON.stringify({ ...schemas, [CONDITION_ID]: ConditionSchema, [CHARGE_ID]: ChargeSchema }),
  );
  for (const [name, schema] of Object.entries(shared(plain))) {
    if (!isRecord(schema)) throw new Error(`${name} is no schema`);
    const { $id: _, ...rest } = schema;
    ajv.addSchema(rest, name);
  }
  const names = Object.keys(schemas);
  let code = standalone(ajv, Object.fromEntries(names.map((name) => [name, name])));
  for (const name of names) code = code.replace(`export const ${name} = `, `const ${name} = `);
  return withImports(code, `export default { ${names.join(", ")} };`);
}

/** A function and its schema for each leaf; leaves that allow the same share them. */
function codeOfLeaves(): string {
  const ajv = compiler(false);
  const named = new Map<string, string>();
  const rows = [...checkedLeaves()].map(([leaf, schema]) => {
    const text = JSON.stringify(schema);
    const name = named.get(text) ?? `leaf${named.size}`;
    if (!named.has(text)) ajv.addSchema(JSON.parse(text), name);
    named.set(text, name);
    return `  "${leaf}": form${name},`;
  });
  let code = standalone(ajv, Object.fromEntries([...named.values()].map((name) => [name, name])));
  for (const name of named.values()) code = code.replace(`export const ${name} = `, `const ${name} = `);
  const forms = [...named].map(([text, name]) => `const form${name} = { allows: ${name}, schema: ${text} };`);
  return withImports(code, `${forms.join("\n")}\nexport default {\n${rows.join("\n")}\n};`);
}

writeFileSync(new URL("../core/validation/validators.js", import.meta.url), codeOf(CORE_SCHEMAS));
writeFileSync(new URL("../server/validation/validators.js", import.meta.url), codeOf(SERVER_SCHEMAS));
writeFileSync(new URL("../web/fields/leaf-validators.js", import.meta.url), codeOfLeaves());
