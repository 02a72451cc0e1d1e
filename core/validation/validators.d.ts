import type { Static } from "@sinclair/typebox";
import type { Validator } from "./checker.ts";
import type { CORE_SCHEMAS } from "./schemas.ts";

type Schemas = typeof CORE_SCHEMAS;

/** The core's schemas as code. The file beside this one is made from them by `scripts/validators.ts`. */
declare const validators: { readonly [Name in keyof Schemas]: Validator<Static<Schemas[Name]>> };
export default validators;
