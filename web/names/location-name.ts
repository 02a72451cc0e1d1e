import { pickText } from "../../core/messages/locale.ts";
import type { Location } from "../../core/places/location.ts";
import type { Plan } from "../../core/plan/plan.ts";

/** What the team reads of a location. */
export const locationName = ({ name, id }: Location): string => pickText(name, "en", [])?.text ?? id;

/** The same of a plan's location by its id. @example locationNameIn(plan)("porto-shop") // "Porto shop" */
export const locationNameIn =
  ({ locations = [] }: Pick<Plan, "locations">) =>
  (id: string): string => {
    const found = locations.find((location) => location.id === id);
    return found ? locationName(found) : id;
  };
