import type { APIRoute } from "astro";
import { problemDocument } from "../../../server/http/problem-document.ts";

export const ALL: APIRoute = ({ url }) => problemDocument(404, "There is no such endpoint", { detail: url.pathname });
