import type { DeliveryOption } from "../delivery/option.ts";
import { pickText } from "../messages/locale.ts";
import { keptBy } from "../phrases/kept.ts";
import { type PhraseValue, phrase } from "../phrases/phrase.ts";
import type { Plan } from "../plan/plan.ts";

/** So many zones tell an option apart; more are told by their number. */
const MOST_ZONES = 2;

/**
 * The same, told apart from others of its name by where it is offered.
 *
 * @example optionNameApart(plan, post) // "Post (Spain, Great Britain and 3 more)"
 */
export function optionNameApart(
  { options, zones }: Pick<Plan, "options" | "zones">,
  option: DeliveryOption,
): PhraseValue {
  const name = optionName(option);
  if (!namesShared(options).has(name)) return name;
  const served = new Set(option.zones);
  const names = zones.filter(({ id }) => served.has(id)).map((zone) => zone.name);
  const more = names.length - MOST_ZONES;
  const zonesTold = names.slice(0, MOST_ZONES).join(", ");
  if (names.length === 0) return phrase("{name} (nowhere)", { name });
  return more > 0
    ? phrase("{name} ({zones} and {more} more)", { name, zones: zonesTold, more })
    : phrase("{name} ({zones})", { name, zones: zonesTold });
}

/** Lists of many options ask for each of them. */
const namesShared = keptBy((options: readonly DeliveryOption[]): ReadonlySet<string> => {
  const [seen, shared] = [new Set<string>(), new Set<string>()];
  for (const name of options.map(optionName)) (seen.has(name) ? shared : seen).add(name);
  return shared;
});

/** The same by its id, which stands where there is no such option any more. */
export function optionNameOf({ options }: Pick<Plan, "options">, id: string): string {
  const option = options.find((one) => one.id === id);
  return option ? optionName(option) : id;
}

/** What a delivery option is called on screen. @example optionName({ id: "post", name: { en: "Post" } }) // "Post" */
export const optionName = ({ name, id }: Pick<DeliveryOption, "name" | "id">) => pickText(name, "en", [])?.text ?? id;
