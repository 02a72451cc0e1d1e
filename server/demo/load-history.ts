import type { Pool, RowDataPacket } from "mysql2/promise";
import type { PastOrder } from "../../core/evidence/past-order.ts";
import { allProducts, type CatalogueProduct } from "../catalogue/catalogue.ts";
import { stateGoals } from "../evidence/past-goals.ts";
import { stateFigure } from "../evidence/stated-figures.ts";
import { deliverersOf } from "../orders/deliverers.ts";
import { writeOrders } from "../orders/write-orders.ts";
import { planInForce } from "../releases/releases.ts";
import { demoHistory } from "./history.ts";
import { DEMO_GOALS } from "./past-goals.ts";
import { DEMO_FIGURES } from "./stated-figures.ts";

interface BegunRow extends RowDataPacket {
  begun: number;
}

/** What says that the history has been begun and is not all there. */
const MARK = "demo-history";
const BATCH = 500;

/** Notes that the demo store is to have a history: {@link continueHistory} writes it, also where it was broken off. */
export async function beginHistory(pool: Pool): Promise<void> {
  await pool.query("INSERT INTO order_imports (import, position, begun_at) VALUES (?, 0, UTC_TIMESTAMP(3))", [MARK]);
}

/**
 * Writes the demo's history where it has been begun.
 *
 * @param size how many orders, about
 * @returns how many orders were added
 */
export async function continueHistory(pool: Pool, size?: number): Promise<number> {
  const [[row]] = await pool.query<BegunRow[]>("SELECT COUNT(*) AS begun FROM order_imports WHERE import = ?", [MARK]);
  const release = row?.begun ? await planInForce(pool) : null;
  if (!release) return 0;
  await stateGoals(pool, DEMO_GOALS);
  for (const stated of DEMO_FIGURES) await stateFigure(pool, stated);
  const deliverers = deliverersOf(pool);
  let added = 0;
  let batch: PastOrder[] = [];
  const write = async () => {
    added += (await writeOrders(pool, batch, deliverers)).added;
    batch = [];
  };
  const products: CatalogueProduct[] = [];
  for await (const some of allProducts(pool)) products.push(...some);
  for (const order of demoHistory(release.plan, products, size)) {
    batch.push(order);
    if (batch.length === BATCH) await write();
  }
  await write();
  await pool.query("DELETE FROM order_imports WHERE import = ?", [MARK]);
  return added;
}
