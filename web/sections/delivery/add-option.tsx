import { useQuery } from "@tanstack/react-query";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { AddSelect } from "../../fields/add-select.tsx";
import { say } from "../../language/say.ts";
import { carrierList } from "../../state/server-queries.ts";
import { optionFrom, optionsOfCarrier, PATTERNS } from "./patterns.ts";

type Props = {
  plan: Plan;
  /** Where one looks from: new options are offered there. */
  zones: readonly string[];
  onAdd: (made: readonly DeliveryOption[]) => void;
  /** Why nothing could be added; null where something was. */
  onProblem: (problem: string | null) => void;
};

/** Before a carrier's id among the patterns. */
const ALL_OF = "all-of/";

/** An option from a common set-up, or one for each service of a live carrier. */
export function AddOption({ plan, zones, onAdd, onProblem }: Props) {
  const { data: carriers = [] } = useQuery(carrierList);
  const add = (pattern: string) => {
    const carrier = carriers.find(({ id }) => pattern === `${ALL_OF}${id}`);
    const found = PATTERNS.find(({ id }) => id === pattern);
    const made = found && optionFrom(found, plan, zones.slice(0, 1));
    onProblem(found && !made ? say("This needs a location: add one under Places first.") : null);
    onAdd(carrier ? optionsOfCarrier(plan, carrier, zones.slice(0, 1)) : made ? [made] : []);
  };
  return (
    <AddSelect
      label={say("Add an option")}
      shown={say("Add an option…")}
      className="mt-3 w-full"
      choices={[
        ...PATTERNS.map(({ id, name, adds }) => ({ value: id, words: `${say(name)}: ${say(adds)}` })),
        ...carriers.map(({ id, name, services }) => ({
          value: `${ALL_OF}${id}`,
          words: say("All services of {name}: {services}, each at what it asks", {
            name,
            services: services.map((one) => one.name).join(", "),
          }),
        })),
      ]}
      onAdd={add}
    />
  );
}
