import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { entitiesOf } from "../core/plan/entities.ts";
import { anyCase } from "../core/tests/arbitrary.ts";
import { leafNamesText, leafValuesOf, leavesOf } from "./schema-leaves.ts";

describe("the leaves of the schemas", () => {
  it("are kept by name for the fields: `npm run schemas` writes them anew", () => {
    expect(readFileSync(new URL("../web/fields/leaf-names.ts", import.meta.url), "utf8")).toBe(leafNamesText());
  });

  it("are all that any plan is made of", () => {
    const known = new Set(
      [
        "store",
        "market",
        "zone",
        "option",
        "offer",
        "location",
        "condition",
        "rates",
        "notice",
        "when",
        "charge",
        "amount",
        "mark",
        "only",
      ].flatMap((root) => [...leavesOf(root).keys()]),
    );
    fc.assert(
      fc.property(anyCase(2000), ({ plan }) => {
        for (const { kind, body } of entitiesOf(plan)) {
          const found = leafValuesOf(kind, body);
          expect(found.filter(({ leaf }) => !known.has(leaf))).toEqual([]);
          // Each where it stands: the value at the path is the value of the leaf.
          for (const { path, value } of found) {
            const keys = path.split("/").slice(1);
            const there = keys.reduce<unknown>(
              (at, key) => (typeof at === "object" && at !== null ? Reflect.get(at, key) : undefined),
              body,
            );
            expect(there).toEqual(value);
          }
        }
      }),
    );
  });
});
