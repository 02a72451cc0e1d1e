import type { DeliveryOption } from "../../core/delivery/option.ts";
import { pickText } from "../../core/messages/locale.ts";

/** What a delivery option is called on screen. @example optionName({ id: "post", name: { en: "Post" } }) // "Post" */
export const optionName = ({ name, id }: Pick<DeliveryOption, "name" | "id">) => pickText(name, "en", [])?.text ?? id;
