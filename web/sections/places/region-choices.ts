import { isOutlying } from "../../../core/places/outlying.ts";
import type { Region } from "../../../server/places/regions.ts";
import { say } from "../../language/say.ts";

/** Chosen instead of a single region. */
const ALL = "all";
const OUTLYING = "outlying";

/** The regions of a country to choose from: all of them, those that lie apart, or one. */
export function regionChoices(regions: readonly Region[]): { value: string; words: string }[] {
  const apart = regions.filter(({ code }) => isOutlying(code)).length;
  return [
    ...(regions.length > 1
      ? [{ value: ALL, words: say("each of the {count} by itself", { count: regions.length }) }]
      : []),
    ...(apart > 1 ? [{ value: OUTLYING, words: say("all {apart} outlying regions", { apart }) }] : []),
    ...regions.map(({ code, name }) => ({ value: code, words: name })),
  ];
}

/** The codes that a choice stands for. */
export const regionsChosen = (chosen: string, regions: readonly Region[]): string[] =>
  regions
    .map(({ code }) => code)
    .filter((code) => chosen === ALL || (chosen === OUTLYING ? isOutlying(code) : code === chosen));
