import type { APIRoute } from "astro";
import { iso31661 } from "iso-3166/1.js";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { handle } from "../../../../server/http/handle.ts";
import { problemAnswer } from "../../../../server/http/problem-document.ts";
import { regionsOf } from "../../../../server/places/regions.ts";

const countries = new Set(iso31661.map(({ alpha2 }) => alpha2));

/** The regions of one country. The list of the whole world is long: a page takes what it shows. */
export const GET: APIRoute = ({ params: { country = "" } }) =>
  handle(async () =>
    countries.has(country)
      ? jsonAnswer({ regions: regionsOf(country) })
      : problemAnswer(404, phrase("There is no such country"), { detail: `${country} is not in ISO 3166-1` }),
  );
