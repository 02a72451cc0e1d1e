import type { Pool, PoolConnection, ResultSetHeader, RowDataPacket } from "mysql2/promise";
import type { Offer } from "../../core/offers/offer.ts";
import { keptBy } from "../../core/phrases/kept.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { withFields } from "../../core/request/with-fields.ts";
import { inTransaction } from "../database/pool.ts";
import type { Claim } from "./claim-schema.ts";
import { type ClaimedWindow, claimWindow, giveBackWindow, type WindowRefusal } from "./window-claims.ts";

export type ClaimRefusal = {
  offer: string;
  reason:
    | "no-such-offer"
    | "switched-off"
    | "limit-reached"
    | "shopper-limit-reached"
    | "shopper-needed"
    | "order-of-another";
};
export type ClaimResult = { claimed: string[]; window?: ClaimedWindow } | { refused: ClaimRefusal | WindowRefusal };

/** Rolls a claim back when one of its offers, or its window, is refused. */
class Refused extends Error {
  readonly refusal: ClaimRefusal | WindowRefusal;
  constructor(refusal: ClaimRefusal | WindowRefusal) {
    super(refusal.reason);
    this.refusal = refusal;
  }
}

/** Stands for everybody in the counts: a shopper's own reference is never empty. */
const EVERYBODY = "";

/**
 * Claims offers for an order, atomically. The same order claims an offer once however often it is asked for; what was given
 * back can be claimed again.
 *
 * @param plan the latest release's, whose limits hold
 * @param by the key or person that claims
 */
export async function claim(
  pool: Pool,
  { offers, options }: Pick<Plan, "offers" | "options">,
  asked: Claim,
  by: string,
): Promise<ClaimResult> {
  try {
    return await inTransaction(pool, async (connection): Promise<ClaimResult> => {
      // Always in the same order, so that two claims of several offers do not wait for each other.
      for (const id of [...asked.offers].sort()) {
        const offer = offers.find((one) => one.id === id);
        if (!offer) throw new Refused({ offer: id, reason: "no-such-offer" });
        await claimOne(connection, offer, asked, by);
      }
      const { window } = asked;
      const refused = window ? await claimWindow(connection, options, asked.order, window) : null;
      if (refused) throw new Refused(refused);
      return { claimed: asked.offers, ...(window ? { window } : {}) };
    });
  } catch (error) {
    if (error instanceof Refused) return { refused: error.refusal };
    throw error;
  }
}

interface RedemptionRow extends RowDataPacket {
  offer: string;
  shopper: string | null;
  given_back: number;
}

async function claimOne(
  connection: PoolConnection,
  offer: Offer,
  { order, shopper }: Claim,
  by: string,
): Promise<void> {
  const { overall, perShopper, guests } = offer.limits ?? {};
  if (perShopper !== undefined && shopper === undefined && guests !== "every-time")
    throw new Refused({ offer: offer.id, reason: "shopper-needed" });
  const [inserted] = await connection.execute<ResultSetHeader>(
    "INSERT IGNORE INTO redemptions (order_id, offer, shopper, claimed_at, claimed_by) VALUES (?, ?, ?, UTC_TIMESTAMP(3), ?)",
    [order, offer.id, shopper ?? null, by],
  );
  if (inserted.affectedRows === 0) {
    const [[known]] = await connection.execute<RedemptionRow[]>(
      "SELECT offer, shopper, given_back_at IS NOT NULL AS given_back FROM redemptions WHERE order_id = ? AND offer = ? FOR UPDATE",
      [order, offer.id],
    );
    if (known && known.given_back === 0) {
      if (known.shopper !== (shopper ?? null)) throw new Refused({ offer: offer.id, reason: "order-of-another" });
      return;
    }
    await connection.execute(
      "UPDATE redemptions SET given_back_at = NULL, shopper = ?, claimed_at = UTC_TIMESTAMP(3), claimed_by = ? WHERE order_id = ? AND offer = ?",
      [shopper ?? null, by, order, offer.id],
    );
  }
  // Only what is new: an order that has it keeps it.
  if (!offer.on) throw new Refused({ offer: offer.id, reason: "switched-off" });
  if (!(await countUp(connection, offer.id, EVERYBODY, overall)))
    throw new Refused({ offer: offer.id, reason: "limit-reached" });
  if (shopper !== undefined && !(await countUp(connection, offer.id, shopper, perShopper)))
    throw new Refused({ offer: offer.id, reason: "shopper-limit-reached" });
}

