import { Type } from "@sinclair/typebox";
import type { TSchema } from "../../core/schema/type.ts";
import { Catalogue, Product, SampleCarts } from "../catalogue/product.ts";
import { ChangeSet } from "../draft/change-set-schema.ts";
import {
  AskCarriers,
  ChangeRelease,
  ImportProducts,
  KeepSampleCart,
  KeepSamples,
  KeepStandpoint,
  ReleaseRequest,
  SaveProducts,
  SwitchOffer,
} from "../http/bodies.ts";
import { Cancel, Claim, NamedShopper } from "../redemptions/claim-schema.ts";
import { Standpoint } from "../saved/standpoint-schema.ts";

/** Everything of the server's that comes in from outside and is checked by its form. Made into code by `scripts/validators.ts`. */
export const SERVER_SCHEMAS = {
  askCarriers: AskCarriers,
  calendars: Type.Record(Type.String(), Type.Array(Type.String())),
  cancel: Cancel,
  catalogue: Catalogue,
  changeRelease: ChangeRelease,
  changeSet: ChangeSet,
  claim: Claim,
  importProducts: ImportProducts,
  keepSampleCart: KeepSampleCart,
  keepSamples: KeepSamples,
  keepStandpoint: KeepStandpoint,
  namedShopper: NamedShopper,
  product: Product,
  releaseRequest: ReleaseRequest,
  sampleCarts: SampleCarts,
  saveProducts: SaveProducts,
  standpoint: Standpoint,
  switchOffer: SwitchOffer,
} as const satisfies Record<string, TSchema>;
