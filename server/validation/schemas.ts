import { Type } from "@sinclair/typebox";
import type { TSchema } from "../../core/schema/type.ts";
import { Catalogue, Product, SampleCarts } from "../catalogue/product.ts";
import { ChangeSet } from "../draft/change-set-schema.ts";
import { AskEvidence, StateFigure, StateGoals } from "../evidence/evidence-schema.ts";
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
import { ChangeKeys } from "../keys/key-schema.ts";
import { ImportOrders, OneOrder, SendOrders } from "../orders/order-schema.ts";
import { AtWorkPlace, ChangeAccount, ChangePeople, SignIn, UseLink } from "../people/people-schema.ts";
import { Cancel, Claim, NamedShopper } from "../redemptions/claim-schema.ts";
import { Standpoint } from "../saved/standpoint-schema.ts";
import { CallOut, Settings } from "../settings/settings-schema.ts";

/** Everything of the server's that comes in from outside and is checked by its form. Made into code by `scripts/validators.ts`. */
export const SERVER_SCHEMAS = {
  askCarriers: AskCarriers,
  askEvidence: AskEvidence,
  atWork: AtWorkPlace,
  calendars: Type.Record(Type.String(), Type.Array(Type.String())),
  callOut: CallOut,
  cancel: Cancel,
  catalogue: Catalogue,
  changeAccount: ChangeAccount,
  changeKeys: ChangeKeys,
  changePeople: ChangePeople,
  changeRelease: ChangeRelease,
  changeSet: ChangeSet,
  claim: Claim,
  importOrders: ImportOrders,
  importProducts: ImportProducts,
  keepSampleCart: KeepSampleCart,
  keepSamples: KeepSamples,
  keepStandpoint: KeepStandpoint,
  namedShopper: NamedShopper,
  oneOrder: OneOrder,
  product: Product,
  releaseRequest: ReleaseRequest,
  sampleCarts: SampleCarts,
  saveProducts: SaveProducts,
  sendOrders: SendOrders,
  settings: Settings,
  signIn: SignIn,
  standpoint: Standpoint,
  stateFigure: StateFigure,
  stateGoals: StateGoals,
  switchOffer: SwitchOffer,
  useLink: UseLink,
} as const satisfies Record<string, TSchema>;
