import type { APIRoute } from "astro";
import { allProducts, type CatalogueProduct } from "../../../../server/catalogue/catalogue.ts";
import { productsCsv } from "../../../../server/catalogue/products-csv.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { handle } from "../../../../server/http/handle.ts";

/** The whole catalogue as CSV (RFC 4180). */
export const GET: APIRoute = () =>
  handle(async () => {
    const products: CatalogueProduct[] = [];
    for await (const part of allProducts(sharedPool())) products.push(...part);
    return {
      status: 200,
      body: productsCsv(products),
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": 'attachment; filename="catalogue.csv"',
        "cache-control": "no-store",
      },
    };
  });
