import * as fc from "fast-check";
import jsonPatch from "fast-json-patch";
import { describe, expect, it } from "vitest";
import { differences } from "./differences.ts";

// Held against RFC 6902 (JSON Patch), as the package fast-json-patch carries it out: the differences, as a patch, make the one of the
// other.
describe("where two bodies differ", () => {
  const json = fc.jsonValue({ maxDepth: 4 }).map((value): unknown => JSON.parse(JSON.stringify(value)));

  it("says all that makes the one of the other, and nothing of what is the same", () => {
    fc.assert(
      fc.property(json, json, fc.dictionary(fc.string(), json, { maxKeys: 3 }), (one, other, shared) => {
        const [before, after] = [
          { ...shared, one, list: [one, shared] },
          { ...shared, one: other, list: [other, shared] },
        ];
        const found = differences(before, after);
        const patch = found.map(({ path, before: was, after: is }) =>
          is === undefined
            ? { op: "remove" as const, path }
            : { op: was === undefined ? ("add" as const) : ("replace" as const), path, value: is },
        );
        const made = jsonPatch.applyPatch(JSON.parse(JSON.stringify(before)), patch, true, true, false).newDocument;
        expect(made).toEqual(after);
        for (const { before: was, after: is } of found) expect(was).not.toEqual(is);
        expect(new Set(found.map(({ path }) => path)).size).toBe(found.length);
        expect(differences(after, after)).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });
});
