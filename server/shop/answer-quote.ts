import { phrase } from "../../core/phrases/phrase.ts";
import { quote } from "../../core/quote/quote.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import type { CompiledPlan } from "../../core/tariff/compile.ts";
import { instantOf, isoOf } from "../../core/time/instant.ts";
import { ownCarriers, withCarrierAnswers } from "../carriers/ask-carriers.ts";
import { soonerThan } from "../database/deadline.ts";
import { isUnreachable } from "../database/pool.ts";
import { type Answer, octetsAnswer } from "../http/answer.ts";
import { problemAnswer } from "../http/problem-document.ts";
import { step } from "../http/side-by-side.ts";
import { offersCounted, type Uses, usesOf, withUses } from "../redemptions/ledger.ts";
import { bookedFrom, dayBefore, fullBefore, lastDay, optionsBooked, withBooked } from "../redemptions/window-claims.ts";
import { tellUnsaid } from "./left-out.ts";
import { octetsOf } from "./quote-octets.ts";
import type { Shop } from "./shop.ts";

const CARRIERS = ownCarriers();

/** Milliseconds for which everybody's uses are still believed while the database is away. */
const BELIEVED = 60_000;
/** How long a quote waits for what is not kept: what one shopper has used, what windows held before yesterday. */
const NOT_KEPT = 500;

/** Quotes a shop's cart from the release in force. */
export async function answerQuote(shop: Shop, request: QuoteRequest): Promise<Answer> {
  const release = await shop.release.now();
  if (!release)
    return problemAnswer(404, phrase("Nothing is released yet"), {
      detail: phrase("Release the draft, then ask again."),
    });
  const { number, compiled } = release;
  const counted = await withBookedNow(shop, compiled, await withUsesNow(shop, compiled, request));
  const asked = await withCarrierAnswers(compiled, counted, CARRIERS);
  await step();
  const result = quote(compiled, asked);
  await step();
  if ("problems" in result)
    return problemAnswer(422, phrase("The request cannot be quoted"), { problems: result.problems });
  if (result.unsaid) tellUnsaid(number, result.unsaid);
  const answer = octetsAnswer(octetsOf(result.quote), number);
  await step();
  return answer;
}

async function withUsesNow(shop: Shop, { plan }: CompiledPlan, request: QuoteRequest): Promise<QuoteRequest> {
  const counted = offersCounted(plan, request);
  if (counted.length === 0) return request;
  const all = await shop.uses.now();
  const usedUp = (which: "overall" | "perShopper"): Uses =>
    Object.fromEntries(counted.map(({ id, limits }) => [id, limits?.[which] ?? 0]));
  const believed = shop.uses.age() <= BELIEVED ? all : usedUp("overall");
  const shopper = request.shopper?.id;
  if (shopper === undefined || counted.every(({ limits }) => limits?.perShopper === undefined))
    return withUses(request, counted, believed);
  try {
    return withUses(request, counted, believed, await soonerThan(usesOf(shop.pool, shopper), NOT_KEPT));
  } catch (error) {
    if (!isUnreachable(error)) throw error;
    // Nothing is promised that a claim might refuse.
    return withUses(request, counted, believed, usedUp("perShopper"));
  }
}

async function withBookedNow(shop: Shop, { plan }: CompiledPlan, request: QuoteRequest): Promise<QuoteRequest> {
  const counted = optionsBooked(plan, request);
  if (counted.length === 0) return request;
  const { since, booked } = await shop.booked.now();
  if (instantOf(request.at) >= since) return withBooked(request, counted, booked);
  // Of a moment that has passed, what is kept does not tell all.
  try {
    const asked = bookedFrom(shop.pool, dayBefore(request), lastDay(counted, request));
    return withBooked(request, counted, await soonerThan(asked, NOT_KEPT));
  } catch (error) {
    if (!isUnreachable(error)) throw error;
    // As above.
    const before = dayBefore({ at: isoOf(since) });
    return withBooked(request, counted, [...fullBefore(before, counted, request), ...booked]);
  }
}
