import type { APIRoute } from "astro";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { byOf } from "../../../../server/http/caller.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { problemAnswer } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { releaseAnswer } from "../../../../server/releases/answer-release.ts";
import { callOff, freezeAnew, remakeWithOffer } from "../../../../server/releases/make-release.ts";
import { readRelease } from "../../../../server/releases/releases.ts";
import { checkChangeRelease } from "../../../../server/validation/documents.ts";

const noSuchRelease = (number: string) => problemAnswer(404, phrase("There is no such release"), { detail: number });

/** One release with its plan and the holidays frozen with it. */
export const GET: APIRoute = ({ params: { number = "" } }) =>
  handle(async () => {
    const found = /^[1-9]\d{0,8}$/.test(number) ? await readRelease(sharedPool(), Number(number)) : null;
    return found ? jsonAnswer(found) : noSuchRelease(number);
  });

/** Calls off a release that waits, or makes it anew. */
export const POST: APIRoute = ({ params: { number = "" }, request }) =>
  handle(async () => {
    if (!/^[1-9]\d{0,8}$/.test(number)) return noSuchRelease(number);
    const body = await readBody(request, largest("/api/releases/[number]"), checkChangeRelease);
    if ("refusal" in body) return body.refusal;
    const by = byOf(request);
    const [pool, of, change] = [sharedPool(), Number(number), body.value];
    if (change.do === "call-off") return releaseAnswer(await callOff(pool, of, by.name), 200);
    if (change.do === "freeze-anew") return releaseAnswer(await freezeAnew(pool, of, by.name), 201);
    return releaseAnswer(await remakeWithOffer(pool, of, by.name, change.offer, change.on), 201);
  });
