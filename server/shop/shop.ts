import type { Pool } from "mysql2/promise";
import { DAY, isoOf } from "../../core/time/instant.ts";
import { soonerThan } from "../database/deadline.ts";
import { keyGate } from "../keys/key-gate.ts";
import { type Uses, usesOf } from "../redemptions/ledger.ts";
import { type Booked, bookedFrom, dayBefore } from "../redemptions/window-claims.ts";
import { type InForce, releaseInForce } from "../releases/releases.ts";
import { Reading } from "./reading.ts";

/** What may hold no more of what is kept: how often offers and windows were taken, or anything. */
export type Forgotten = "counts" | "everything";

/** All that quotes and claims of shops go by: the database, and what is kept of it. */
export type Shop = {
  readonly pool: Pool;
  /** Has others who keep the same forget it; settles once they have. */
  readonly tellOthers: (what: Forgotten) => Promise<void>;
  readonly keys: ReturnType<typeof keyGate>;
  readonly release: Reading<InForce | null>;
  readonly uses: Reading<Uses>;
  /** What windows hold for requests of a moment (milliseconds of UTC) and later ones. */
  readonly booked: Reading<{ readonly since: number; readonly booked: Booked }>;
};

/** @param tellOthers where this process is not the only one that answers shops */
export function openShop(pool: Pool, tellOthers: Shop["tellOthers"] = async () => {}): Shop {
  return {
    pool,
    tellOthers,
    keys: keyGate(pool),
    // Where nothing holds yet, the first release is waited for.
    release: new Reading(
      () => releaseInForce(pool),
      (found) => (found ? (found.nextIn ?? Number.POSITIVE_INFINITY) : 0),
    ),
    uses: new Reading(() => usesOf(pool)),
    booked: new Reading(async () => {
      const since = Date.now() - DAY;
      return { since, booked: await bookedFrom(pool, dayBefore({ at: isoOf(since) })) };
    }),
  };
}

/** Nothing of it is taken any more without looking. */
export function forget(shop: Shop, what: Forgotten): void {
  shop.uses.forget();
  shop.booked.forget();
  if (what === "counts") return;
  shop.release.forget();
  shop.keys.forget();
}

/** Something was written: here and elsewhere, whoever asks from now on is answered by it. */
export async function forgetEverywhere(shop: Shop, what: Forgotten): Promise<void> {
  forget(shop, what);
  await shop.tellOthers(what);
}

/** How long the database is waited for before anybody is answered without it. */
const AHEAD = 5000;

/** Reads what is kept before anybody asks. */
export async function readAhead({ release, uses, booked, keys }: Shop): Promise<void> {
  const all = Promise.all([release.now(), uses.now(), booked.now(), keys.readAhead()]);
  await soonerThan(all, AHEAD).catch((error: unknown) => console.error(`Nothing is known yet: ${String(error)}`));
}
