import { phrase } from "../../phrases/phrase.ts";
import { coverageOf } from "../../queries/coverage.ts";
import { type Check, onZone } from "../check.ts";

/** A narrow zone without options that the zone around it has: often forgotten, since a zone offers only its own (F7). */
export const narrowZoneLacksOptions: Check = {
  code: "narrow-zone-lacks-options",
  severity: "odd",
  *find({ plan, list, zoneName, optionName }) {
    for (const { zone, around, options } of coverageOf(plan, []).lacking) {
      yield {
        sentence: phrase("{zone} has no {list}, which {around} around it has.", {
          zone: zoneName(zone),
          list: list(options.map(optionName)),
          around: zoneName(around),
        }),
        at: onZone(zone),
        witness: null,
        fix: {
          words: phrase("Offer {list} there too", { list: list(options.map(optionName)) }),
          changes: plan.options
            .filter(({ id }) => options.includes(id))
            .map((option) => ({
              kind: "option" as const,
              id: option.id,
              body: { ...option, zones: [...option.zones, zone] },
            })),
        },
      };
    }
  },
};
