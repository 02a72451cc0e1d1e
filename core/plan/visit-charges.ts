import type { Charge } from "../charges/charge.ts";
import { chargeParts } from "../charges/charge.ts";
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

/** Every charge of the options that are on, outer ones first: their own, those of single zones, surcharges, and what lies in them. */
export const visitCharges = (plan: Plan): OptionCharge[] =>
  plan.options.filter((option) => option.on !== false).flatMap(chargesIn);

/**
 * Every charge of one option, wherever in it.
 *
 * @example chargesIn(option).filter(({ charge }) => charge.kind === "carrier")
 */
export function chargesIn(option: DeliveryOption): OptionCharge[] {
  const withZoneCharge = (zone: string, charge: Charge): DeliveryOption => ({
    ...option,
    byZone: { ...option.byZone, [zone]: { ...option.byZone?.[zone], charge } },
  });
  const withSurcharge = (index: number, charge: Charge): DeliveryOption => ({
    ...option,
    surcharges: (option.surcharges ?? []).map((one, i) => (i === index ? { ...one, charge } : one)),
  });
  return [
    ...within({ option, charge: option.charge, path: "/charge", replace: (charge) => ({ ...option, charge }) }),
    ...Object.entries(option.byZone ?? {}).flatMap(([zone, { charge }]) =>
      charge
        ? within({
            option,
            charge,
            path: `/byZone/${zone}/charge`,
            replace: (next) => withZoneCharge(zone, next),
          })
        : [],
    ),
    ...(option.surcharges ?? []).flatMap(({ charge }, i) =>
      within({ option, charge, path: `/surcharges/${i}/charge`, replace: (next) => withSurcharge(i, next) }),
    ),
  ];
}

/** A charge with all that lies in it. */
const within = (outer: OptionCharge): OptionCharge[] => [
  outer,
  ...chargeParts(outer.charge).flatMap(({ charge, path, replace }) =>
    within({
      option: outer.option,
      charge,
      path: `${outer.path}${path}`,
      replace: (next) => outer.replace(replace(next)),
    }),
  ),
];
