import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { byPosition } from "./atoms.ts";
import { freeId, moved } from "./positions.ts";

describe("positions", () => {
  it("put what is moved where it is dropped, and leave the order of the others as it was", () => {
    const list = fc
      .array(fc.nat(12), { minLength: 1, maxLength: 8 })
      .map((positions) => positions.map((position, i) => ({ id: `o${i}`, position })));
    fc.assert(
      fc.property(list, fc.nat(7), fc.nat(7), (drawn, which, where) => {
        const one = drawn[which % drawn.length];
        if (!one) return;
        const to = where % drawn.length;
        const changed = new Map(moved(drawn, one.id, to).map(({ id, position }) => [id, position]));
        const after = drawn.map(({ id, position }) => ({ id, position: changed.get(id) ?? position }));
        const others = [...drawn].sort(byPosition).filter(({ id }) => id !== one.id);
        const wanted = [...others.slice(0, to), one, ...others.slice(to)].map(({ id }) => id);
        expect([...after].sort(byPosition).map(({ id }) => id)).toEqual(wanted);
        for (const { position } of after) expect(position).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 2000 },
    );
  });

  it("make ids from names in any script that nobody has yet", () => {
    expect(freeId("Entrega rápida!", [])).toBe("entrega-rapida");
    expect(freeId("郵便", ["new"])).toBe("new-2");
    expect(freeId("Post", ["post", "post-2"])).toBe("post-3");
  });
});
