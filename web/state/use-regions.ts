import { useQueries, useQuery } from "@tanstack/react-query";
import type { Region } from "../../server/places/regions.ts";
import { api } from "./api.ts";

const NONE: readonly Region[] = [];

const regionsQuery = (country: string) => ({
  queryKey: ["regions", country],
  queryFn: () => api.regions(country),
  staleTime: Number.POSITIVE_INFINITY,
  enabled: country !== "",
});

/** The regions of one country by name, none until they are there. */
export const useRegions = (country: string): readonly Region[] => useQuery(regionsQuery(country)).data?.regions ?? NONE;

/** What the regions of these countries are called, by code. */
export function useRegionNames(countries: readonly string[]): ReadonlyMap<string, string> {
  return useQueries({ queries: countries.map(regionsQuery), combine: namesIn });
}

function namesIn(answers: readonly { data?: { regions: Region[] } | undefined }[]): ReadonlyMap<string, string> {
  return new Map(answers.flatMap(({ data }) => data?.regions ?? []).map(({ code, name }) => [code, name]));
}
