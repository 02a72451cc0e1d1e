import { type Decision, decide } from "../analysis/decide.ts";
import type { World, ZoneContext } from "../analysis/world.ts";
import { worldOf } from "../analysis/world.ts";
import type { Condition } from "../conditions/condition.ts";
import { askedOf } from "../conditions/on-channels.ts";
import type { DeliveryOption } from "../delivery/option.ts";
import { pickText } from "../messages/locale.ts";
import type { AmountContext } from "../money/amount.ts";
import { writtenMoney } from "../money/format.ts";
import type { Rates } from "../money/rates.ts";
import type { Offer } from "../offers/offer.ts";
import { keptBy } from "../phrases/kept.ts";
import { andList, type Phrase } from "../phrases/phrase.ts";
import type { Zone } from "../places/market.ts";
import { placeName } from "../places/words.ts";
import { type Plan, ratesOf, savedOf } from "../plan/plan.ts";
import type { Destination, QuoteRequest } from "../request/request.ts";
import type { CompiledPlan } from "../tariff/compile.ts";
import type { Finding, Severity } from "./finding.ts";
import type { CheckMemory, There } from "./kept-parts.ts";
import { MadeOf } from "./made-of.ts";

/** A product as far as checks look at it; prices in minor units. */
export type CheckedProduct = {
  readonly sku: string;
  readonly name: string;
  readonly prices: Readonly<Record<string, number>>;
  readonly categories: readonly string[];
  readonly tags: readonly string[];
  readonly parcelClass?: string;
  /** Milligrams; null: not known. */
  readonly weight: number | null;
  readonly shipped: boolean;
};

/** An address that a standpoint or a sample is kept with. */
export type CheckedAddress = { readonly whose: Phrase; readonly destination: Destination };

/** Of the past orders a little below a goal: how many get there by one more product, by two, or by neither. */
export type GoalReach = {
  readonly offer: string;
  readonly step: string;
  readonly market: string;
  readonly currency: string;
  /** As it was when they were counted, in minor units. */
  readonly goal: number;
  readonly one: number;
  readonly two: number;
  readonly none: number;
};

/** What checks know besides the plan. */
export type CheckInputs = {
  readonly at: number;
  readonly products: readonly CheckedProduct[];
  /** How often each offer has been used, by its id. */
  readonly uses: Readonly<Record<string, number>>;
  readonly addresses: readonly CheckedAddress[];
  /** Where there are past orders. */
  readonly reach?: readonly GoalReach[];
};

/** Everything a check can look at. */
export class CheckContext {
  readonly plan: Plan;
  readonly compiled: CompiledPlan;
  readonly around: CheckInputs;
  readonly world: World;
  readonly memory: CheckMemory;
  readonly madeOf: MadeOf;
  private readonly rates: Rates;
  /** By zone, each with its place among all: what is found first is what is shown. */
  private readonly contexts: ReadonlyMap<string, { readonly place: number; readonly there: ZoneContext[] }>;
  private readonly zones: ReadonlyMap<string, Zone>;
  private readonly options: ReadonlyMap<string, DeliveryOption>;

