import { Type } from "@sinclair/typebox";
import type { APIRoute } from "astro";
import { byKindOf, closed, Id } from "../../../core/schema/atoms.ts";
import { checker } from "../../../core/validation/checker.ts";
import { keepSampleCart, productsNamed, removeSampleCart } from "../../../server/catalogue/catalogue.ts";
import { SampleCart } from "../../../server/catalogue/product.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { handle, jsonResponse } from "../../../server/http/handle.ts";
import { problemDocument } from "../../../server/http/problem-document.ts";
import { readBody } from "../../../server/http/read-body.ts";

const checkRequest = checker(
  byKindOf(
    "do",
    [
      Type.Object({ do: Type.Literal("keep"), cart: SampleCart }, closed),
      Type.Object({ do: Type.Literal("drop"), id: Id }, closed),
    ],
    "KeepSampleCart",
  ),
);

/** Keeps a sample cart under its id, or drops one. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, 256 * 1024, checkRequest);
    if ("refusal" in body) return body.refusal;
    const pool = sharedPool();
    if (body.value.do === "drop") {
      await removeSampleCart(pool, body.value.id);
      return jsonResponse({});
    }
    const { cart } = body.value;
    const known = new Set(
      (await productsNamed(pool, [...new Set(cart.lines.map(({ sku }) => sku))])).map(({ sku }) => sku),
    );
    const problems = cart.lines.flatMap(({ sku }, i) =>
      known.has(sku) ? [] : [{ path: `/cart/lines/${i}/sku`, message: `there is no product "${sku}"` }],
    );
    if (problems.length > 0) return problemDocument(422, "The cart cannot be kept", { problems });
    await keepSampleCart(pool, cart);
    return jsonResponse({});
  });
