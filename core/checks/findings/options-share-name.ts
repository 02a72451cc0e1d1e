import type { Condition } from "../../conditions/condition.ts";
import { askedOf } from "../../conditions/on-channels.ts";
import type { DeliveryOption } from "../../delivery/option.ts";
import { phrase } from "../../phrases/phrase.ts";
import type { Plan } from "../../plan/plan.ts";
import { type Check, type CheckContext, type FoundFault, onOption } from "../check.ts";

/** Two options of one name in one zone: shoppers see both, or neither, where they should take turns. */
export const optionsShareName: Check = {
  code: "options-share-name",
  severity: "risky",
  *find(context) {
    const names = new Map(context.plan.options.map(({ id }) => [id, context.optionName(id)]));
    for (const [option, other] of pairsIn(context.plan)) {
      if (names.get(option.id) !== names.get(other.id)) continue;
      const zones = option.zones.filter((zone) => other.zones.includes(zone));
      if (zones.length > 0) yield* faultsOf(context, option, other, zones);
    }
  },
};

function* pairsIn({ options }: Plan): Generator<[DeliveryOption, DeliveryOption]> {
  const on = options.filter((option) => option.on !== false);
  for (const [i, option] of on.entries()) for (const other of on.slice(i + 1)) yield [option, other];
}

function* faultsOf(
  context: CheckContext,
  option: DeliveryOption,
  other: DeliveryOption,
  zones: readonly string[],
): Generator<FoundFault> {
  const name = context.optionName(option.id);
  const conditions = [askedOf(option), askedOf(other)].filter((when) => when !== undefined);
  const both: Condition | null = conditions.length > 0 ? { kind: "all", of: conditions } : null;
  const seen = both ? context.decide(zones, both, true) : null;
  if (!seen || seen.kind === "witness")
    yield {
      sentence: phrase("Some shoppers see two options called {name} at once.", { name }),
      at: onOption(other),
      witness: seen?.kind === "witness" ? seen.request : null,
    };
  if (conditions.length < 2) return;
  const neither = context.decide(zones, { kind: "any", of: conditions }, false);
  if (neither.kind === "witness")
    yield {
      sentence: phrase("The two options called {name} look made to take turns, but some shoppers see neither.", {
        name,
      }),
      at: onOption(other, "/when"),
      witness: neither.request,
    };
}