  /** @param memory of the run before, where there was one */
  constructor(compiled: CompiledPlan, around: CheckInputs, memory: CheckMemory) {
    const { plan } = compiled;
    this.plan = plan;
    this.compiled = compiled;
    this.around = around;
    this.memory = memory;
    this.world = worldOf(compiled, around.at);
    this.rates = ratesOf(plan);
    this.madeOf = new MadeOf(plan, savedOf(plan), this.world, memory.stands);
    this.zones = new Map(plan.zones.map((zone) => [zone.id, zone]));
    this.options = new Map(plan.options.map((option) => [option.id, option]));
    const contexts = new Map<string, { place: number; there: ZoneContext[] }>();
    for (const where of this.world.contexts) {
      const known = contexts.get(where.zone.id);
      if (known) known.there.push(where);
      else contexts.set(where.zone.id, { place: contexts.size, there: [where] });
    }
    this.contexts = contexts;
  }
  worldIn(zones: readonly string[]): World {
    return { ...this.world, contexts: this.contextsOf(zones) };
  }
  decide(zones: readonly string[], condition: Condition, wanted: boolean): Decision {
    const key = `${wanted} ${zones.join(" ")} ${writtenOut(condition)}`;
    return this.memory.decisions.of(key, this.madeOf.decision(zones, condition), () =>
      decide(this.worldIn(zones), condition, wanted),
    );
  }
  /** What a zone has; without a currency for those who pay in its first. */
  there(zone: string, currency = this.compiled.currenciesOf(zone)[0] ?? ""): There {
    return this.memory.there.of(`${zone} ${currency}`, this.madeOf.prices(zone), () => {
      const { options = [], withoutAmount = [] } = this.compiled.tariffOf(zone, currency) ?? {};
      const asked = options.map(({ id, option }) => ({
        id,
        asked: askedOf(option),
        isCollected: option.way?.kind === "collected",
      }));
      return { options: asked, withoutAmount };
    });
  }
  zoneName = (id: string) => this.zones.get(id)?.name ?? id;
  optionName = (id: string) => pickText(this.options.get(id)?.name ?? {}, "en", [])?.text ?? id;
  money = (minor: number, currency: string) => writtenMoney(minor, currency, "short");
  list = andList;
  placeName = placeName;
  /** Markets and currencies that an offer or option is for: one check after the other asks for the same. */
  readonly contextsOf = keptBy((zones: readonly string[]): readonly ZoneContext[] =>
    [...new Set(zones)]
      .flatMap((zone) => this.contexts.get(zone) ?? [])
      .sort((a, b) => a.place - b.place)
      .flatMap(({ there }) => there),
  );
  amountContext({ zone, market, currency }: ZoneContext): AmountContext {
    return { zone: zone.id, market: market.id, currency, rates: this.rates };
  }
  /** A plain cart of so much, at an address of a zone. */
  request(where: ZoneContext, minor: number, more: Partial<QuoteRequest> = {}): QuoteRequest {
    const destination: Destination = where.addresses[0] ?? {};
    const lines =
      minor > 0 ? [{ sku: "any", quantity: 1, unitPrice: minor, weight: { value: "100", unit: "g" as const } }] : [];
    return {
      at: new Date(this.around.at).toISOString(),
      currency: where.currency,
      destination,
      cart: { lines },
      ...more,
    };
  }
}

/** A condition as text: those of the plan are asked after each edit. */
const writtenOut = keptBy((condition: Condition): string => JSON.stringify(condition));

/** Steps of one offer that the same is found of: "Step 2", or "Steps 2 and 3"; within a sentence; how many they are. */
export type StepsNamed = { readonly words: Phrase; readonly inside: Phrase; readonly count: number };

/**
 * What a check has found. Where it is found of one step, `sentence` says it of any of the offer's steps, so that what is the same of
 * several is one finding.
 */
export type FoundFault = Omit<Finding, "code" | "severity" | "sentence"> & { readonly severity?: Severity } & (
    | { readonly sentence: Phrase; readonly step?: undefined }
    | { readonly sentence: (steps: StepsNamed) => Phrase; readonly step: number }
  );

/** One check: what it is called, how bad what it finds is, and how it finds it. */
export type Check = {
  readonly code: string;
  readonly severity: Severity;
  /** Decisions, climbs, formats of every language: whoever waits for findings gets the others first. */
  readonly isSlow?: true;
  /** A plan is looked at; nothing is changed. */
  readonly find: (context: CheckContext) => Iterable<FoundFault>;
};

export const onOffer = (offer: Pick<Offer, "id">, path = "") => ({ kind: "offer" as const, id: offer.id, path });
export const onOption = (option: { id: string }, path = "") => ({ kind: "option" as const, id: option.id, path });
export const onZone = (id: string, path = "") => ({ kind: "zone" as const, id, path });
