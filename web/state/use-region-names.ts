import { useQueries } from "@tanstack/react-query";
import type { Region } from "../../server/places/regions.ts";
import { regionsOf } from "./server-queries.ts";

/** What the regions of these countries are called, by code. */
export function useRegionNames(countries: readonly string[]): ReadonlyMap<string, string> {
  return useQueries({ queries: countries.map(regionsOf), combine: namesIn });
}

function namesIn(answers: readonly { data?: { regions: Region[] } | undefined }[]): ReadonlyMap<string, string> {
  return new Map(answers.flatMap(({ data }) => data?.regions ?? []).map(({ code, name }) => [code, name]));
}
