import type { ErrorObject } from "ajv";
import type { LeafName } from "./leaf-names.ts";

/** Anything in a JSON Schema. */
export type SchemaPart = { readonly [key: string]: unknown };

type LeafForm = {
  readonly allows: ((value: unknown) => boolean) & { errors?: ErrorObject[] | null };
  readonly schema: SchemaPart;
};

/** What each leaf allows, as code. The file beside this one is made from the schemas by `scripts/validators.ts`. */
declare const leafValidators: { readonly [Name in LeafName]: LeafForm };
export default leafValidators;
