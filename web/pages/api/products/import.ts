import { Type } from "@sinclair/typebox";
import type { APIRoute } from "astro";
import { byKindOf, closed, Id } from "../../../../core/schema/atoms.ts";
import { checker } from "../../../../core/validation/checker.ts";
import { dropImport, finishImport, stageProducts } from "../../../../server/catalogue/import-products.ts";
import { readProductRows } from "../../../../server/catalogue/products-csv.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { handle, jsonResponse } from "../../../../server/http/handle.ts";
import { problemDocument } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";

const Cell = Type.String({ maxLength: 4000 });
const checkRequest = checker(
  byKindOf(
    "do",
    [
      Type.Object(
        {
          do: Type.Literal("rows"),
          import: Id,
          header: Type.Array(Cell, { maxItems: 500 }),
          first: Type.Integer({ minimum: 2 }),
          rows: Type.Array(Type.Array(Cell, { maxItems: 500 }), { maxItems: 1000 }),
        },
        closed,
      ),
      Type.Object({ do: Type.Literal("finish"), import: Id }, closed),
      Type.Object({ do: Type.Literal("drop"), import: Id }, closed),
    ],
    "ImportProducts",
  ),
);

/** Takes a catalogue file in parts; nothing is in the catalogue before `finish`, and then all of it is. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, 8 * 1024 * 1024, checkRequest);
    if ("refusal" in body) return body.refusal;
    const { value } = body;
    const pool = sharedPool();
    switch (value.do) {
      case "rows": {
        const read = readProductRows(value.header, value.rows, value.first);
        if ("problems" in read) return problemDocument(422, "The file cannot be taken", read);
        await stageProducts(pool, value.import, value.first, read.products);
        return jsonResponse({ rows: value.rows.length });
      }
      case "finish": {
        const result = await finishImport(pool, value.import);
        return "problems" in result ? problemDocument(422, "The file cannot be taken", result) : jsonResponse(result);
      }
      case "drop":
        await dropImport(pool, value.import);
        return jsonResponse({});
    }
  });
