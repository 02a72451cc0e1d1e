import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { entityKinds } from "../../core/plan/entities.ts";
import { sectionAt } from "../names/sections.ts";
import { fieldAddress, nearestPlace } from "./field-address.ts";

const segment = fc.constantFrom("steps", "0", "1", "trigger", "reward", "limits", "when", "charge", "byZone", "azores");
const pointer = fc.array(segment, { minLength: 1, maxLength: 4 }).map((parts) => `/${parts.join("/")}`);

describe("the address of a field", () => {
  it("is in a section, names the thing, and carries the pointer as it is", () => {
    fc.assert(
      fc.property(fc.constantFrom(...entityKinds()), fc.string({ minLength: 1 }), pointer, (kind, id, path) => {
        const address = new URL(fieldAddress({ kind, id, path }), "http://localhost");
        expect(sectionAt(address.pathname)).not.toBeNull();
        expect(address.searchParams.get("at")).toBe(path);
        if (kind !== "store" && kind !== "rates") expect(decodeURIComponent(address.hash)).toContain(id);
      }),
    );
    expect(fieldAddress({ kind: "offer", id: "post", path: "/steps/0/wording/empty" })).toMatch(/^\/wording\?/);
    expect(fieldAddress({ kind: "offer", id: "post" })).toBe("/offers#post");
  });

  it("is met by the narrowest part around it, else by one within it", () => {
    fc.assert(
      fc.property(fc.array(pointer, { maxLength: 8 }), pointer, (places, path) => {
        const found = nearestPlace(places, path);
        const lies = (inner: string, outer: string) => inner === outer || inner.startsWith(`${outer}/`);
        const around = places.filter((place) => lies(path, place));
        if (around.length > 0) {
          expect(lies(path, found ?? "")).toBe(true);
          expect(found?.length).toBe(Math.max(...around.map(({ length }) => length)));
        } else
          expect(found === null ? places.filter((place) => lies(place, path)) : lies(found, path)).toEqual(
            found === null ? [] : true,
          );
      }),
    );
  });
});
