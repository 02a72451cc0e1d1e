import type { FunctionComponent } from "react";
import type { DeliveryPromise } from "../../../core/delivery/promise.ts";
import type { Phrase } from "../../../core/phrases/phrase.ts";
import type { Location } from "../../../core/places/location.ts";
import type { Plan } from "../../../core/plan/plan.ts";

export type PromiseOf<Kind extends DeliveryPromise["kind"]> = Extract<DeliveryPromise, { kind: Kind }>;

export type PromiseFieldsProps<Kind extends DeliveryPromise["kind"]> = {
  promise: PromiseOf<Kind>;
  onPromise: (promise: PromiseOf<Kind>) => void;
};

/** How one kind of promise is edited. */
export type PromiseKindEditor<Kind extends DeliveryPromise["kind"]> = {
  readonly words: Phrase;
  /** What it starts as, from one of the plan's locations. */
  readonly first: (plan: Plan, location: Location) => PromiseOf<Kind>;
  /** What is said before its location. */
  readonly lead: string;
  readonly place: (promise: PromiseOf<Kind>) => string;
  readonly at: (promise: PromiseOf<Kind>, location: string) => PromiseOf<Kind>;
  readonly Fields: FunctionComponent<PromiseFieldsProps<Kind>>;
};
