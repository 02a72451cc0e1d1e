import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plainStreet, streetHas } from "./street.ts";

describe("words of a street", () => {
  // Ways of writing a post office box: common practice, no source.
  it.each([
    ["P.O. Box 1234", "PO box"],
    ["PO BOX 1234", "p.o. box"],
    ["p. o. box 9", "P. O. Box"],
    ["Apartado 104, Évora", "apartado"],
    ["Postfach 11 22", "postfach"],
    ["Rua de Évora 3", "evora"],
    ["1-2-3 Shibuya, 私書箱 5号", "私書箱"],
  ])("%o has %o", (street, words) => {
    expect(streetHas(plainStreet(street), plainStreet(words))).toBe(true);
  });

  it.each([
    ["12 Boxwood Lane", "box"],
    ["Pobox Street 1", "po box"],
    ["Postfachweg 3", "postfach"],
    ["Rua Nova 1", ""],
    ["", "box"],
  ])("%o has not %o", (street, words) => {
    expect(streetHas(plainStreet(street), plainStreet(words))).toBe(false);
  });

  it("are found in any company, whatever case, and reading a plain street again changes nothing", () => {
    const word = fc.stringMatching(/^[a-z0-9]{1,8}$/);
    fc.assert(
      fc.property(fc.array(word, { minLength: 1 }), fc.nat(), (street, which) => {
        const one = street[which % street.length] ?? "";
        const plain = plainStreet(street.join(", "));
        expect(streetHas(plain, plainStreet(one.toUpperCase()))).toBe(true);
        expect(plainStreet(plain)).toBe(plain);
      }),
    );
  });
});
