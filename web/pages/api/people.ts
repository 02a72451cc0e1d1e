import type { APIRoute } from "astro";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { type Answer, jsonAnswer } from "../../../server/http/answer.ts";
import { byOf, personOf } from "../../../server/http/caller.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { problemAnswer } from "../../../server/http/problem-document.ts";
import { readBody } from "../../../server/http/read-body.ts";
import {
  invite,
  listPeople,
  makePasswordLink,
  type PeopleRefusal,
  setRole,
  takeOut,
} from "../../../server/people/people.ts";
import { checkChangePeople } from "../../../server/validation/documents.ts";

/** Everybody who may sign in, and who did before. */
export const GET: APIRoute = () => handle(async () => jsonAnswer({ people: await listPeople(sharedPool()) }));

const REFUSALS: Readonly<Record<PeopleRefusal, Phrase>> = {
  "name-taken": phrase("Somebody of that name is here already"),
  "no-such-person": phrase("That person is not here any more"),
  "last-to-run": phrase("Somebody has to run this store: give that role to another person first"),
  yourself: phrase("That is for another person to do"),
};

const answerOf = (came: { readonly refused: PeopleRefusal } | object): Answer =>
  "refused" in came ? problemAnswer(409, REFUSALS[came.refused]) : jsonAnswer(came);

/** Invites people, says what they may do, lets them set a password anew, takes them out. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/people"), checkChangePeople);
    if ("refusal" in body) return body.refusal;
    const [pool, by, asked] = [sharedPool(), byOf(request), body.value];
    if (asked.do === "invite") return answerOf(await invite(pool, asked.name, asked.role, by));
    // Whoever gives away their own role, or takes themselves out, may not have meant it.
    if (asked.do !== "make-link" && asked.person === personOf(request).id) return answerOf({ refused: "yourself" });
    if (asked.do === "set-role") return answerOf(await setRole(pool, asked.person, asked.role, by));
    if (asked.do === "take-out") return answerOf(await takeOut(pool, asked.person, by));
    return answerOf(await makePasswordLink(pool, asked.person, asked.losesFactor, by));
  });
