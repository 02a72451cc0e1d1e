import type { APIRoute } from "astro";
import { phrase } from "../../../core/phrases/phrase.ts";
import { problemDocument } from "../../../server/http/problem-document.ts";

export const ALL: APIRoute = ({ url }) =>
  problemDocument(404, phrase("There is no such endpoint"), { detail: url.pathname });
