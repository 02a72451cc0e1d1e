import type { IncomingMessage, ServerResponse } from "node:http";
import { phrase } from "../../core/phrases/phrase.ts";
import type { Checked } from "../../core/validation/checker.ts";
import { checkQuoteRequest } from "../../core/validation/documents.ts";
import { answerCancel, answerClaim } from "../shop/answer-claim.ts";
import { answerQuote } from "../shop/answer-quote.ts";
import type { Shop } from "../shop/shop.ts";
import { checkCancel, checkClaim } from "../validation/documents.ts";
import { accessGate } from "./access.ts";
import type { Answer } from "./answer.ts";
import { writeCaller } from "./caller.ts";
import { largest } from "./endpoints.ts";
import { gates, pathOf } from "./gates.ts";
import { answered } from "./handle.ts";
import { problemAnswer } from "./problem-document.ts";
import { readIncoming } from "./read-body.ts";
import { allHaveCome } from "./side-by-side.ts";
import { setEverywhere, writeAnswer } from "./write-answer.ts";

/** Null when the caller went away: there is nobody to answer. */
type Endpoint = (shop: Shop, request: IncomingMessage, by: string) => Promise<Answer | null>;

type Posted = "/api/quote" | "/api/redemptions" | "/api/redemptions/cancel";

const taking = <T>(
  path: Posted,
  check: (data: unknown) => Checked<T>,
  answer: (shop: Shop, value: T, by: string) => Promise<Answer>,
): [Posted, Endpoint] => [
  path,
  async (shop, request, by) => {
    const body = await readIncoming(request, largest(path), check);
    if (!body) return null;
    return "refusal" in body ? body.refusal : answered(() => answer(shop, body.value, by));
  },
];

/** What shops post: it is answered here, before the framework, and never waits for what marketers do. */
const OF_SHOPS: ReadonlyMap<string, Endpoint> = new Map([
  taking("/api/quote", checkQuoteRequest, answerQuote),
  taking("/api/redemptions", checkClaim, answerClaim),
  taking("/api/redemptions/cancel", checkCancel, answerCancel),
]);

/** What the front does not answer itself. */
export type Behind = {
  /** Answers with a file, or with whatever it is that there is none. */
  readonly file: () => void;
  /** Has it answered by the framework. */
  readonly desk: () => void;
};
export type Front = (request: IncomingMessage, response: ServerResponse, behind: Behind) => void;

/** Names that it may be reached by besides this machine's own, and addresses of what stands in front of it. */
export type Surroundings = { readonly hosts: readonly string[]; readonly proxies: readonly string[] };

/**
 * The server's own front: it refuses what may not be asked, or not by whoever asks, answers what shops call, and passes on the
 * rest, with the headers set that every answer has and with who asks.
 */
export function frontOf(shop: Shop, { hosts, proxies }: Surroundings): Front {
  const refused = gates(hosts);
  const lets = accessGate(shop.pool, shop.keys, new Set(proxies));
  return (request, response, behind) => {
    const { method = "", url = "", headers } = request;
    const refusal = refused({ method, url, headers });
    if (refusal) {
      writeAnswer(request, response, refusal);
      return;
    }
    const path = pathOf(url);
    const endpoint = method === "POST" ? OF_SHOPS.get(path) : undefined;
    const answer = async (): Promise<Answer | null | "passed on"> => {
      if (endpoint) await allHaveCome();
      const found = await lets(request);
      if (found === "unknown") {
        if (isOfApi(path)) return NO_ENDPOINT;
        setEverywhere(response);
        behind.file();
        return "passed on";
      }
      if ("refusal" in found) return found.refusal;
      if (endpoint) return endpoint(shop, request, found.by);
      setEverywhere(response);
      writeCaller(headers, found.caller());
      behind.desk();
      return "passed on";
    };
    answered(answer).then(
      (came) => came !== "passed on" && came && writeAnswer(request, response, came),
      (error: unknown) => {
        console.error(error);
        response.destroy();
      },
    );
  };
}

const isOfApi = (path: string) => /^\/api(\/|$)/.test(path);
const NO_ENDPOINT = problemAnswer(404, phrase("There is no such endpoint"), {
  detail: phrase("docs/api.md lists what there is."),
});

/** Names that a setting lists. @example namesIn("shop.example, admin.shop.example") */
export const namesIn = (setting: string | undefined): string[] =>
  (setting ?? "")
    .split(",")
    .map((name) => name.trim())
    .filter((name) => name !== "");
