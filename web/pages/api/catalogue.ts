import type { APIRoute } from "astro";
import { listSampleCarts, productsNamed } from "../../../server/catalogue/catalogue.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { handle } from "../../../server/http/handle.ts";

const MOST_NAMED = 500;

/** The sample carts, and the products in them and those named by ?sku=. */
export const GET: APIRoute = ({ url }) =>
  handle(async () => {
    const pool = sharedPool();
    const carts = await listSampleCarts(pool);
    const named = url.searchParams.getAll("sku").slice(0, MOST_NAMED);
    const skus = new Set([...named, ...carts.flatMap(({ lines }) => lines.map(({ sku }) => sku))]);
    return jsonAnswer({ products: await productsNamed(pool, [...skus]), carts });
  });
