import type { Pool } from "mysql2/promise";
import { phrase } from "../../core/phrases/phrase.ts";
import { planOf } from "../../core/plan/entities.ts";
import { suggestionsFor } from "../../core/queries/suggestions.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import { soldIn } from "../catalogue/sold.ts";
import { readDraft } from "../draft/read-draft.ts";
import { type Answer, jsonAnswer } from "../http/answer.ts";
import { problemAnswer } from "../http/problem-document.ts";
import { releaseInForce } from "../releases/releases.ts";

/** The draft compiled last, by its sequence. */
let draft: { readonly sequence: number; readonly compiled: CompiledPlan } | undefined;

async function compiledDraft(pool: Pool): Promise<CompiledPlan | null> {
  const { sequence, entities, calendars } = await readDraft(pool);
  if (draft?.sequence === sequence) return draft.compiled;
  const plan = planOf(entities);
  const result = plan && compile(plan, calendars);
  if (!result || "problems" in result) return null;
  draft = { sequence, compiled: result.compiled };
  return result.compiled;
}

/**
 * Products that would bring a cart to the goals it is on the way to.
 *
 * @param of what it is answered by: people look at the draft, shops get the release
 */
export async function answerSuggest(pool: Pool, request: QuoteRequest, of: "draft" | "release"): Promise<Answer> {
  const compiled = of === "draft" ? await compiledDraft(pool) : (await releaseInForce(pool))?.compiled;
  if (!compiled) return problemAnswer(404, phrase("There is no plan to answer by"));
  const { lines, names } = await soldIn(pool, request.currency);
  const found = suggestionsFor(compiled, request, lines);
  if ("problems" in found)
    return problemAnswer(422, phrase("The request cannot be quoted"), { problems: found.problems });
  const skus = found.suggestions.flatMap(({ one, two }) => [...one, ...two]).flatMap((filling) => filling.skus);
  const priceOf = new Map(lines.map(({ sku, unitPrice }) => [sku, unitPrice]));
  const products = [...new Set(skus)].map((sku) => ({ sku, name: names.get(sku), price: priceOf.get(sku) }));
  return jsonAnswer({ ...found, products });
}
