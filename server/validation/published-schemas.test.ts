import { readdirSync, readFileSync } from "node:fs";
import { Ajv } from "ajv";
import addFormats from "ajv-formats";
import { describe, expect, it } from "vitest";
import { publishedSchemas } from "./published-schemas.ts";

const root = new URL("../../", import.meta.url);
const read = (path: string) => readFileSync(new URL(path, root), "utf8");

/** A validator as anyone may bring it, who knows nothing but the published file. */
function validator(name: string) {
  const ajv = new Ajv({ strict: true, strictTypes: false, strictRequired: false, strictTuples: false });
  addFormats.default(ajv);
  return ajv.compile(JSON.parse(read(`schemas/${name}.schema.json`)));
}

describe("the published schemas", () => {
  it("are what the definitions say now (npm run schemas writes them anew)", () => {
    const fresh = publishedSchemas();
    expect(readdirSync(new URL("schemas/", root)).sort()).toEqual([...fresh.keys()].sort());
    for (const [name, text] of fresh) expect(read(`schemas/${name}`), name).toBe(text);
  });

  it("accept the demo, and refuse it broken at the same place as our own checks do", () => {
    const plan = validator("plan");
    const text = read("demo/plan.json");
    expect(plan(JSON.parse(text))).toBe(true);
    expect(plan(JSON.parse(text.replace('"kind": "flat"', '"kind": "flet"')))).toBe(false);
    expect(plan.errors?.map(({ instancePath }) => instancePath)).toContain("/options/0/charge/kind");
    expect(plan(JSON.parse(text.replace('"45.00"', '"45,00"')))).toBe(false);
    expect(validator("catalogue")(JSON.parse(read("demo/catalogue.json")))).toBe(true);
    expect(validator("sample-carts")(JSON.parse(read("demo/carts.json")))).toBe(true);
    const request = validator("quote-request");
    for (const name of readdirSync(new URL("demo/requests/", root)))
      expect(request(JSON.parse(read(`demo/requests/${name}`))), name).toBe(name !== "negative-price.json");
  });

  it("accept every example in the description of the plan format, each with all its kinds", () => {
    const plan: { definitions: Record<string, object>; properties: Record<string, { items: object }> } = JSON.parse(
      read("schemas/plan.schema.json"),
    );
    const blocks = [...read("docs/plan-format.md").matchAll(/^### (.+)\n[\s\S]*?```json\n([\s\S]*?)```/gm)];
    expect(blocks.length).toBeGreaterThan(6);
    const { definitions, properties } = plan;
    const schemas: Record<string, object | undefined> = {
      ...definitions,
      Market: properties.markets?.items,
      Zone: properties.zones?.items,
      Location: properties.locations?.items,
      Option: properties.options?.items,
      Offer: properties.offers?.items,
      Rates: properties.rates?.items,
    };
    for (const [, title = "", json = ""] of blocks) {
      const schema = schemas[title];
      if (!schema) throw new Error(`${title} is no part of a plan`);
      const ajv = new Ajv({ strict: false });
      addFormats.default(ajv);
      const validate = ajv.compile({ ...schema, definitions });
      for (const example of JSON.parse(json)) {
        validate(example);
        expect(validate.errors ?? [], JSON.stringify(example)).toEqual([]);
      }
    }
    const kinds = (title: string) => {
      const [, , json = "[]"] = blocks.find(([, name]) => name === title) ?? [];
      return new Set([...json.matchAll(/"kind": "([a-z-]+)"/g)].map(([, kind]) => kind));
    };
    const known = (name: string) => {
      const text = JSON.stringify(definitions[name]);
      return [...text.matchAll(/"kind":\{"const":"([a-z-]+)"/g)].flatMap(([, kind]) => kind ?? []);
    };
    for (const title of ["Charge", "Condition"]) {
      const missing = known(title).filter((kind) => !kinds(title).has(kind));
      expect(missing, `kinds of ${title} without an example`).toEqual([]);
    }
    const offers = JSON.stringify(properties.offers?.items);
    const offerKinds = [...offers.matchAll(/"kind":\{"const":"([a-z-]+)"/g)].flatMap(([, kind]) => kind ?? []);
    expect(offerKinds.filter((kind) => !kinds("Offer").has(kind))).toEqual([]);
  });
});
