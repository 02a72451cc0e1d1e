import type { APIRoute } from "astro";
import { phrase } from "../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { problemAnswer } from "../../../server/http/problem-document.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { dropSaved, listSaved, save } from "../../../server/saved/saved.ts";
import { checkStandpoint } from "../../../server/saved/standpoint.ts";
import { checkKeepStandpoint } from "../../../server/validation/documents.ts";

const KIND = "standpoint";
const list = async () => {
  const { kept, setAside } = await listSaved(sharedPool(), KIND, checkStandpoint);
  return jsonAnswer({ standpoints: kept, setAside });
};

export const GET: APIRoute = () => handle(list);

/** Keeps or drops one standpoint; answers with all that are kept. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/standpoints"), checkKeepStandpoint);
    if ("refusal" in body) return body.refusal;
    if (body.value.do === "keep") {
      const checked = checkStandpoint(body.value.body);
      const found = "problems" in checked ? checked.problems : [];
      const problems = found.map(({ path, message }) => ({ path: `/body${path}`, message }));
      if (problems.length > 0) return problemAnswer(422, phrase("The standpoint cannot be kept"), { problems });
      await save(sharedPool(), KIND, body.value);
    } else await dropSaved(sharedPool(), KIND, body.value.id);
    return list();
  });
