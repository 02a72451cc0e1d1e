import type { APIRoute } from "astro";
import { catalogueNames } from "../../../../server/catalogue/catalogue.ts";
import { sharedPool } from "../../../../server/database/pool.ts";
import { jsonAnswer } from "../../../../server/http/answer.ts";
import { handle } from "../../../../server/http/handle.ts";

/** The categories, tags and parcel classes that products have. */
export const GET: APIRoute = () => handle(async () => jsonAnswer(await catalogueNames(sharedPool())));
