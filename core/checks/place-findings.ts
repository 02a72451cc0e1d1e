import { pickText } from "../messages/locale.ts";
import type { Coverage } from "../places/coverage.ts";
import type { Plan } from "../plan/plan.ts";
import type { Finding } from "./finding.ts";

/**
 * What is odd about who serves where: zones in which nobody can check out, places claimed twice, narrow zones that lack
 * options which the zone around them has.
 *
 * @param placeName what a country or region is called
 */
export function placeFindings(plan: Plan, coverage: Coverage, placeName: (code: string) => string): Finding[] {
  const list = new Intl.ListFormat("en", { type: "conjunction" });
  const zoneName = (id: string) => plan.zones.find((zone) => zone.id === id)?.name ?? id;
  const optionName = (id: string) =>
    pickText(plan.options.find((option) => option.id === id)?.name ?? {}, "en", [])?.text ?? id;
  const about = (id: string, path: string) => ({ at: { kind: "zone" as const, id, path }, witness: null });
  return [
    ...coverage.emptyZones.map(
      (id): Finding => ({
        code: "zone-without-options",
        severity: "wrong",
        sentence: `${zoneName(id)} has no delivery option: nobody there can check out.`,
        ...about(id, ""),
      }),
    ),
    ...coverage.rows.flatMap(({ code, claimedTwice }): Finding[] => {
      const [first, ...others] = claimedTwice;
      if (first === undefined) return [];
      const rivals = list.format(others.map(zoneName));
      return [
        {
          code: "place-claimed-twice",
          severity: "odd",
          sentence: `${zoneName(first)} serves ${placeName(code)}, which ${rivals} claims too; the first by order wins.`,
          ...about(first, "/destinations"),
        },
      ];
    }),
    ...coverage.lacking.map(
      ({ zone, around, options }): Finding => ({
        code: "narrow-zone-lacks-options",
        severity: "odd",
        sentence: `${zoneName(zone)} has no ${list.format(options.map(optionName))}, which ${zoneName(around)} around it has.`,
        ...about(zone, ""),
      }),
    ),
  ];
}
