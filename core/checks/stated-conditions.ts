import type { Condition } from "../conditions/condition.ts";
import type { Plan } from "../plan/plan.ts";
import { chargesOf } from "../plan/visit-charges.ts";
import type { Finding } from "./finding.ts";

/** A condition where it stands, with the zones it is asked in and what to call it. */
export type StatedCondition = {
  readonly condition: Condition;
  readonly zones: readonly string[];
  readonly at: Finding["at"];
  readonly whose: string;
};

/** Every condition of what is on in a plan. */
export function statedConditions(plan: Plan): StatedCondition[] {
  const everywhere = plan.zones.map(({ id }) => id);
  const name = ({ name: texts, id }: { name: Readonly<Record<string, string>>; id: string }) => texts.en ?? id;
  return [
    ...plan.offers.flatMap((offer) =>
      offer.on && offer.when
        ? [
            {
              condition: offer.when,
              zones: offer.zones,
              at: { kind: "offer" as const, id: offer.id, path: "/when" },
              whose: `The condition of “${offer.name}”`,
            },
          ]
        : [],
    ),
    ...plan.options.flatMap((option) =>
      option.on !== false && option.when
        ? [
            {
              condition: option.when,
              zones: option.zones,
              at: { kind: "option" as const, id: option.id, path: "/when" },
              whose: `The condition of ${name(option)}`,
            },
          ]
        : [],
    ),
    ...plan.options.flatMap((option) =>
      (option.on === false ? [] : (option.surcharges ?? [])).flatMap((surcharge, i) =>
        surcharge.when
          ? [
              {
                condition: surcharge.when,
                zones: option.zones,
                at: { kind: "option" as const, id: option.id, path: `/surcharges/${i}/when` },
                whose: `The condition of the surcharge “${surcharge.name.en ?? surcharge.id}” on ${name(option)}`,
              },
            ]
          : [],
      ),
    ),
    ...chargesOf(plan).flatMap(({ option, charge, path }) =>
      charge.kind === "conditional"
        ? charge.entries.flatMap((entry, i) =>
            entry.when
              ? [
                  {
                    condition: entry.when,
                    zones: option.zones,
                    at: { kind: "option" as const, id: option.id, path: `${path}/entries/${i}/when` },
                    whose: `Case ${i + 1} of ${name(option)}`,
                  },
                ]
              : [],
          )
        : [],
    ),
    ...(plan.conditions ?? []).map((saved) => ({
      condition: saved.when,
      zones: everywhere,
      at: { kind: "condition" as const, id: saved.id, path: "/when" },
      whose: `The saved condition “${saved.name}”`,
    })),
  ];
}
