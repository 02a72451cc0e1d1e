import { readFileSync } from "node:fs";
import * as fc from "fast-check";
import type { Offer } from "../core/offers/offer.ts";
import { type Entity, entityKey, planOf } from "../core/plan/entities.ts";
import { cookieIn } from "../scripts/setup/sign-in-by-browser.mjs";
import type { Draft } from "../server/draft/read-draft.ts";
import { DraftStore } from "../web/state/draft-store.ts";
import { expect, test } from "./demo-store.ts";

// The draft as the page keeps it, driven without a page against the real server: many edits in many orders.

/** What a browser has and Node has not. */
const stored = new Map<string, string>();
/** What belongs to the tab alone. */
const ofTab = new Map<string, string>();
const storage = (texts: Map<string, string>) => ({
  getItem: (key: string) => texts.get(key) ?? null,
  setItem: (key: string, text: string) => texts.set(key, text),
  removeItem: (key: string) => texts.delete(key),
});
const browser = {
  localStorage: storage(stored),
  sessionStorage: storage(ofTab),
  requestAnimationFrame: (draw: () => void) => setTimeout(draw, 1),
};
const server = process.env.SUMMANT_URL ?? "http://127.0.0.1:4173";
const { fetch } = globalThis;
/** As whoever runs the store. */
const cookie = cookieIn(JSON.parse(readFileSync(process.env.SUMMANT_SIGNED_IN ?? "", "utf8")));
const reach = (address: URL, init?: RequestInit) => fetch(address, { ...init, headers: { ...init?.headers, cookie } });
let cutOff = false;

test.beforeAll(() => {
  Object.assign(globalThis, browser, {
    fetch: (path: string, init?: RequestInit) =>
      cutOff ? Promise.reject(new TypeError("cut off")) : reach(new URL(path, server), init),
  });
});
test.afterAll(() => Object.assign(globalThis, { fetch }));
test.beforeEach(() => {
  stored.clear();
  ofTab.clear();
  cutOff = false;
});

const OFFERS = ["free-standard", "free-post", "newsletter"] as const;
const onServer = async (): Promise<Draft> => (await reach(new URL("/api/draft", server))).json();

/** A draft whose list of changes, which has no order, has one. */
const inOrder = (draft: Draft | null) =>
  draft && { ...draft, changes: draft.changes.toSorted((a, b) => (entityKey(a) < entityKey(b) ? -1 : 1)) };

/** A page in a new tab; what another tab of this browser has not saved is there too. */
async function opened(): Promise<DraftStore> {
  ofTab.clear();
  return reloaded();
}

async function reloaded(): Promise<DraftStore> {
  const store = new DraftStore();
  await store.load();
  return store;
}

function offerIn(store: DraftStore, id: string): Offer {
  const found = store.snapshot().plan?.offers.find((offer) => offer.id === id);
  if (!found) throw new Error(`there is no offer ${id}`);
  return found;
}

const named = (store: DraftStore, id: string, name: string): Entity => ({
  kind: "offer",
  id,
  body: { ...offerIn(store, id), name },
});

/** Until nothing waits for the server; conflicts are settled in favour of what was written here. */
async function atRest(store: DraftStore): Promise<void> {
  await expect
    .poll(
      async () => {
        if (store.snapshot().conflict) await store.settle("mine");
        const { save, unsaved, conflict } = store.snapshot();
        if (save.kind === "waiting") store.tryAgain();
        return save.kind === "saved" && unsaved === 0 && conflict === null;
      },
      { timeout: 15_000, intervals: [5, 10, 20, 50] },
    )
    .toBe(true);
}

