import { readFile } from "node:fs/promises";
import { join } from "node:path";
import type { Pool, RowDataPacket } from "mysql2/promise";
import { entitiesOf } from "../../core/plan/entities.ts";
import { problemLine } from "../../core/schema/problem.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { checkPlan } from "../../core/validation/documents.ts";
import { writeProducts, writeSampleCarts } from "../catalogue/catalogue.ts";
import { inTransaction } from "../database/pool.ts";
import { applyChangeSet } from "../draft/change-set.ts";
import { releaseDraft } from "../releases/make-release.ts";
import { checkCatalogue, checkSampleCarts } from "../validation/documents.ts";

interface CountRow extends RowDataPacket {
  count: number;
}

/** Whether the store has nothing in it: no draft and no catalogue. */
export async function isEmpty(pool: Pool): Promise<boolean> {
  const [[row]] = await pool.query<CountRow[]>(
    "SELECT (SELECT COUNT(*) FROM draft_entities) + (SELECT COUNT(*) FROM products) + (SELECT COUNT(*) FROM releases) AS count",
  );
  return row?.count === 0;
}

/** Empties every table of the store; people, keys, settings and what is logged of them stay. */
export async function emptyStore(pool: Pool): Promise<void> {
  await inTransaction(pool, async (connection) => {
    // What belongs to products and sample carts goes with them.
    for (const table of [
      // Lines, and what is rolled up, go with them.
      "order_imports",
      "orders",
      "countings",
      "past_goals",
      "stated_figures",
      "redemptions",
      "window_claims",
      "window_counts",
      "redemption_counts",
      "kept",
      "product_imports",
      "sample_carts",
      "products",
      "changes",
      "change_sets",
      "draft_entities",
      "releases",
      "release_requests",
    ]) {
      await connection.query(`DELETE FROM ${table}`);
    }
    await connection.query("UPDATE draft_head SET sequence = 0 WHERE id = 1");
  });
}

/** Loads the demo store from its files and releases it. */
export async function loadDemo(pool: Pool, folder: string): Promise<void> {
  const read = async <T>(name: string, check: (data: unknown) => Checked<T>): Promise<T> => {
    const checked = check(JSON.parse(await readFile(join(folder, name), "utf8")));
    if ("problems" in checked) throw new Error(`${name}: ${checked.problems.map(problemLine).join("; ")}`);
    return checked.value;
  };
  const plan = await read("plan.json", checkPlan);
  const products = await read("catalogue.json", checkCatalogue);
  const carts = await read("carts.json", checkSampleCarts);
  const writes = entitiesOf(plan).map(({ kind, id, body }) => ({ kind, id, seen: 0, body }));
  const applied = await applyChangeSet(pool, { writes }, "demo");
  if (!("sequence" in applied)) throw new Error(`the demo plan was refused: ${JSON.stringify(applied)}`);
  const released = await releaseDraft(pool, applied.sequence, "demo");
  if (!("release" in released)) throw new Error(`the demo plan could not be released: ${JSON.stringify(released)}`);
  await inTransaction(pool, async (connection) => {
    await writeProducts(connection, products);
    await writeSampleCarts(connection, carts);
  });
}
