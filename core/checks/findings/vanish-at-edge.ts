import { boundsIn, singleValues } from "../../analysis/single-values.ts";
import type { Condition } from "../../conditions/condition.ts";
import { askedOf } from "../../conditions/on-channels.ts";
import type { DeliveryOption } from "../../delivery/option.ts";
import { phrase } from "../../phrases/phrase.ts";
import { type Check, type CheckContext, onOption } from "../check.ts";

/** Two options that take turns, one below a value and the other above it: at the value itself shoppers see neither. */
export const vanishAtEdge: Check = {
  code: "vanish-at-edge",
  severity: "risky",
  isSlow: true,
  *find(context) {
    for (const [option, other] of meeting(context)) {
      const zones = option.zones.filter((zone) => other.zones.includes(zone));
      const [one, two] = [askedOf(option), askedOf(other)];
      // Of one name, they are told of already.
      if (zones.length === 0 || !one || !two || context.optionName(option.id) === context.optionName(other.id))
        continue;
      const both: Condition = { kind: "all", of: [one, two] };
      const either: Condition = { kind: "any", of: [one, two] };
      const gap = singleValues(context.worldIn(zones), either, false);
      if (!gap || gap.ways.length === 0 || context.decide(zones, both, true).kind !== "never") continue;
      const found = gap.ways
        .map((way) => context.decide(zones, way, true))
        .find((decision) => decision.kind === "witness");
      if (found?.kind !== "witness") continue;
      yield {
        sentence: phrase(
          "{option} and {other} take turns, but at the very value where one ends and the other begins shoppers see neither.",
          { option: context.optionName(option.id), other: context.optionName(other.id) },
        ),
        at: onOption(other, "/when"),
        witness: found.request,
      };
    }
  },
};

/** Pairs of options of which one's condition has an end a unit before one of the other's: no others take turns. */
function* meeting(context: CheckContext): Generator<[DeliveryOption, DeliveryOption]> {
  const asking = context.plan.options.flatMap((option) => {
    const when = option.on === false ? undefined : askedOf(option);
    return when ? [{ option, bounds: boundsIn(context.worldIn(option.zones), when) }] : [];
  });
  const key = (of: string, at: number) => `${of} ${at}`;
  const before = new Map<string, Set<DeliveryOption>>();
  for (const { option, bounds } of asking)
    for (const { of, at } of bounds)
      before.set(key(of, at + 1), (before.get(key(of, at + 1)) ?? new Set()).add(option));
  for (const { option, bounds } of asking)
    for (const other of new Set(bounds.flatMap(({ of, at }) => [...(before.get(key(of, at)) ?? [])])))
      if (other !== option) yield [other, option];
}
