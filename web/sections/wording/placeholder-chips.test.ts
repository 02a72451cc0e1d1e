import { EditorState } from "@codemirror/state";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { chipAt, chipsIn } from "./chips.ts";
import { placeholderChips } from "./placeholder-chips.ts";

const ALLOWED = ["remaining", "goal"];
const stateOf = (doc: string) => EditorState.create({ doc, extensions: placeholderChips(ALLOWED) });

describe("placeholders as chips", () => {
  it("survive whatever is typed, pasted, cut or dropped over them", () => {
    const piece = fc.constantFrom(
      "{remaining}",
      "{goal}",
      "Add ",
      " more",
      "{remaining, plural, one {# x} other {# y}}",
      "é",
      "\n",
    );
    const edit = fc.record({
      from: fc.nat(60),
      length: fc.nat(40),
      insert: fc.constantFrom("", "x", "free ", "{", "}", "{other}", "{goal}"),
      event: fc.constantFrom("input.type", "input.paste", "input.drop", "delete.backward", "delete.cut", "move.drop"),
    });
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 8 }), fc.array(edit, { maxLength: 12 }), (pieces, edits) => {
        let state = stateOf(pieces.join(""));
        const known = () =>
          chipsIn(state.doc.toString())
            .filter((name) => ALLOWED.includes(name))
            .sort();
        for (const { from, length, insert, event } of edits) {
          const before = known();
          const start = Math.min(from, state.doc.length);
          const end = Math.min(start + length, state.doc.length);
          state = state.update({ changes: { from: start, to: end, insert }, userEvent: event }).state;
          // Each that was there is there still; more may have come.
          const left = [...known()];
          for (const name of before) {
            const at = left.indexOf(name);
            expect(at, `${name} was lost`).toBeGreaterThanOrEqual(0);
            left.splice(at, 1);
          }
        }
      }),
      { numRuns: 500, seed: 20261124 },
    );
  });

  it("go when they are taken away on purpose, and what is no placeholder here is plain text", () => {
    const text = "Add {remaining} of {goal}";
    const chip = chipAt(text, "goal");
    expect(chip).toEqual({ from: 19, to: 25 });
    expect(chip && stateOf(text).update({ changes: chip }).state.doc.toString()).toBe("Add {remaining} of ");
    const wrong = stateOf("Add {wrong}");
    expect(wrong.update({ changes: { from: 4, to: 11 }, userEvent: "delete.backward" }).state.doc.toString()).toBe(
      "Add ",
    );
  });
});
