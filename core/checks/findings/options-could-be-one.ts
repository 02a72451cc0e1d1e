import type { DeliveryOption } from "../../delivery/option.ts";
import { joined, phrase } from "../../phrases/phrase.ts";
import { byPosition } from "../../schema/atoms.ts";
import { type Check, onOption } from "../check.ts";

/** Options that differ in nothing but the zones they are in: kept apart, a change of one is forgotten in the other. */
export const optionsCouldBeOne: Check = {
  code: "options-could-be-one",
  severity: "odd",
  *find({ plan, optionName, list, zoneName }) {
    const alike = new Map<string, DeliveryOption[]>();
    for (const option of [...plan.options].sort(byPosition)) {
      const { id: _, position: __, zones: ___, ...rest } = option;
      // What belongs to single zones cannot be put together by its looks.
      if (option.on === false || option.byZone) continue;
      const key = JSON.stringify(Object.entries(rest).sort(([a], [b]) => (a < b ? -1 : 1)));
      alike.set(key, [...(alike.get(key) ?? []), option]);
    }
    for (const [first, ...others] of alike.values()) {
      if (!first || others.length === 0) continue;
      const zones = [first, ...others].map((option) =>
        phrase("in {zones}", { zones: list(option.zones.map(zoneName)) }),
      );
      yield {
        sentence: phrase(
          "{option} is there {count} times, alike but for where: {zones}. One option with all those zones says the same.",
          { option: optionName(first.id), count: others.length + 1, zones: joined(zones, "; ") },
        ),
        at: onOption(first, "/zones"),
        witness: null,
      };
    }
  },
};
