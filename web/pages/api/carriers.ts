import { Type } from "@sinclair/typebox";
import type { APIRoute } from "astro";
import { CarrierQuestion } from "../../../core/quote/carriers/carrier-questions.ts";
import { checker } from "../../../core/validation/checker.ts";
import { askCarriers, ownCarriers } from "../../../server/carriers/ask-carriers.ts";
import { CarrierBehaviour } from "../../../server/carriers/simulated.ts";
import { handle, jsonResponse } from "../../../server/http/handle.ts";
import { readBody } from "../../../server/http/read-body.ts";

const LARGEST_REQUEST = 64 * 1024;
const checkQuestions = checker(
  Type.Object(
    {
      questions: Type.Array(CarrierQuestion, { maxItems: 50 }),
      moods: Type.Optional(Type.Record(Type.String({ maxLength: 64 }), CarrierBehaviour)),
    },
    { additionalProperties: false },
  ),
);

/** The carriers that a plan can ask. */
export const GET: APIRoute = () =>
  handle(async () => jsonResponse(ownCarriers().map(({ id, name, services }) => ({ id, name, services }))));

/** Asks carriers for a preview; `moods` makes simulated ones slow or failing. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, LARGEST_REQUEST, checkQuestions);
    if ("refusal" in body) return body.refusal;
    const { questions, moods } = body.value;
    return jsonResponse({ replies: await askCarriers(questions, ownCarriers(moods)) });
  });
