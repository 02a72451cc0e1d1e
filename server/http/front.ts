import type { IncomingMessage, ServerResponse } from "node:http";
import { phrase } from "../../core/phrases/phrase.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { checkQuoteRequest } from "../../core/validation/documents.ts";
import { answerCancel, answerClaim } from "../shop/answer-claim.ts";
import { answerQuote } from "../shop/answer-quote.ts";
import type { Shop } from "../shop/shop.ts";
import { checkCancel, checkClaim } from "../validation/documents.ts";
import { type Answer, withHeader } from "./answer.ts";
import { answered } from "./handle.ts";
import { problemAnswer } from "./problem-document.ts";
import { readIncoming } from "./read-body.ts";
import { setEverywhere, writeAnswer } from "./write-answer.ts";

/** Null when the caller went away: there is nobody to answer. */
type Endpoint = (shop: Shop, request: IncomingMessage) => Promise<Answer | null>;

const taking =
  <T>(
    largest: number,
    check: (data: unknown) => Checked<T>,
    answer: (shop: Shop, value: T) => Promise<Answer>,
  ): Endpoint =>
  async (shop, request) => {
    const body = await readIncoming(request, largest, check);
    if (!body) return null;
    return "refusal" in body ? body.refusal : answered(() => answer(shop, body.value));
  };

/** What shops call: it is answered here, before the framework, and never waits for what marketers do. */
const OF_SHOPS: ReadonlyMap<string, { readonly [method: string]: Endpoint | "passed on" }> = new Map([
  ["/api/quote", { POST: taking(256 * 1024, checkQuoteRequest, answerQuote) }],
  ["/api/redemptions", { GET: "passed on" as const, POST: taking(16 * 1024, checkClaim, answerClaim) }],
  ["/api/redemptions/cancel", { POST: taking(4096, checkCancel, answerCancel) }],
]);

const wrongMethod = (allowed: readonly string[]): Endpoint => {
  const answer = problemAnswer(405, phrase("That cannot be done here"), {
    detail: phrase("Allowed: {methods}.", { methods: allowed.join(", ") }),
  });
  return async () => withHeader(answer, "allow", allowed.join(", "));
};

/** Who answers a request of a shop; undefined where the framework does. */
function endpointOf({ url = "", method = "" }: IncomingMessage): Endpoint | undefined {
  const methods = OF_SHOPS.get(pathOf(url));
  if (!methods) return undefined;
  const endpoint = methods[method] ?? wrongMethod(Object.keys(methods));
  return endpoint === "passed on" ? undefined : endpoint;
}

export type Front = (request: IncomingMessage, response: ServerResponse, passOn: () => void) => void;

/**
 * The server's own front: it answers what shops call and passes everything else on, with the headers set that every answer has.
 */
export const frontOf =
  (shop: Shop): Front =>
  (request, response, passOn) => {
    const endpoint = endpointOf(request);
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

const pathOf = (url: string): string => {
  const query = url.indexOf("?");
  return query < 0 ? url : url.slice(0, query);
};
