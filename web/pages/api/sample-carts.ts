import type { APIRoute } from "astro";
import { phrase } from "../../../core/phrases/phrase.ts";
import { keepSampleCart, productsNamed, removeSampleCart } from "../../../server/catalogue/catalogue.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { problemAnswer } from "../../../server/http/problem-document.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { checkKeepSampleCart } from "../../../server/validation/documents.ts";

/** Keeps a sample cart under its id, or drops one. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/sample-carts"), checkKeepSampleCart);
    if ("refusal" in body) return body.refusal;
    const pool = sharedPool();
    if (body.value.do === "drop") {
      await removeSampleCart(pool, body.value.id);
      return jsonAnswer({});
    }
    const { cart } = body.value;
    const known = new Set(
      (await productsNamed(pool, [...new Set(cart.lines.map(({ sku }) => sku))])).map(({ sku }) => sku),
    );
    const problems = cart.lines.flatMap(({ sku }, i) =>
      known.has(sku) ? [] : [{ path: `/cart/lines/${i}/sku`, message: phrase('there is no product "{sku}"', { sku }) }],
    );
    if (problems.length > 0) return problemAnswer(422, phrase("The cart cannot be kept"), { problems });
    await keepSampleCart(pool, cart);
    return jsonAnswer({});
  });
