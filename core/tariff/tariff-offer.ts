import type { FillerKind, FillerLike } from "../cart/read-cart.ts";
import type { CompiledCondition } from "../conditions/compile.ts";
import type { Offer, Step } from "../offers/offer.ts";
import type { RegisteredTrigger } from "../offers/trigger-definition.ts";
import type { CompiledReward } from "../rewards/apply-rewards.ts";
import type { CompiledOrderReward } from "../rewards/definition.ts";

/** What a shopper could add to reach an offer's goals. */
export type Filler = { readonly kind: FillerKind; readonly like?: FillerLike };

/** An offer as it holds in one tariff. */
export type TariffOffer = {
  readonly id: string;
  readonly number: number;
  readonly offer: Offer;
  readonly when: CompiledCondition | null;
  /** UTC intervals, half-open; null: always. */
  readonly schedule: readonly (readonly [number, number])[] | null;
  readonly steps: readonly TariffStep[];
  readonly filler: Filler;
  /** Whether it may be used together with the offer of that number. */
  readonly stacks: readonly boolean[];
};

/** A step with all its amounts. */
export type TariffStep = {
  /** Among all steps of the tariff. */
  readonly number: number;
  /** Among those of its offer, of which there are twenty at most: the first has the lowest. */
  readonly bit: number;
  readonly step: Step;
  readonly trigger: RegisteredTrigger;
  readonly codes: ReadonlySet<string>;
  readonly goal: { readonly measure: number; readonly least: number; readonly at: number } | null;
  /** On delivery, with the numbers of the tariff's options that profit; or on the order. */
  readonly reward: CompiledReward | null;
  readonly options: readonly number[];
  readonly onOrder: CompiledOrderReward | null;
};
