import { Type } from "@sinclair/typebox";
import type { Situation } from "../conditions/facts.ts";
import { Weight } from "../measures/quantity.ts";
import { closed, Id } from "../plan/atoms.ts";
import type { Charge } from "./charge.ts";
import { type ChargeContext, type Charged, type CompiledCharge, isMissing, type NoPrice } from "./charged.ts";
import { CHARGE_ID } from "./conditional.ts";

/**
 * What a live carrier asks for the parcel. Its answer comes in with the request; when it failed, was slow or was not
 * asked, the fallback is charged, and without one the option cannot be had. Goods it does not take stay not offered.
 *
 * @example { kind: "carrier", carrier: "northline", service: "parcel", packing: { value: "200", unit: "g" } }
 */
export type CarrierCharge = {
  kind: "carrier";
  carrier: string;
  service: string;
  packing?: Weight;
  roundUpTo?: Weight;
  fallback?: Charge;
};

export const CarrierChargeSchema = Type.Unsafe<CarrierCharge>(
  Type.Object(
    {
      kind: Type.Literal("carrier"),
      carrier: Id,
      service: Id,
      packing: Type.Optional({ ...Weight, description: "Added to the goods" }),
      roundUpTo: Type.Optional({ ...Weight, description: "The parcel's weight is rounded up to a multiple of this" }),
      fallback: Type.Optional(Type.Unsafe<Charge>({ $ref: CHARGE_ID })),
    },
    { ...closed, title: "CarrierCharge" },
  ),
);

const REASONS = {
  slow: "carrier-slow",
  failed: "carrier-failed",
  "not-served": "carrier-not-served",
  "too-heavy": "carrier-too-heavy",
} as const;

export function compileCarrier(
  charge: CarrierCharge,
  context: ChargeContext,
  compile: (charge: Charge, context: ChargeContext) => CompiledCharge,
): CompiledCharge {
  const fallback = charge.fallback ? compile(charge.fallback, context) : null;
  const answered = ({ facts }: Situation): number | NoPrice => {
    const answer = facts.carriers.find(
      ({ carrier, service }) => carrier === charge.carrier && service === charge.service,
    );
    if (!answer) return "carrier-not-asked";
    return answer.price ?? (answer.problem ? REASONS[answer.problem] : "carrier-failed");
  };
  const falls = (reason: NoPrice) => reason !== "carrier-not-served" && reason !== "carrier-too-heavy";
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
