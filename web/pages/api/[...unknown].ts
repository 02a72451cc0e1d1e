import type { APIRoute } from "astro";
import { phrase } from "../../../core/phrases/phrase.ts";
import { toResponse } from "../../../server/http/answer.ts";
import { problemAnswer } from "../../../server/http/problem-document.ts";

export const ALL: APIRoute = ({ url }) =>
  toResponse(problemAnswer(404, phrase("There is no such endpoint"), { detail: url.pathname }));
