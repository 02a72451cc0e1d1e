import type { APIRoute } from "astro";
import { findProducts, listSampleCarts, productsNamed } from "../../../server/catalogue/catalogue.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { answer, jsonAnswer } from "../../../server/http/answer.ts";

const MOST_PRODUCTS = 200;

/** Products whose name or SKU contains ?search=, the sample carts, and what is in them. */
export const GET: APIRoute = ({ url }) =>
  answer(async () => {
    const search = (url.searchParams.get("search") ?? "").slice(0, 100);
    const pool = sharedPool();
    const [found, carts] = await Promise.all([findProducts(pool, search, MOST_PRODUCTS), listSampleCarts(pool)]);
    const known = new Set(found.map(({ sku }) => sku));
    const skus = new Set(carts.flatMap(({ lines }) => lines.map(({ sku }) => sku)));
    const inCarts = await productsNamed(
      pool,
      [...skus].filter((sku) => !known.has(sku)),
    );
    return jsonAnswer({ products: [...found, ...inCarts], carts });
  });
