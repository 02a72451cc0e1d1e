import type { Charge } from "../charges/charge.ts";
import type { DeliveryOption } from "../delivery/option.ts";
import type { Plan } from "./plan.ts";

/** A charge of an option, wherever in it, and the option with another in its place. */
export type OptionCharge = {
  readonly option: DeliveryOption;
  readonly charge: Charge;
  /** As a JSON pointer within the option. */
  readonly path: string;
  readonly replace: (charge: Charge) => DeliveryOption;
};

/** Every charge of the options that are on: their own, those of single zones, surcharges, cases of lists, fallbacks. */
export const chargesOf = (plan: Plan): OptionCharge[] =>
  plan.options.filter((option) => option.on !== false).flatMap(chargesIn);

/** Every charge of one option, wherever in it. */
export function chargesIn(option: DeliveryOption): OptionCharge[] {
  return [
    ...nested(option, option.charge, "/charge", (charge) => ({ ...option, charge })),
    ...Object.entries(option.byZone ?? {}).flatMap(([zone, own]) =>
      own.charge
        ? nested(option, own.charge, `/byZone/${zone}/charge`, (charge) => ({
            ...option,
            byZone: { ...option.byZone, [zone]: { ...own, charge } },
          }))
        : [],
    ),
    ...(option.surcharges ?? []).flatMap((surcharge, i) =>
      nested(option, surcharge.charge, `/surcharges/${i}/charge`, (charge) => ({
        ...option,
        surcharges: (option.surcharges ?? []).map((one, j) => (j === i ? { ...one, charge } : one)),
      })),
    ),
  ];
}

function nested(
  option: DeliveryOption,
  charge: Charge,
  path: string,
  replace: OptionCharge["replace"],
): OptionCharge[] {
  const inner =
    charge.kind === "conditional"
      ? charge.entries.flatMap((entry, i) =>
          nested(option, entry.charge, `${path}/entries/${i}/charge`, (next) =>
            replace({ ...charge, entries: charge.entries.map((one, j) => (j === i ? { ...one, charge: next } : one)) }),
          ),
        )
      : charge.kind === "carrier" && charge.fallback
        ? nested(option, charge.fallback, `${path}/fallback`, (fallback) => replace({ ...charge, fallback }))
        : [];
  return [{ option, charge, path, replace }, ...inner];
}
