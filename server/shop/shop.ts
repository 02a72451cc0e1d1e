import type { Pool } from "mysql2/promise";
import { DAY } from "../../core/time/instant.ts";
import { keyGate } from "../keys/key-gate.ts";
import { type Uses, usesOf } from "../redemptions/ledger.ts";
import { type Booked, bookedFrom, dayBefore } from "../redemptions/window-claims.ts";
import { type InForce, releaseInForce } from "../releases/releases.ts";
import { Reading } from "./reading.ts";

/** All that quotes and claims of shops go by: the database, and what is kept of it. */
export type Shop = {
  readonly pool: Pool;
  readonly keys: ReturnType<typeof keyGate>;
  readonly release: Reading<InForce | null>;
  readonly uses: Reading<Uses>;
  /** What windows hold for requests of a moment (milliseconds of UTC) and later ones. */
  readonly booked: Reading<{ readonly since: number; readonly booked: Booked }>;
};

export function openShop(pool: Pool): Shop {
  return {
    pool,
    keys: keyGate(pool),
    // Where nothing holds yet, the first release is waited for.
    release: new Reading(
      () => releaseInForce(pool),
      (found) => (found ? (found.nextIn ?? Number.POSITIVE_INFINITY) : 0),
    ),
    uses: new Reading(() => usesOf(pool)),
    booked: new Reading(async () => {
      const since = Date.now() - DAY;
      return { since, booked: await bookedFrom(pool, dayBefore({ at: new Date(since).toISOString() })) };
    }),
  };
}

/** Something was claimed or given back. */
export function forgetCounts({ uses, booked }: Shop): void {
  uses.forget();
  booked.forget();
}

/** Something was written that may have changed anything: nothing kept is taken without looking. */
export function forgetAll(shop: Shop): void {
  shop.release.forget();
  shop.keys.forget();
  forgetCounts(shop);
}
