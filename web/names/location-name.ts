import { pickText } from "../../core/messages/locale.ts";
import type { Location } from "../../core/places/location.ts";

/** What the team reads of a location. */
export const locationName = ({ name, id }: Location): string => pickText(name, "en", [])?.text ?? id;
