import type { APIRoute } from "astro";
import { phrase } from "../../../core/phrases/phrase.ts";
import { sharedPool } from "../../../server/database/pool.ts";
import { jsonAnswer } from "../../../server/http/answer.ts";
import { largest } from "../../../server/http/endpoints.ts";
import { handle } from "../../../server/http/handle.ts";
import { problemAnswer } from "../../../server/http/problem-document.ts";
import { readBody } from "../../../server/http/read-body.ts";
import { checkSample } from "../../../server/saved/samples.ts";
import { dropSaved, listSaved, save } from "../../../server/saved/saved.ts";
import { checkKeepSamples } from "../../../server/validation/documents.ts";

const KIND = "sample";
const list = async () => {
  const { kept, setAside } = await listSaved(sharedPool(), KIND, checkSample);
  return jsonAnswer({ samples: kept.map(({ body }) => body), setAside });
};

export const GET: APIRoute = () => handle(list);

/** Keeps samples under their ids, or drops some; answers with all that are kept. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/samples"), checkKeepSamples);
    if ("refusal" in body) return body.refusal;
    const { value } = body;
    const problems = (value.do === "keep" ? value.samples : []).flatMap((sample, i) => {
      const checked = checkSample(sample);
      const found = "problems" in checked ? checked.problems : [];
      return found.map(({ path, message }) => ({ path: `/samples/${i}${path}`, message }));
    });
    if (problems.length > 0) return problemAnswer(422, phrase("A sample cannot be kept"), { problems });
    if (value.do === "keep")
      for (const sample of value.samples)
        await save(sharedPool(), KIND, { id: sample.id, name: sample.name.slice(0, 100), body: sample });
    else for (const id of value.ids) await dropSaved(sharedPool(), KIND, id);
    return list();
  });
