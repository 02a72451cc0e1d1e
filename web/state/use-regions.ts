import { useQuery } from "@tanstack/react-query";
import type { Region } from "../../server/places/regions.ts";
import { regionsOf } from "./server-queries.ts";

const NONE: readonly Region[] = [];

/** The regions of one country by name, none until they are there. */
export const useRegions = (country: string): readonly Region[] => useQuery(regionsOf(country)).data?.regions ?? NONE;
