import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { changeLines } from "../explain/change-lines.ts";
import { checkPlan } from "../validation/documents.ts";
import { type Entity, entitiesOf } from "./entities.ts";
import { undonePart } from "./undo-part.ts";

const read = checkPlan(JSON.parse(readFileSync("demo/plan.json", "utf8")));
if ("problems" in read) throw new Error("the demo cannot be read");
const plan = read.value;
const entities = entitiesOf(plan);

/** JSON with whatever it is made of in one order: undoing is free to put keys and parts elsewhere. */
const inOrder = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(inOrder).sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .map(([key, one]): [string, unknown] => [key, inOrder(one)])
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  );
};

/** What lines of changes go by. */
const STAYS = new Set(["id", "kind", "steps"]);
const IS_KEPT = new Set(["id", "kind"]);
const otherCondition = (condition: unknown, draw: () => number) => (draw() > 0.2 ? condition : { kind: "signed-in" });

/** A thing changed at random: values replaced, parts taken away, parts put in twice under a new id. */
function changed(value: unknown, draw: () => number): unknown {
  if (Array.isArray(value)) {
    const list = value.filter(() => draw() > 0.1).map((one) => changed(one, draw));
    const [first] = value;
    return first !== undefined && draw() < 0.15 ? [...list, withNewId(first)] : list;
  }
  if (typeof value === "object" && value !== null)
    return Object.fromEntries(
      Object.entries(value)
        .filter(([key]) => STAYS.has(key) || draw() > 0.08)
        .map(([key, one]) => [
          key,
          key === "when" ? otherCondition(one, draw) : IS_KEPT.has(key) ? one : changed(one, draw),
        ]),
    );
  if (draw() > 0.2) return value;
  return typeof value === "string" ? `${value}x` : typeof value === "number" ? value + 1 : !value;
}
const withNewId = (one: unknown) =>
  typeof one === "object" && one !== null && "id" in one ? { ...one, id: "new" } : one;

const someThing = fc.constantFrom(...entities);
const draws = fc.infiniteStream(fc.double({ min: 0, max: 1, noNaN: true })).map((stream) => () => {
  const { value } = stream.next();
  return typeof value === "number" ? value : 1;
});

/** As it might have been; the text of changes asks of a thing's form only what it is told by. */
const asEntity = (entity: Entity, body: unknown): Entity => Object.assign({ ...entity }, { body });

describe("one change taken back", () => {
  it("line by line, from the last to the first, brings back what was before", () => {
    fc.assert(
      fc.property(someThing, draws, (entity, draw) => {
        const before = entity.body;
        const after = changed(before, draw);
        const lines = changeLines(entity, asEntity(entity, after), plan, plan);
        let now: unknown = after;
        for (const { path } of [...lines].reverse()) {
          const undone = undonePart(now, before, after, path);
          // Refused for what has gone back already, with the list that it is a part of.
          if (undone) now = undone.whole;
        }
        expect(inOrder(now)).toEqual(inOrder(before));
      }),
      { numRuns: 500 },
    );
  });

  it("leaves what others have changed since, and is refused where they changed the same", () => {
    const before = {
      name: "A",
      goal: { EUR: "45.00" },
      on: true,
      steps: [
        { id: "a", n: 1 },
        { id: "b", n: 2 },
      ],
    };
    const after = { name: "B", goal: { EUR: "50.00", USD: "60.00" }, on: true, steps: [{ id: "b", n: 2 }] };
    const now = { ...after, on: false, goal: { ...after.goal, USD: "70.00" } };
    const undo = (...path: string[]) => undonePart(now, before, after, path)?.whole;
    expect(undo("name")).toEqual({ ...now, name: "A" });
    expect(undo("goal", "EUR")).toEqual({ ...now, goal: { EUR: "45.00", USD: "70.00" } });
    expect(undo("goal", "USD")).toBeUndefined();
    const [one, other] = [
      { when: { kind: "all", of: [{ kind: "saved", id: "x" }] } },
      { when: { kind: "saved", id: "x" } },
    ];
    for (const path of [["when", "kind"], ["when", "id"], ["when", "of", "x", "id"], ["when"]])
      expect(undonePart(other, one, other, path)).toEqual({ whole: one });
    for (const path of [["a", "n"], ["a"]]) expect(undo("steps", ...path)).toEqual({ ...now, steps: before.steps });
  });
});
