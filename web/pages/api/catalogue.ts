import type { APIRoute } from "astro";
import { findProducts, listSampleCarts } from "../../../server/catalogue/catalogue.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { answer, jsonAnswer } from "../../../server/http/answer.ts";

const MOST_PRODUCTS = 200;

/** Products whose name or SKU contains ?search=, and the sample carts. */
export const GET: APIRoute = ({ url }) =>
  answer(async () => {
    const search = (url.searchParams.get("search") ?? "").slice(0, 100);
    const pool = sharedPool();
    const [products, carts] = await Promise.all([findProducts(pool, search, MOST_PRODUCTS), listSampleCarts(pool)]);
    return jsonAnswer({ products, carts });
  });
