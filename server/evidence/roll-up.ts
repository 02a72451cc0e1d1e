import type { Pool } from "mysql2/promise";
import type { ValueCounting } from "../../core/evidence/order-facts.ts";
import { countingNumber, type DueDay, dueDays, rollUpDays } from "../orders/order-days.ts";
import { inThread, threadCount } from "./worker-pool.ts";

/** So few days are rolled up sooner than a thread is started. */
const FEW = 3;
/** Days that a thread is handed at once. */
const DAYS = 7;
/** How long a look waits for days to be rolled up, in milliseconds, before it says how far they are. */
const PATIENCE = 1500;

/** What is being rolled up, by counting: a second look joins the first. */
const underWay = new Map<number, Promise<void>>();

/**
 * Sees to it that everything is rolled up that is due in a way of counting.
 *
 * @returns the number of the counting once all is there; else how many days are still due
 */
export async function rolledUp(
  pool: Pool,
  counting: ValueCounting,
): Promise<{ readonly id: number } | { readonly due: number }> {
  const id = await countingNumber(pool, counting);
  const due = await dueDays(pool, id);
  if (due.length === 0) return { id };
  const work = underWay.get(id) ?? rollUpAll(pool, counting, id, due).finally(() => underWay.delete(id));
  underWay.set(id, work);
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<"late">((resolve) => {
    timer = setTimeout(() => resolve("late"), PATIENCE);
  });
  const came = await Promise.race([work, late]).finally(() => clearTimeout(timer));
  return came === "late" ? { due: (await dueDays(pool, id)).length } : { id };
}

/** The number of a way of counting in which everything is rolled up; null where it is not yet, and it is begun. */
export async function rolledUpNow(pool: Pool, counting: ValueCounting): Promise<number | null> {
  const id = await countingNumber(pool, counting);
  const due = await dueDays(pool, id);
  if (due.length === 0) return id;
  // Whoever looks at the evidence is told of a failure.
  rolledUp(pool, counting).catch((error: unknown) => console.error(error));
  return null;
}

async function rollUpAll(pool: Pool, counting: ValueCounting, id: number, due: readonly DueDay[]): Promise<void> {
  if (due.length <= FEW) {
    await rollUpDays(pool, { counting, id }, due);
    return;
  }
  const parts = Array.from({ length: Math.ceil(due.length / DAYS) }, (_, i) => due.slice(i * DAYS, (i + 1) * DAYS));
  let next = 0;
  const oneAfterTheOther = async () => {
    for (let part = parts[next++]; part; part = parts[next++])
      await inThread({ do: "roll-up", counting, id, days: part });
  };
  await Promise.all(Array.from({ length: threadCount() }, oneAfterTheOther));
}
