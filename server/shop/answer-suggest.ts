import type { Pool } from "mysql2/promise";
import { phrase } from "../../core/phrases/phrase.ts";
import { suggestionsFor } from "../../core/queries/suggestions.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import type { CompiledPlan } from "../../core/tariff/compile.ts";
import { ownCarriers, withCarrierAnswers } from "../carriers/ask-carriers.ts";
import { soldIn } from "../catalogue/sold.ts";
import { compiledDraft } from "../draft/compiled-draft.ts";
import { type Answer, jsonAnswer } from "../http/answer.ts";
import { problemAnswer } from "../http/problem-document.ts";
import { offersCounted, usesOf, withUses } from "../redemptions/ledger.ts";
import { bookedFrom, dayBefore, lastDay, optionsBooked, withBooked } from "../redemptions/window-claims.ts";
import { releaseInForce } from "../releases/releases.ts";

const CARRIERS = ownCarriers();

/**
 * Products that would bring a cart to the goals it is on the way to.
 *
 * @param of what it is answered by: people look at the draft, shops get the release
 */
export async function answerSuggest(pool: Pool, request: QuoteRequest, of: "draft" | "release"): Promise<Answer> {
  const plan = of === "draft" ? await compiledDraft(pool) : await releaseInForce(pool);
  if (!plan || "problems" in plan) return problemAnswer(404, phrase("There is no plan to answer by"));
  const { lines, names } = await soldIn(pool, request.currency);
  const asked = of === "draft" ? request : await asQuoted(pool, plan.compiled, request);
  const found = suggestionsFor(plan.compiled, asked, lines);
  if ("problems" in found)
    return problemAnswer(422, phrase("The request cannot be quoted"), { problems: found.problems });
  const skus = found.suggestions.flatMap(({ one, two }) => [...one, ...two]).flatMap((filling) => filling.skus);
  const priceOf = new Map(lines.map(({ sku, unitPrice }) => [sku, unitPrice]));
  const products = [...new Set(skus)].map((sku) => ({ sku, name: names.get(sku), price: priceOf.get(sku) }));
  return jsonAnswer({ ...found, products });
}

/** The request with all that a shop's quote goes by: what has been used and booked, what carriers ask. */
async function asQuoted(pool: Pool, compiled: CompiledPlan, request: QuoteRequest): Promise<QuoteRequest> {
  const { plan } = compiled;
  const shopper = request.shopper?.id;
  const own = shopper === undefined ? {} : await usesOf(pool, shopper);
  const used = withUses(request, offersCounted(plan, request), await usesOf(pool), own);
  const counted = optionsBooked(plan, used);
  const booked = await bookedFrom(pool, dayBefore(used), lastDay(counted, used));
  return withCarrierAnswers(compiled, withBooked(used, counted, booked), CARRIERS);
}