test("whatever is edited, undone and redone, the server ends up with what is shown, and all undone is where it began, through reloads too", async () => {
  test.slow();
  const step = fc.oneof(
    {
      weight: 4,
      arbitrary: fc.record({ do: fc.constant("name" as const), id: fc.constantFrom(...OFFERS), to: fc.nat(99) }),
    },
    {
      weight: 1,
      arbitrary: fc.record({ do: fc.constant("show" as const), id: fc.constantFrom(...OFFERS), to: fc.nat(99) }),
    },
    {
      weight: 2,
      arbitrary: fc.record({
        do: fc.constantFrom("undo" as const, "redo" as const, "wait" as const, "cut" as const, "reload" as const),
      }),
    },
  );
  await fc.assert(
    fc.asyncProperty(fc.array(step, { maxLength: 20 }), async (steps) => {
      cutOff = false;
      let store = await opened();
      const began = store.snapshot().plan;
      for (const one of steps) {
        if (one.do === "name") store.commit(named(store, one.id, `Name ${one.to}`));
        else if (one.do === "show") store.show(named(store, one.id, `Shown ${one.to}`));
        else if (one.do === "undo") store.undo();
        else if (one.do === "redo") store.redo();
        else if (one.do === "wait") await new Promise((resolve) => setTimeout(resolve, 8));
        else if (one.do === "reload") {
          cutOff = false;
          store.cancel();
          await atRest(store);
          store = await reloaded();
        } else cutOff = !cutOff;
        expect(store.snapshot().planProblems).toEqual([]);
      }
      cutOff = false;
      store.cancel();
      await atRest(store);
      // Without having been read again, the draft here is the one there, what differs from the release included.
      expect(inOrder(store.snapshot().draft)).toEqual(inOrder(await onServer()));
      expect(planOf((await onServer()).entities)).toEqual(store.snapshot().plan);
      const ended = store.snapshot().plan;

      let undone = 0;
      for (; store.snapshot().canUndo; undone += 1) store.undo();
      await atRest(store);
      store = await reloaded();
      expect(store.snapshot().plan).toEqual(began);
      for (let again = 0; again < undone; again += 1) store.redo();
      expect(store.snapshot().plan).toEqual(ended);
      while (store.snapshot().canUndo) store.undo();
      await atRest(store);
      expect(planOf((await onServer()).entities)).toEqual(began);
    }),
    { seed: 20261125, numRuns: 25 },
  );
});

const sequenceOf = (people: readonly DraftStore[]) =>
  Math.max(...people.map((store) => store.snapshot().draft?.sequence ?? 0));

test("two people who edit the same offers are told, and end up with one plan that has what each chose to keep", async () => {
  test.slow();
  const turn = fc.record({ who: fc.nat(1), id: fc.constantFrom(...OFFERS), to: fc.nat(999), rest: fc.boolean() });
  let round = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(turn, { minLength: 2, maxLength: 12 }), async (turns) => {
      stored.clear();
      round += 1;
      const words = (who: number, to: number) => `Round ${round}: ${who} wrote ${to}`;
      const people = [await opened(), await opened()];
      for (const { who, id, to, rest } of turns) {
        const store = people[who];
        if (!store) throw new Error("nobody");
        store.commit(named(store, id, words(who, to)));
        // Also while a save is under way or a conflict is open: what was written last is what is shown.
        expect(offerIn(store, id).name).toBe(words(who, to));
        if (rest) await atRest(store);
      }
      for (const store of people) await atRest(store);
      // Whoever saved last knows what the other wrote before.
      const last = people.find((store) => store.snapshot().draft?.sequence === sequenceOf(people));
      expect(inOrder(last?.snapshot().draft ?? null)).toEqual(inOrder(await onServer()));
      for (const store of people) await store.load();
      const plan = planOf((await onServer()).entities);
      for (const store of people) expect(store.snapshot().plan).toEqual(plan);
      // Nothing is mixed: every name is one that somebody wrote for that offer, or the one it had.
      for (const { id, name } of plan?.offers ?? []) {
        if (!name.startsWith(`Round ${round}:`)) continue;
        expect(turns.map(({ who, id: of, to }) => `${of}: ${words(who, to)}`)).toContain(`${id}: ${name}`);
      }
    }),
    { seed: 20261125, numRuns: 20 },
  );
});

