import { navigate } from "wouter/use-browser-location";
import { fieldAddress } from "./field-address.ts";

/** Opens what was just made where it is changed, at its first field or the one that is named. */
export const openField = (field: Parameters<typeof fieldAddress>[0]): void =>
  navigate(fieldAddress({ path: "/name", ...field }), { replace: true });
