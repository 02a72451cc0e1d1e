// @vitest-environment jsdom
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Offer } from "../../core/offers/offer.ts";
import type { Entity } from "../../core/plan/entities.ts";
import { entitiesOf } from "../../core/plan/entities.ts";
import { compiledPlan } from "../../core/tests/compiled.ts";
import { oneZonePlan } from "../../core/tests/one-zone.ts";
import type { Draft } from "../../server/draft/read-draft.ts";
import { type Asked, draftOf, standInServer } from "../tests/stand-in-server.ts";
import { DraftStore } from "./draft-store.ts";

// What no journey can bring about at will: answers in any order, a browser without room. Saving as such is journeyed.

const offer: Offer = {
  id: "free",
  position: 1,
  name: "Free delivery",
  on: true,
  zones: ["z"],
  counts: { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } },
  steps: [
    {
      id: "one",
      position: 1,
      trigger: { kind: "goal", goal: { at: { byCurrency: { EUR: "50.00" } }, edge: "from" } },
      reward: { kind: "free", options: ["standard"] },
      wording: {},
    },
  ],
};
const other = { ...offer, id: "other", position: 2, name: "Other" };
const plan = oneZonePlan({
  options: [
    {
      id: "standard",
      position: 1,
      name: { en: "Standard" },
      zones: ["z"],
      charge: { kind: "flat", amount: { byCurrency: { EUR: "4.90" } } },
    },
  ],
  offers: [offer, other],
});

const named = (one: Offer, name: string): Entity => ({ kind: "offer", id: one.id, body: { ...one, name } });
const nameIn = (store: DraftStore, id = "free") => store.snapshot().plan?.offers.find((one) => one.id === id)?.name;
const soon = () => new Promise((resolve) => setTimeout(resolve));

let asked: Asked[];
let store: DraftStore;
let first: Draft;

/** The oldest request to a path that has not been answered. */
function next(path: string): Asked {
  const index = asked.findIndex((one) => one.path === path);
  const [found] = index < 0 ? [] : asked.splice(index, 1);
  if (!found) throw new Error(`nobody asks for ${path}`);
  return found;
}

/** What the server answers to a save: all that was sent, as `sequence`. */
const savedAs = (sequence: number, ...entities: Entity[]) => ({
  sequence,
  entities: entities.map((entity) => ({ ...entity, revision: sequence })),
  removed: [],
});

beforeEach(async () => {
  localStorage.clear();
  sessionStorage.clear();
  ({ asked } = standInServer({}));
  store = new DraftStore();
  first = draftOf(entitiesOf(plan));
  const loading = store.load();
  next("/api/draft").answer(first);
  await loading;
});

