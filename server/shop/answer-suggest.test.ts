import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import type { Offer } from "../../core/offers/offer.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { emptyStore, loadDemo } from "../demo/load-demo.ts";
import { applyChangeSet } from "../draft/change-set.ts";
import { readDraft } from "../draft/read-draft.ts";
import { claim } from "../redemptions/ledger.ts";
import { releaseDraft } from "../releases/make-release.ts";
import { releaseInForce } from "../releases/releases.ts";
import { answerQuote } from "./answer-quote.ts";
import { answerSuggest } from "./answer-suggest.ts";
import { openShop } from "./shop.ts";

const pool = openPool(databaseUrl(), 5);
const demo = fileURLToPath(new URL("../../demo", import.meta.url));
afterAll(() => pool.end());
beforeEach(async () => {
  await emptyStore(pool);
  await loadDemo(pool, demo);
});

const request: QuoteRequest = JSON.parse(readFileSync(`${demo}/requests/below-goal.json`, "utf8"));

/** The free delivery above a spend, limited and released. */
async function limit(limits: NonNullable<Offer["limits"]>): Promise<void> {
  const { entities } = await readDraft(pool);
  const offer = entities.find(({ kind, id }) => kind === "offer" && id === "free-standard");
  if (offer?.kind !== "offer") throw new Error("the demo has no such offer");
  const write = { kind: offer.kind, id: offer.id, seen: offer.revision, body: { ...offer.body, limits } };
  const saved = await applyChangeSet(pool, { writes: [write] }, "Dana");
  if (!("sequence" in saved)) throw new Error(JSON.stringify(saved));
  expect(await releaseDraft(pool, saved.sequence, "Dana")).toHaveProperty("release");
}

async function order(number: string, shopper?: string): Promise<void> {
  const release = await releaseInForce(pool);
  if (!release) throw new Error("nothing is released");
  const ordered = { order: number, offers: ["free-standard"], ...(shopper === undefined ? {} : { shopper }) };
  expect(await claim(pool, release.compiled.plan, ordered, "key Shop")).toHaveProperty("claimed");
}

/** Offers with a step on the way by a shop's quote, and those it is told how to reach. */
async function onTheWay(asked: QuoteRequest): Promise<{ quoted: Set<string>; suggested: Set<string> }> {
  const { body } = await answerQuote(openShop(pool), asked);
  const { progress }: { progress: { offer: string; remaining: number | null }[] } = JSON.parse(body);
  const { suggestions }: { suggestions: { offer: string }[] } = JSON.parse(
    (await answerSuggest(pool, asked, "release")).body,
  );
  return {
    quoted: new Set(progress.filter(({ remaining }) => remaining).map(({ offer }) => offer)),
    suggested: new Set(suggestions.map(({ offer }) => offer)),
  };
}

describe("what a shop is told would reach a goal", () => {
  it("is nothing for an offer that has been used up, as its quotes have it", async () => {
    await limit({ overall: 2 });
    await order("o-1");
    const before = await onTheWay(request);
    expect(before.suggested).toContain("free-standard");
    expect(before.suggested).toEqual(before.quoted);
    await order("o-2");
    const after = await onTheWay(request);
    expect(after.suggested).not.toContain("free-standard");
    expect(after.suggested).toEqual(after.quoted);
    // The shop's own count is believed.
    const told = await onTheWay({ ...request, uses: [{ offer: "free-standard", overall: 1 }] });
    expect(told.suggested).toEqual(before.suggested);
  });

  it("goes by what the shopper has used, where each may use it so often", async () => {
    await limit({ perShopper: 1, guests: "every-time" });
    await order("o-1", "s-1");
    for (const [id, has] of [
      ["s-1", false],
      ["s-2", true],
    ] as const) {
      const { quoted, suggested } = await onTheWay({ ...request, shopper: { id, signedIn: true } });
      expect(suggested.has("free-standard")).toBe(has);
      expect(suggested).toEqual(quoted);
    }
  });
});
