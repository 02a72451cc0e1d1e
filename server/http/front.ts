import type { IncomingMessage, ServerResponse } from "node:http";
import type { Checked } from "../../core/validation/checker.ts";
import { checkQuoteRequest } from "../../core/validation/documents.ts";
import { answerCancel, answerClaim } from "../shop/answer-claim.ts";
import { answerQuote } from "../shop/answer-quote.ts";
import type { Shop } from "../shop/shop.ts";
import { checkCancel, checkClaim } from "../validation/documents.ts";
import type { Answer } from "./answer.ts";
import { largest } from "./endpoints.ts";
import { gates, pathOf } from "./gates.ts";
import { answered } from "./handle.ts";
import { readIncoming } from "./read-body.ts";
import { setEverywhere, writeAnswer } from "./write-answer.ts";

/** Null when the caller went away: there is nobody to answer. */
type Endpoint = (shop: Shop, request: IncomingMessage) => Promise<Answer | null>;

type Posted = "/api/quote" | "/api/redemptions" | "/api/redemptions/cancel";

const taking = <T>(
  path: Posted,
  check: (data: unknown) => Checked<T>,
  answer: (shop: Shop, value: T) => Promise<Answer>,
): [Posted, Endpoint] => [
  path,
  async (shop, request) => {
    const body = await readIncoming(request, largest(path), check);
    if (!body) return null;
    return "refusal" in body ? body.refusal : answered(() => answer(shop, body.value));
  },
];

/** What shops post: it is answered here, before the framework, and never waits for what marketers do. */
const OF_SHOPS: ReadonlyMap<string, Endpoint> = new Map([
  taking("/api/quote", checkQuoteRequest, answerQuote),
  taking("/api/redemptions", checkClaim, answerClaim),
  taking("/api/redemptions/cancel", checkCancel, answerCancel),
]);

export type Front = (request: IncomingMessage, response: ServerResponse, passOn: () => void) => void;

/**
 * The server's own front: it refuses what may not be asked, answers what shops call, and passes everything else on, with the headers set
 * that every answer has.
 *
 * @param hosts names it may be reached by, besides this machine's own
 */
export function frontOf(shop: Shop, hosts: readonly string[]): Front {
  const refused = gates(hosts);
  return (request, response, passOn) => {
    const { method = "", url = "", headers } = request;
    const refusal = refused({ method, url, headers });
    if (refusal) {
      writeAnswer(request, response, refusal);
      return;
    }
    const endpoint = method === "POST" ? OF_SHOPS.get(pathOf(url)) : undefined;
    if (!endpoint) {
      setEverywhere(response);
      passOn();
      return;
    }
    endpoint(shop, request).then(
      (answer) => answer && writeAnswer(request, response, answer),
      (error: unknown) => {
        console.error(error);
        response.destroy();
      },
    );
  };
}

/** Names that a setting lists. @example namesIn("shop.example, admin.shop.example") */
export const namesIn = (setting: string | undefined): string[] =>
  (setting ?? "")
    .split(",")
    .map((name) => name.trim())
    .filter((name) => name !== "");
