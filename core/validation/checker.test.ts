import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { QuoteRequest } from "../request/request.ts";
import { checkEntity, checkQuoteRequest } from "./documents.ts";
import { CORE_SCHEMAS } from "./schemas.ts";

const DEEP = 200_000;

/** Data in other data, so often that whatever calls itself for each would not come back. */
function nested(wrap: (inner: unknown) => unknown): unknown {
  let data: unknown = "innermost";
  for (let i = 0; i < DEEP; i += 1) data = wrap(data);
  return data;
}
const IN_EACH_OTHER = [
  nested((inner) => [inner]),
  nested((inner) => ({ inner })),
  nested((inner) => ({ kind: "all", of: [inner] })),
];

const request: QuoteRequest = JSON.parse(readFileSync("demo/requests/below-goal.json", "utf8"));

describe("what lies deeper in each other than anything could follow", () => {
  it("is a problem of a request wherever it stands, and nothing breaks", () => {
    expect(checkQuoteRequest(request)).toEqual({ value: request });
    const [line] = request.cart.lines;
    for (const deep of IN_EACH_OTHER) {
      expect(checkQuoteRequest(deep)).toHaveProperty("problems");
      const keys = [...Object.keys(CORE_SCHEMAS.quoteRequest.properties), "never-heard-of"];
      for (const key of keys)
        expect([key, checkQuoteRequest({ ...request, [key]: deep })]).toHaveProperty("1.problems");
      const cart = { ...request.cart, lines: [{ ...line, weight: deep }] };
      expect(checkQuoteRequest({ ...request, cart })).toHaveProperty("problems");
    }
  });

  // What is checked without being measured first.
  it("is not possible by the schema of a request, which never names itself", () => {
    expect(JSON.stringify(CORE_SCHEMAS.quoteRequest)).not.toContain("$ref");
    expect(JSON.stringify(CORE_SCHEMAS.offer)).toContain("$ref");
  });

  it("is a problem of a condition, which says where it becomes too deep", () => {
    const when = IN_EACH_OTHER.at(-1);
    const checked = checkEntity.condition({ id: "deep", name: "Deep", when });
    expect(checked).toMatchObject({ problems: [{ path: `/when${"/of/0".repeat(64)}/of` }] });
  });
});
