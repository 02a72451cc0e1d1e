import { phrase } from "../../core/phrases/phrase.ts";
import { type Answer, jsonAnswer } from "../http/answer.ts";
import { problemAnswer } from "../http/problem-document.ts";
import type { Claim } from "../redemptions/claim-schema.ts";
import { claim, giveBack } from "../redemptions/ledger.ts";
import { forgetEverywhere, type Shop } from "./shop.ts";

/**
 * Claims offers for an order: all or none. Asked again, it answers the same and counts nothing twice.
 *
 * @param by the key or person that is written down as claiming
 */
export async function answerClaim(shop: Shop, asked: Claim, by: string): Promise<Answer> {
  const { offers, window } = asked;
  if (offers.length === 0 && !window)
    return problemAnswer(422, phrase("There is nothing to claim"), {
      problems: [{ path: "/offers", message: phrase("names no offer, and there is no window either") }],
    });
  const release = await shop.release.now();
  if (!release) return problemAnswer(404, phrase("Nothing is released yet"));
  const result = await claim(shop.pool, release.compiled.plan, asked, by);
  if ("refused" in result) {
    const { refused } = result;
    const [path, id] = "offer" in refused ? ["/offers", refused.offer] : ["/window", refused.option];
    return problemAnswer(409, phrase("The offers cannot be claimed"), {
      problems: [{ path, message: phrase('"{id}": {reason}', { id, reason: refused.reason }) }],
      extra: { refused },
    });
  }
  await forgetEverywhere(shop, "counts");
  return jsonAnswer(result);
}

/** Gives back what an order has claimed. */
export async function answerCancel(shop: Shop, { order }: { order: string }): Promise<Answer> {
  const result = await giveBack(shop.pool, order);
  await forgetEverywhere(shop, "counts");
  return jsonAnswer(result);
}
