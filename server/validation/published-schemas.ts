import type { TSchema } from "@sinclair/typebox";
import { ChargeSchema } from "../../core/charges/charge.ts";
import { CHARGE_ID } from "../../core/charges/reference.ts";
import { ConditionSchema } from "../../core/conditions/condition.ts";
import { CONDITION_ID } from "../../core/conditions/reference.ts";
import { RateTable } from "../../core/money/rates.ts";
import { Plan } from "../../core/plan/plan.ts";
import { QuoteRequest } from "../../core/request/request.ts";
import { Catalogue, SampleCarts } from "../catalogue/product.ts";

const DOCUMENTS: Readonly<Record<string, TSchema>> = {
  plan: Plan,
  "quote-request": QuoteRequest,
  "rate-table": RateTable,
  catalogue: Catalogue,
  "sample-carts": SampleCarts,
};

/** Charges and conditions may hold others of their kind: they stand once, and are referred to. */
const SHARED = { [CHARGE_ID]: ChargeSchema, [CONDITION_ID]: ConditionSchema };

/**
 * The JSON Schema (draft 7) of every document that goes in or out as a file, by file name: what is published under
 * schemas/, made from the very definitions that everything is checked by.
 */
export function publishedSchemas(): ReadonlyMap<string, string> {
  return new Map(
    Object.entries(DOCUMENTS).map(([name, schema]) => {
      const body = JSON.stringify(schema);
      const uses = body.includes('"$ref"');
      const published = {
        $schema: "http://json-schema.org/draft-07/schema#",
        ...schema,
        ...(uses ? { definitions: SHARED } : {}),
      };
      return [`${name}.schema.json`, `${JSON.stringify(published, asPublished, 2)}\n`];
    }),
  );
}

/** References become pointers into the document; what only our own checker reads is left out. */
function asPublished(key: string, value: unknown): unknown {
  if (key === "$ref") return `#/definitions/${String(value)}`;
  return key === "discriminator" || key === "$id" ? undefined : value;
}
