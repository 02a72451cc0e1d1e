import type { APIRoute } from "astro";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { entitiesOf } from "../../../../core/plan/entities.ts";
import { calendarProblems } from "../../../../server/holidays/holidays.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { largest } from "../../../../server/http/endpoints.ts";
import { handle } from "../../../../server/http/handle.ts";
import { problemAnswer } from "../../../../server/http/problem-document.ts";
import { readBody } from "../../../../server/http/read-body.ts";
import { checkWholePlan } from "../../../../server/validation/whole-plan.ts";

/** Checks a whole plan file and takes it apart into entities; nothing is written. */
export const POST: APIRoute = ({ request }) =>
  handle(async () => {
    const body = await readBody(request, largest("/api/draft/check"), checkWholePlan);
    if ("refusal" in body) return body.refusal;
    const plan = body.value;
    const problems = await calendarProblems(plan, Date.now());
    if (problems.length > 0) return problemAnswer(422, phrase("The plan does not hold together"), { problems });
    return jsonAnswer({ entities: entitiesOf(plan) });
  });
