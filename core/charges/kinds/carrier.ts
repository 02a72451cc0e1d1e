import { type Phrase, phrase } from "../../phrases/phrase.ts";
import { Weight } from "../../quantities/quantity.ts";
import type { CarrierAnswer } from "../../request/request.ts";
import { closed, Id } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import type { Situation } from "../../situation/situation.ts";
import { type ChargeContext, type Charged, type CompiledCharge, defineCharge, isMissing } from "../definition.ts";
import { NO_PRICE_WORDS, type NoPrice } from "../no-price.ts";
import { type AnyCharge, InnerChargeRef } from "../reference.ts";

/**
 * What a live carrier asks for the parcel. Its answer comes in with the request, for the parcel it was asked about; when
 * it failed, was slow or was not asked, the fallback is charged, and without one the option cannot be had. Goods it does
 * not take stay not offered.
 *
 * @example { kind: "carrier", carrier: "osprelle", service: "parcel", packing: { value: "200", unit: "g" } }
 */
export interface CarrierCharge<Inner extends AnyCharge = AnyCharge> {
  kind: "carrier";
  carrier: string;
  service: string;
  from?: string;
  packing?: Weight;
  roundUpTo?: Weight;
  fallback?: Inner;
}

const CarrierChargeSchema = Type.Unsafe<CarrierCharge>(
  Type.Object(
    {
      kind: Type.Literal("carrier"),
      carrier: Id,
      service: Id,
      from: Type.Optional({ ...Id, description: "The location it is fetched from; the store's own unless given" }),
      packing: Type.Optional({ ...Weight, description: "Added to the goods" }),
      roundUpTo: Type.Optional({ ...Weight, description: "The parcel's weight is rounded up to a multiple of this" }),
      fallback: Type.Optional(InnerChargeRef),
    },
    { ...closed, title: "CarrierCharge" },
  ),
);

const REASONS = {
  slow: "carrier-slow",
  failed: "carrier-failed",
  "not-served": "carrier-not-served",
  "too-heavy": "carrier-too-heavy",
  "unknown-account": "carrier-account-unknown",
} as const;

/** How the parcel of a carrier charge is weighed: the zone's ordinary goods, packed. */
export const parcelSpec = ({ packing, roundUpTo }: CarrierCharge) => ({
  kind: "weight" as const,
  ...(packing ? { packing } : {}),
  ...(roundUpTo ? { roundUpTo } : {}),
});

/** Where the fallback would promise what the carrier may yet deny: it does not take the parcel, or has to know where to. */
const FINAL: ReadonlySet<NoPrice> = new Set(["carrier-not-served", "carrier-too-heavy", "place-unknown"]);

function compileCarrier(charge: CarrierCharge, context: ChargeContext): CompiledCharge {
  const fallback = charge.fallback ? context.compileCharge(charge.fallback) : null;
  const parcel = context.measureNumber(parcelSpec(charge), "ordinary");
  const isFor = (situation: Situation, { weight }: CarrierAnswer): boolean =>
    weight === undefined ||
    (situation.reaches(parcel, weight) === true && situation.reaches(parcel, weight + 1) === false);
  const answered = (situation: Situation): number | NoPrice => {
    const answer = situation.facts.carriers.find(
      (one) =>
        one.carrier === charge.carrier &&
        one.service === charge.service &&
        (one.from === undefined || one.from === charge.from) &&
        isFor(situation, one),
    );
    if (!answer && situation.facts.place.postcode === null) return "place-unknown";
    if (!answer) return situation.count(parcel) === null ? "weight-unknown" : "carrier-not-asked";
    return answer.price ?? (answer.problem ? REASONS[answer.problem] : "carrier-failed");
  };
  const falls = (reason: NoPrice) => !FINAL.has(reason);
  const price = (situation: Situation): Charged => {
    const answer = answered(situation);
    return isMissing(answer) && fallback && falls(answer) ? fallback.price(situation) : answer;
  };
  return {
    price,
    explain: (situation) => {
      const answer = answered(situation);
      const own = { kind: "carrier-answer", price: answer };
      const used = isMissing(answer) && fallback && falls(answer);
      return {
        kind: "carrier",
        price: price(situation),
        of: used ? [own, fallback.explain(situation)] : [own],
        chosen: used ? 1 : 0,
      };
    },
    seesLineFigures: fallback?.seesLineFigures ?? false,
  };
}

/** Why a carrier gave no price, from how its answer is told. */
const reasonWords = (price: string | undefined): Phrase =>
  Object.entries(NO_PRICE_WORDS).find(([reason]) => reason === price)?.[1] ?? phrase("no answer");

export const carrier = defineCharge({
  kind: "carrier",
  schema: CarrierChargeSchema,
  example: { kind: "carrier", carrier: "osprelle", service: "parcel", packing: { value: "200", unit: "g" } },
  compile: compileCarrier,
  problems: ({ from }, path, { locations }) =>
    from === undefined || locations.has(from)
      ? []
      : [{ path: `${path}/from`, message: phrase('there is no location "{from}"', { from }) }],
  words: ({ carrier: id, service, fallback }, { charge, carrierNames }) => {
    const called = carrierNames?.(id, service) ?? { carrier: id, service };
    return fallback
      ? phrase("what {carrier} asks for {service}, else {charge}", { ...called, charge: charge(fallback) })
      : phrase("what {carrier} asks for {service}", called);
  },
  why: ({ carrier: id, service, fallback }, { of, chosen }, { account, carrierNames }) => {
    const [answer, used] = of ?? [];
    const called = carrierNames?.(id, service) ?? { carrier: id, service };
    if (!fallback || !used || chosen !== 1) return phrase("as {carrier} answered for {service}", called);
    return phrase("the fallback, since {reason}; {account}", {
      reason: reasonWords(answer?.price),
      account: account(fallback, used),
    });
  },
});
