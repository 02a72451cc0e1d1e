import type { Pool } from "mysql2/promise";
import { isPriceable } from "../../core/evidence/past-order.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import { readRelease, releaseInForce } from "../releases/releases.ts";
import type { OrderIn } from "./order-in.ts";

/** The plan that delivered an order, and its number where the order names it; the one in force where it names none that is kept. */
export type Deliverers = (
  order: OrderIn,
) => Promise<{ readonly plan: CompiledPlan | null; readonly release: number | null }>;

/** Releases are looked up once for the orders of one call. */
export function deliverersOf(pool: Pool): Deliverers {
  const inForce = once(() => releaseInForce(pool));
  const named = new Map<number, Promise<CompiledPlan | null>>();
  return async (order) => {
    const release = isPriceable(order) ? order.release : undefined;
    if (release !== undefined) {
      const read = named.get(release) ?? compiledRelease(pool, release);
      named.set(release, read);
      const plan = await read;
      if (plan) return { plan, release };
    }
    return { plan: (await inForce())?.compiled ?? null, release: null };
  };
}

async function compiledRelease(pool: Pool, number: number): Promise<CompiledPlan | null> {
  const found = await readRelease(pool, number);
  if (!found) return null;
  const result = compile(found.plan, found.calendars);
  return "problems" in result ? null : result.compiled;
}

function once<T>(read: () => Promise<T>): () => Promise<T> {
  let found: Promise<T> | undefined;
  return () => {
    found ??= read();
    return found;
  };
}
