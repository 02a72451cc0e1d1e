import type { APIRoute } from "astro";
import { phrase } from "../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { personOf } from "../../../server/http/caller.ts";
import { handle } from "../../../server/http/handle.ts";
import { problemAnswer } from "../../../server/http/problem-document.ts";
import { LOG_PARTS, readLog } from "../../../server/log/read-log.ts";
import { mayAs } from "../../../server/people/person.ts";

/** Letters that are searched for, at most. */
const LONGEST = 200;

/** Who did what, the newest first: `part` (several), `search` and `before`, a moment. */
export const GET: APIRoute = ({ request, url: { searchParams } }) =>
  handle(async () => {
    const before = searchParams.get("before") ?? undefined;
    if (before !== undefined && Number.isNaN(Date.parse(before)))
      return problemAnswer(400, phrase("{before} is no moment", { before }));
    const wanted = searchParams.getAll("part");
    // Who signed in, and from where, is for whoever runs the store.
    const may = LOG_PARTS.filter((part) => part !== "people" || mayAs(personOf(request).role, "run"));
    const parts = may.filter((part) => wanted.length === 0 || wanted.includes(part));
    const search = (searchParams.get("search") ?? "").trim().slice(0, LONGEST);
    return jsonAnswer(await readLog(sharedPool(), { parts, search, before }));
  });
