import type { Static } from "@sinclair/typebox";
import type { Validator } from "../../core/validation/checker.ts";
import type { SERVER_SCHEMAS } from "./schemas.ts";

type Schemas = typeof SERVER_SCHEMAS;

/** The server's schemas as code. The file beside this one is made from them by `scripts/validators.ts`. */
declare const validators: { readonly [Name in keyof Schemas]: Validator<Static<Schemas[Name]>> };
export default validators;
