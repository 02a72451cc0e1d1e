import type { APIRoute } from "astro";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { problemAnswer } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import {
  checkPart,
  dropOrderImport,
  stageLines,
  stageRows,
  writePart,
} from "../../../../server/orders/import-orders.ts";
import { faultProblems } from "../../../../server/orders/told-faults.ts";
import { checkImportOrders } from "../../../../server/validation/documents.ts";

/** Takes a file of past orders in parts: all is kept aside, then checked, then written. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/orders/import"), checkImportOrders);
    if ("refusal" in body) return body.refusal;
    const { value } = body;
    const pool = sharedPool();
    switch (value.do) {
      case "rows": {
        const faults = await stageRows(pool, value.import, value);
        return faults.length > 0
          ? problemAnswer(422, phrase("The file cannot be taken"), { problems: faultProblems(faults) })
          : jsonAnswer({ rows: value.rows.length });
      }
      case "lines":
        await stageLines(pool, value.import, value);
        return jsonAnswer({ rows: value.lines.length });
      case "check":
        return jsonAnswer(await checkPart(pool, value.import, value.after));
      case "write": {
        const written = await writePart(pool, value.import, value);
        return written === "has faults"
          ? problemAnswer(409, phrase("The file has faults"), {
              detail: phrase("It is refused whole, unless its sound rows alone are asked for."),
            })
          : jsonAnswer(written);
      }
      case "drop":
        await dropOrderImport(pool, value.import);
        return jsonAnswer({});
    }
  });
