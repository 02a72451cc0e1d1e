import { useQuery } from "@tanstack/react-query";

export type Region = { code: string; name: string };

const NONE: readonly Region[] = [];

/** The regions of every country by ISO 3166-2; a long list, loaded when it is first wanted. */
async function loadRegions(): Promise<ReadonlyMap<string, Region[]>> {
  const { iso31662 } = await import("iso-3166/2.js");
  const byCountry = new Map<string, Region[]>();
  for (const { code, name } of iso31662) {
    const country = code.slice(0, 2);
    byCountry.set(country, [...(byCountry.get(country) ?? []), { code, name }]);
  }
  for (const regions of byCountry.values()) regions.sort((a, b) => a.name.localeCompare(b.name, "en"));
  return byCountry;
}

/** The regions of every country, empty until they are loaded. */
export function useAllRegions(): ReadonlyMap<string, readonly Region[]> {
  const { data } = useQuery({ queryKey: ["regions"], queryFn: loadRegions, staleTime: Number.POSITIVE_INFINITY });
  return data ?? EMPTY;
}
const EMPTY: ReadonlyMap<string, readonly Region[]> = new Map();

/** The regions of one country by name. */
export const useRegions = (country: string): readonly Region[] => useAllRegions().get(country) ?? NONE;