/** Counts one more use unless the limit is reached. The row is locked until the transaction ends. */
async function countUp(
  connection: PoolConnection,
  offer: string,
  shopper: string,
  limit: number | undefined,
): Promise<boolean> {
  await connection.execute(
    "INSERT INTO redemption_counts (offer, shopper, used) VALUES (?, ?, 0) ON DUPLICATE KEY UPDATE used = used",
    [offer, shopper],
  );
  const [updated] = await connection.execute<ResultSetHeader>(
    "UPDATE redemption_counts SET used = used + 1 WHERE offer = ? AND shopper = ? AND used < ?",
    [offer, shopper, limit ?? UNLIMITED],
  );
  return updated.affectedRows === 1;
}
const UNLIMITED = 4_000_000_000;

/** Gives back whatever an order has claimed; done twice, it is done once. */
export async function giveBack(pool: Pool, order: string): Promise<{ givenBack: string[] }> {
  return inTransaction(pool, async (connection) => {
    const [claimed] = await connection.execute<RedemptionRow[]>(
      "SELECT offer, shopper, 0 AS given_back FROM redemptions WHERE order_id = ? AND given_back_at IS NULL ORDER BY offer FOR UPDATE",
      [order],
    );
    for (const { offer, shopper } of claimed) {
      for (const one of shopper === null ? [EVERYBODY] : [EVERYBODY, shopper])
        await connection.execute("UPDATE redemption_counts SET used = used - 1 WHERE offer = ? AND shopper = ?", [
          offer,
          one,
        ]);
    }
    await connection.execute(
      "UPDATE redemptions SET given_back_at = UTC_TIMESTAMP(3) WHERE order_id = ? AND given_back_at IS NULL",
      [order],
    );
    await giveBackWindow(connection, order);
    return { givenBack: claimed.map(({ offer }) => offer) };
  });
}

/** How often offers have been used, by their ids; what is not named has not been used. */
export type Uses = Readonly<Record<string, number>>;

/** Every quote asks a release for them. */
const limitedOffers = keptBy(({ offers }: Pick<Plan, "offers">) => offers.filter(({ limits }) => limits));

/** The offers whose uses a quote has to know; what the request tells itself stays. */
export const offersCounted = (plan: Pick<Plan, "offers">, { uses }: QuoteRequest): readonly Offer[] => {
  const limited = limitedOffers(plan);
  return uses ? limited.filter(({ id }) => !uses.some(({ offer }) => offer === id)) : limited;
};

/**
 * The request with the ledger's counts of limited offers; counts that came with the request stay.
 *
 * @param counted see `offersCounted`
 * @param own those of the shopper who asks, where that is known; of offers that limit it
 */
export function withUses(request: QuoteRequest, counted: readonly Offer[], all: Uses, own: Uses = {}): QuoteRequest {
  if (counted.length === 0) return request;
  const known = request.shopper?.id !== undefined;
  const uses = counted.map(({ id: offer, limits }) => {
    const overall = all[offer] ?? 0;
    return known && limits?.perShopper !== undefined
      ? { offer, overall, byShopper: own[offer] ?? 0 }
      : { offer, overall };
  });
  return withFields(request, { uses: [...(request.uses ?? []), ...uses] });
}

interface TallyRow extends RowDataPacket {
  offer: string;
  used: number;
}

/** How often each offer has been used: by everybody, or by one shopper. */
export async function usesOf(pool: Pool, shopper: string = EVERYBODY): Promise<Uses> {
  const [rows] = await pool.query<TallyRow[]>("SELECT offer, used FROM redemption_counts WHERE shopper = ?", [shopper]);
  return Object.fromEntries(rows.map(({ offer, used }) => [offer, used]));
}
