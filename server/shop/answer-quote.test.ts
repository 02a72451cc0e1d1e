import { readFileSync } from "node:fs";
import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { DeliveryWindow } from "../../core/delivery/windows.ts";
import type { Offer } from "../../core/offers/offer.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { compile } from "../../core/tariff/compile.ts";
import { DAY, instantOf, isoOf, noonOf } from "../../core/time/instant.ts";
import { checkPlan } from "../../core/validation/documents.ts";
import { openPool } from "../database/pool.ts";
import type { Answer } from "../http/answer.ts";
import { keyGate } from "../keys/key-gate.ts";
import type { Uses } from "../redemptions/ledger.ts";
import type { Booked } from "../redemptions/window-claims.ts";
import type { InForce } from "../releases/releases.ts";
import { answerQuote } from "./answer-quote.ts";
import { Reading } from "./reading.ts";
import type { Shop } from "./shop.ts";

// Nobody listens there: the database is away from the first to the last.
const pool = openPool("mysql://nobody:x@127.0.0.1:1/nothing", 1);
afterAll(() => pool.end());

const file = (name: string) => JSON.parse(readFileSync(new URL(`../../demo/${name}`, import.meta.url), "utf8"));
const demo = checkPlan(file("plan.json"));
if ("problems" in demo) throw new Error("the demo is no plan");
const { value: plan } = demo;

const request: QuoteRequest = file("requests/at-goal.json");

/** A shop whose release gives free standard delivery under a limit, and whose database was there once. @param windows what is kept of them */
function shopWith(
  limits: NonNullable<Offer["limits"]>,
  known: Uses,
  windows: { readonly since: number; readonly booked: Booked } = { since: 0, booked: [] },
): { shop: Shop; leave: () => void } {
  const offers = plan.offers.map((offer) => (offer.id === "free-standard" ? { ...offer, limits } : offer));
  const result = compile({ ...plan, offers });
  if ("problems" in result) throw new Error("it does not compile");
  const { compiled } = result;
  let isAway = false;
  const there =
    <T>(value: T) =>
    async () => {
      if (isAway) throw Object.assign(new Error("away"), { code: "ECONNREFUSED" });
      return value;
    };
  const shop: Shop = {
    pool,
    tellOthers: async () => {},
    keys: keyGate(pool),
    release: new Reading<InForce | null>(there({ number: 1, compiled, nextIn: null })),
    uses: new Reading(there(known)),
    booked: new Reading(there(windows)),
  };
  return {
    shop,
    leave: () => {
      isAway = true;
    },
  };
}

type Answered = { options: { id: string; price: number | null }[] };

async function standard(shop: Shop, more: Partial<QuoteRequest> = {}): Promise<number | null | undefined> {
  const { status, body } = await answerQuote(shop, { ...request, ...more });
  expect(status).toBe(200);
  const { options }: Answered = JSON.parse(body);
  return options.find(({ id }) => id === "standard")?.price;
}

function windowsIn({ status, body }: Answer): readonly DeliveryWindow[] {
  expect(status).toBe(200);
  const { options }: { options: { id: string; windows?: DeliveryWindow[] }[] } = JSON.parse(body);
  return options.find(({ id }) => id === "porto-round")?.windows ?? [];
}

describe("a quote while the database is away", () => {
  beforeEach(() => {
    vi.useFakeTimers({ toFake: ["performance", "Date"] });
  });
  afterEach(() => {
    vi.useRealTimers();
  });

  it("goes by the uses that were known for a minute; after it what is limited counts as used up", async () => {
    const { shop, leave } = shopWith({ overall: 3 }, { "free-standard": 2 });
    expect(await standard(shop)).toBe(0);
    leave();
    vi.advanceTimersByTime(59_000);
    expect(await standard(shop)).toBe(0);
    vi.advanceTimersByTime(2000);
    expect(await standard(shop)).toBe(490);
    // The shop's own count is believed whatever the time.
    expect(await standard(shop, { uses: [{ offer: "free-standard", overall: 2 }] })).toBe(0);
  });

  it("promises a known shopper nothing that is limited for each, and others what they had", async () => {
    const { shop, leave } = shopWith({ perShopper: 1, guests: "every-time" }, {});
    expect(await standard(shop)).toBe(0);
    leave();
    expect(await standard(shop, { shopper: { id: "s-1" } })).toBe(490);
    expect(await standard(shop)).toBe(0);
  });

  it("of a moment that has passed offers the windows of days that are kept, and none of the days before", async () => {
    const asked: QuoteRequest = file("requests/porto-evening.json");
    const offered = async (shop: Shop, at: string) => windowsIn(await answerQuote(shop, { ...asked, at }));
    const there = shopWith({}, {}).shop;
    const all = await offered(there, asked.at);
    const days = [...new Set(all.map(({ day }) => day))];
    expect(days.length).toBeGreaterThan(2);
    // The second day is the first that is kept; its first window is full.
    const [, day = ""] = days;
    const since = instantOf(noonOf(day)) + DAY;
    const [taken, ...left] = all.filter((one) => one.day >= day);
    const booked = [{ option: "porto-round", slot: taken?.slot ?? "", day, orders: 6 }];
    const { shop, leave } = shopWith({}, {}, { since, booked });
    expect(await offered(shop, isoOf(since))).toEqual(await offered(there, isoOf(since)));
    leave();
    expect(await offered(shop, asked.at)).toEqual(left);
  });

  it("is used up by the counts that are known", async () => {
    expect(await standard(shopWith({ overall: 3 }, { "free-standard": 3 }).shop)).toBe(490);
  });
});