test("what somebody else has written over is not undone, the rest is, also after a reload", async () => {
  for (const reload of [false, true]) {
    const mine = await opened();
    const began = offerIn(mine, "newsletter").name;
    mine.commit(named(mine, "newsletter", "My newsletter"));
    mine.commit(named(mine, "free-post", "My post"), named(mine, "free-standard", "My standard"));
    await atRest(mine);
    const mineOfTab = [...ofTab];
    const theirs = await opened();
    theirs.commit(named(theirs, "free-post", "Their post"));
    await atRest(theirs);
    ofTab.clear();
    for (const [key, text] of mineOfTab) ofTab.set(key, text);

    const now = reload ? await reloaded() : mine;
    await now.load();
    now.undo();
    expect(offerIn(now, "newsletter").name).toBe(began);
    expect(now.snapshot().canUndo).toBe(false);
    expect(offerIn(now, "free-post").name).toBe("Their post");
    expect(offerIn(now, "free-standard").name).toBe("My standard");
    now.redo();
    await atRest(now);
    expect(offerIn(now, "newsletter").name).toBe("My newsletter");
    now.undo();
    await atRest(now);
  }
});

test("what was cut off is kept for the next visit and saved once; of two versions theirs can be taken", async () => {
  const first = await opened();
  cutOff = true;
  first.commit(named(first, "newsletter", "Typed on the train"));
  await expect.poll(() => first.snapshot().save.kind).toBe("waiting");

  cutOff = false;
  const next = await opened();
  expect(offerIn(next, "newsletter").name).toBe("Typed on the train");
  await atRest(next);
  const saved = (await onServer()).entities.find((entity) => entityKey(entity) === "offer/newsletter");
  expect(saved?.body).toMatchObject({ name: "Typed on the train" });

  // The first page does not know yet that its own edit has arrived: the same words are no conflict.
  first.tryAgain();
  await atRest(first);
  expect(first.snapshot().conflict).toBeNull();

  next.commit(named(next, "newsletter", "Theirs"));
  await atRest(next);
  first.commit(named(first, "newsletter", "Mine"));
  await expect.poll(() => first.snapshot().conflict?.yours).toMatchObject({ name: "Mine" });
  expect(first.snapshot().conflict?.current.body).toMatchObject({ name: "Theirs" });
  await first.settle("theirs");
  await atRest(first);
  expect(offerIn(first, "newsletter").name).toBe("Theirs");
});

test("an edit that does not hold together is kept and told, while others are saved and the last sound plan answers", async () => {
  const store = await opened();
  const began = store.snapshot().plan;
  const sound = store.snapshot().compiled;
  const unsound = (when: Offer["when"]): Entity => {
    const offer = offerIn(store, "free-post");
    return { kind: "offer", id: offer.id, body: when ? { ...offer, when } : offer };
  };
  for (const from of ["2026-13-45", "soon"]) {
    store.commit(unsound({ kind: "between", from }));
    expect(store.snapshot().planProblems.join()).toContain("Free post abroad");
    expect(store.snapshot().compiled).toBe(sound);
    expect(offerIn(store, "free-post").when).toEqual({ kind: "between", from });
  }
  await expect.poll(() => store.snapshot().save.kind).toBe("refused");

  store.commit(named(store, "newsletter", "Saved beside it"));
  const nameThere = async () => {
    const found = (await onServer()).entities.find((entity) => entityKey(entity) === "offer/newsletter");
    return found?.kind === "offer" ? found.body.name : null;
  };
  await expect.poll(nameThere).toBe("Saved beside it");
  await expect.poll(() => store.snapshot().save.kind).toBe("refused");
  expect(offerIn(store, "free-post").when).toEqual({ kind: "between", from: "soon" });

  // Kept over a reload, where the plan as it is saved answers; given up, the draft is as the server has it.
  const next = await opened();
  expect(next.snapshot().planProblems).not.toEqual([]);
  expect(next.snapshot().compiled?.plan.offers.find(({ id }) => id === "free-post")?.when).toBeUndefined();
  next.takeBack();
  expect(next.snapshot().planProblems).toEqual([]);

  while (store.snapshot().canUndo) store.undo();
  await atRest(store);
  expect(store.snapshot().plan).toEqual(began);
});
