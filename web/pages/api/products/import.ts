import type { APIRoute } from "astro";
import { phrase } from "../../../../core/phrases/phrase.ts";
import {
  dropImport,
  finishImport,
  previewImport,
  stageProducts,
} from "../../../../server/catalogue/import-products.ts";
import { readProductRows } from "../../../../server/catalogue/products-csv.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { problemAnswer } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { checkImportProducts } from "../../../../server/validation/documents.ts";

/** Takes a catalogue file in parts; nothing is in the catalogue before `finish`, and then all of it is. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/products/import"), checkImportProducts);
    if ("refusal" in body) return body.refusal;
    const { value } = body;
    const pool = sharedPool();
    switch (value.do) {
      case "rows": {
        const read = readProductRows(value.header, value.rows, value.first);
        if ("problems" in read) return problemAnswer(422, phrase("The file cannot be taken"), read);
        await stageProducts(pool, value.import, value.first, read.products);
        return jsonAnswer({ rows: value.rows.length });
      }
      case "preview": {
        const result = await previewImport(pool, value.import);
        return "problems" in result
          ? problemAnswer(422, phrase("The file cannot be taken"), result)
          : jsonAnswer(result);
      }
      case "finish": {
        const result = await finishImport(pool, value.import);
        return "problems" in result
          ? problemAnswer(422, phrase("The file cannot be taken"), result)
          : jsonAnswer(result);
      }
      case "drop":
        await dropImport(pool, value.import);
        return jsonAnswer({});
    }
  });
