import type { APIRoute } from "astro";
import { phrase } from "../core/phrases/phrase.ts";
import { toResponse } from "../server/http/answer.ts";
import { problemAnswer } from "../server/http/problem-document.ts";

/** Stands where the framework would work on pictures from anywhere. */
export const GET: APIRoute = ({ url }) =>
  toResponse(problemAnswer(404, phrase("There is no such endpoint"), { detail: url.pathname }));
