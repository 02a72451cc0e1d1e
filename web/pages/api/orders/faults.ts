import type { APIRoute } from "astro";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { handle } from "../../../../server/http/handle.ts";
import { faultsOf } from "../../../../server/orders/import-orders.ts";
import { faultProblems, faultsCsv } from "../../../../server/orders/told-faults.ts";

/** Faults told on screen at once; the file has them all. */
const MOST = 200;

/** What is wrong with a file of orders that was checked: `import`, and `as=csv` for all of it as a file. */
export const GET: APIRoute = ({ url: { searchParams } }) =>
  handle(async () => {
    const faults = await faultsOf(sharedPool(), searchParams.get("import") ?? "");
    if (searchParams.get("as") !== "csv")
      return jsonAnswer({ count: faults.length, faults: faultProblems(faults.slice(0, MOST)) });
    return {
      status: 200,
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": 'attachment; filename="faults.csv"',
        "cache-control": "no-store",
      },
      body: faultsCsv(faults),
    };
  });
