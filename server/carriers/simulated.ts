import { setTimeout as pause } from "node:timers/promises";
import { type Static, Type } from "@sinclair/typebox";
import type { CarrierQuestion, CarrierReply } from "../../core/quote/carriers/carrier-questions.ts";
import type { Carrier } from "./carrier.ts";

/** How a simulated carrier behaves, to see what shoppers get when a real one does. */
export const CarrierBehaviour = Type.Union([Type.Literal("well"), Type.Literal("slow"), Type.Literal("failing")]);
export type CarrierBehaviour = Static<typeof CarrierBehaviour>;

const GRAM = 1000;

/** A rate card: prices in minor units by zone, service and weight. */
export type RateCard = {
  readonly id: string;
  readonly name: string;
  readonly currency: string;
  /** Milliseconds it takes to answer. */
  readonly delay: number;
  /** Account numbers it knows, and the percent of its list that was agreed on with them. */
  readonly accounts: { readonly like: RegExp; readonly percent: number };
  readonly zoneOf: (destination: { country: string; region?: string; postcode?: string }) => string | null;
  readonly services: readonly {
    readonly id: string;
    readonly name: string;
    readonly heaviest: number;
    /** Per zone: what it costs, and more for every kilogram begun past the first. Zones left out are not served. */
    readonly prices: Readonly<Record<string, { readonly first: number; readonly further: number }>>;
  }[];
};

/** A carrier that answers from a rate card after its delay. Slow, it takes longer than anyone waits; failing, it throws. */
export function simulated(card: RateCard, behaviour: CarrierBehaviour = "well"): Carrier {
  return {
    id: card.id,
    name: card.name,
    services: card.services.map(({ id, name }) => ({ id, name })),
    ask: async (question, signal) => {
      await pause(behaviour === "slow" ? 60_000 : card.delay, undefined, { signal });
      if (behaviour === "failing") throw new Error(`${card.name} is down`);
      return replyFrom(card, question);
    },
  };
}

function replyFrom(card: RateCard, { service, destination, weight, account }: CarrierQuestion): CarrierReply {
  if (account && !card.accounts.like.test(account.account)) return { problem: "unknown-account" };
  const wanted = card.services.find(({ id }) => id === service);
  const { country } = destination;
  const zone = country === undefined ? null : card.zoneOf({ ...destination, country });
  const price = zone === null ? undefined : wanted?.prices[zone];
  if (!wanted || !price) return { problem: "not-served" };
  if (weight > wanted.heaviest * GRAM) return { problem: "too-heavy" };
  const kilograms = Math.max(1, Math.ceil(weight / (1000 * GRAM)));
  const list = price.first + (kilograms - 1) * price.further;
  const percent = account && account.prices !== "list" ? card.accounts.percent : 100;
  return { price: Math.round((list * percent) / 100), currency: card.currency };
}