describe("the draft in the browser", () => {
  it("compiles an edit once, and nothing anew when it has been saved", async () => {
    store.commit(named(offer, "Renamed"));
    const { compiled } = store.snapshot();
    expect(compiled?.plan.offers[0]?.name).toBe("Renamed");
    next("/api/draft/changes").answer(savedAs(first.sequence + 1, named(offer, "Renamed")));
    await soon();
    expect(store.snapshot()).toMatchObject({ unsaved: 0, save: { kind: "saved" } });
    expect(store.snapshot().compiled).toBe(compiled);
    // Nothing was read again.
    expect(asked).toEqual([]);
    expect(store.snapshot().draft?.changes).toHaveLength(1);
  });

  it("shows an edit that cannot compile, says what is wrong with it, and answers from the last sound plan", () => {
    store.commit({ kind: "offer", id: offer.id, body: { ...offer, zones: ["nowhere"] } });
    const { plan: shown, compiled, planProblems } = store.snapshot();
    expect(shown?.offers[0]?.zones).toEqual(["nowhere"]);
    expect(compiled?.plan.offers[0]?.zones).toEqual(["z"]);
    expect(planProblems).toEqual([expect.stringContaining("offer “Free delivery”: ")]);
    store.undo();
    expect(store.snapshot().planProblems).toEqual([]);
    expect(store.snapshot().compiled?.plan).toEqual(compiledPlan(plan).plan);
  });

  it("holds on to edits that the browser has no room for, and says that a reload would lose them", async () => {
    const full = vi.spyOn(Storage.prototype, "setItem").mockImplementation(() => {
      throw new DOMException("full", "QuotaExceededError");
    });
    store.commit(named(offer, "No room"));
    expect(nameIn(store)).toBe("No room");
    expect(store.snapshot()).toMatchObject({ isKept: false, unsaved: 1, canUndo: true });
    next("/api/draft/changes").answer(savedAs(first.sequence + 1, named(offer, "No room")));
    await soon();
    expect(store.snapshot()).toMatchObject({ isKept: true, unsaved: 0 });
    full.mockRestore();
  });

  it("takes no answer that a later one has overtaken", async () => {
    const reading = store.load();
    const slow = next("/api/draft");
    store.commit(named(offer, "Newer"));
    next("/api/draft/changes").answer(savedAs(first.sequence + 1, named(offer, "Newer")));
    await soon();
    slow.answer(first);
    await reading;
    expect(nameIn(store)).toBe("Newer");
    expect(store.snapshot().draft?.sequence).toBe(first.sequence + 1);
  });

  it("sends what was edited during a save on top of it, and takes in what others saved meanwhile", async () => {
    store.commit(named(offer, "First"));
    const save = next("/api/draft/changes");
    store.commit(named(offer, "Second"));
    expect(asked).toEqual([]);
    const theirs = named(other, "Theirs");
    save.answer(savedAs(first.sequence + 2, named(offer, "First"), theirs));
    await soon();
    expect([nameIn(store), nameIn(store, "other")]).toEqual(["Second", "Theirs"]);
    expect(next("/api/draft/changes").body).toMatchObject({
      since: first.sequence + 2,
      writes: [{ id: "free", seen: first.sequence + 2, body: { name: "Second" } }],
    });
  });

  it("forgets what others removed, and does not undo into it", async () => {
    store.commit(named(other, "Mine"));
    next("/api/draft/changes").answer(savedAs(first.sequence + 1, named(other, "Mine")));
    await soon();
    store.commit(named(offer, "Mine too"));
    next("/api/draft/changes").answer({
      ...savedAs(first.sequence + 3, named(offer, "Mine too")),
      removed: [{ kind: "offer", id: "other" }],
    });
    await soon();
    expect(nameIn(store, "other")).toBeUndefined();
    store.undo();
    expect(nameIn(store)).toBe("Free delivery");
    expect(store.snapshot().canUndo).toBe(false);
  });

  it("does not let two tabs of one browser lose what waits in either", async () => {
    store.commit(named(offer, "In the first tab"));
    const second = new DraftStore();
    const loading = second.load();
    next("/api/draft").answer(first);
    await loading;
    expect(nameIn(second)).toBe("In the first tab");
    // The second tab sends it too; the server has it by then, as the very same.
    next("/api/draft/changes").answer(savedAs(first.sequence + 1, named(offer, "In the first tab")));
    next("/api/draft/changes").answer(
      {
        title: "Someone else changed this first",
        conflicts: [
          {
            ...{ kind: "offer", id: "free", seen: first.sequence },
            current: { revision: first.sequence + 1, body: { ...offer, name: "In the first tab" } },
            yours: { ...offer, name: "In the first tab" },
          },
        ],
      },
      409,
    );
    await soon();
    next("/api/draft").answer(
      draftOf(entitiesOf({ ...plan, offers: [{ ...offer, name: "In the first tab" }, other] })),
    );
    await soon();
    expect(second.snapshot()).toMatchObject({ conflict: null, unsaved: 0 });
    expect(nameIn(second)).toBe("In the first tab");
  });
});
