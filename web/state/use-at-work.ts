import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { AtWork, Place } from "../../server/people/at-work.ts";
import { call } from "./api.ts";

/** How often a page says where its user is: the server forgets it after three times as long. */
const EVERY_MS = 15_000;
const NOBODY: readonly AtWork[] = [];

/** Says where one is for as long as the page is looked at. @returns everybody else at work */
export function useAtWork(place: Place): readonly AtWork[] {
  const { data } = useQuery({
    queryKey: ["at-work", place.section, place.thing],
    queryFn: () => call<{ others: AtWork[] }>("/api/at-work", place),
    refetchInterval: EVERY_MS,
    staleTime: 0,
    retry: false,
    placeholderData: keepPreviousData,
  });
  return data?.others ?? NOBODY;
}
