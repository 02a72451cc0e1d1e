import type { CarrierQuestion, CarrierReply } from "../../core/quote/carriers/carrier-questions.ts";

/** A live carrier. One that cannot be reached throws; whoever asks stops waiting when the signal fires. */
export type Carrier = {
  readonly id: string;
  readonly name: string;
  readonly services: readonly { readonly id: string; readonly name: string }[];
  readonly ask: (question: CarrierQuestion, signal: AbortSignal) => Promise<CarrierReply>;
};
