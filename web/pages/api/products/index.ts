import type { APIRoute } from "astro";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { findProducts, productsWithoutWeight, tallyProducts } from "../../../../server/catalogue/catalogue.ts";
import { catalogueProblems } from "../../../../server/catalogue/catalogue-problems.ts";
import { saveProducts } from "../../../../server/catalogue/import-products.ts";
import { inTransaction, sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { problemAnswer } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { checkSaveProducts } from "../../../../server/validation/documents.ts";

const MOST = 100;
/** Products whose name or SKU contains ?search=, or with ?missing=weight those shipped without a weight; and a tally. */
export const GET: APIRoute = ({ url }) =>
  handle(async () => {
    const pool = sharedPool();
    const search = (url.searchParams.get("search") ?? "").slice(0, 100);
    const [products, tally] = await Promise.all([
      url.searchParams.get("missing") === "weight"
        ? productsWithoutWeight(pool, MOST)
        : findProducts(pool, search, MOST),
      tallyProducts(pool),
    ]);
    return jsonAnswer({ products, tally });
  });

/** Replaces products by SKU, or adds them. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/products"), checkSaveProducts);
    if ("refusal" in body) return body.refusal;
    const problems = catalogueProblems(body.value.products);
    if (problems.length > 0)
      return problemAnswer(422, phrase("The products cannot be kept"), {
        problems: problems.map((one) => ({ ...one, path: `/products${one.path}` })),
      });
    await inTransaction(sharedPool(), (connection) => saveProducts(connection, body.value.products));
    return jsonAnswer({});
  });
