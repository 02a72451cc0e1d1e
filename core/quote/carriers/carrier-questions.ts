import { isOrdinary, type ReadLine, readCart } from "../../cart/read-cart.ts";
import { CarrierAccount } from "../../charges/carrier-account.ts";
import type { Charge } from "../../charges/charge.ts";
import { type CarrierCharge, parcelSpec } from "../../charges/kinds/carrier.ts";
import type { DeliveryOption } from "../../delivery/option.ts";
import type { PreparedRequest } from "../../evaluate/prepared-request.ts";
import { compileSpec } from "../../measures/measure.ts";
import { inCurrency, type Rates } from "../../money/rates.ts";
import { ZERO } from "../../money/rational.ts";
import type { Step } from "../../offers/offer.ts";
import { keptBy } from "../../phrases/kept.ts";
import { type Plan, ratesOf } from "../../plan/plan.ts";
import { chargesIn } from "../../plan/visit-charges.ts";
import { Coordinates } from "../../quantities/coordinates.ts";
import { type CarrierAnswer, Destination, type QuoteRequest } from "../../request/request.ts";
import { standpointProblems } from "../../request/standpoint-problems.ts";
import { namedOptions, rewardOptions } from "../../rewards/reward.ts";
import { CountryCode, closed, Id } from "../../schema/atoms.ts";
import { type Static, Type } from "../../schema/type.ts";
import type { CompiledPlan } from "../../tariff/compile.ts";
import { findTariffs } from "../../tariff/find-tariffs.ts";
import type { Tariff } from "../../tariff/tariff.ts";

/** What a live carrier has to be asked for a quote. */
export const CarrierQuestion = Type.Object(
  {
    carrier: Id,
    service: Id,
    from: Type.Optional(Id),
    account: Type.Optional(CarrierAccount),
    weight: Type.Integer({ minimum: 0, maximum: Number.MAX_SAFE_INTEGER, description: "Milligrams of the parcel" }),
    origin: Type.Union([
      Type.Object(
        { country: CountryCode, postcode: Type.Optional(Type.String({ maxLength: 16 })), at: Coordinates },
        closed,
      ),
      Type.Null(),
    ]),
    destination: Destination,
    at: Type.String({ format: "date-time" }),
  },
  { ...closed, title: "CarrierQuestion" },
);
export type CarrierQuestion = Static<typeof CarrierQuestion>;

/** What a carrier says: a price in minor units of its own currency, or why there is none. */
export type CarrierReply =
  | { readonly price: number; readonly currency: string }
  | { readonly problem: NonNullable<CarrierAnswer["problem"]> };

/** A carrier's reply as a request brings it along, exchanged by the plan's rates where it charges in another currency. */
export function answerFrom(
  { carrier, service, from, weight }: CarrierQuestion,
  reply: CarrierReply,
  currency: string,
  rates: Rates,
): CarrierAnswer {
  const about = { carrier, service, ...(from === undefined ? {} : { from }), weight };
  if ("problem" in reply) return { ...about, problem: reply.problem };
  const price = inCurrency(reply.price, reply.currency, currency, rates);
  return price === undefined ? { ...about, problem: "failed" } : { ...about, price };
}

/**
 * Every question that the options a request may get have for live carriers, once each. Nothing is asked where the request
 * brings the answer along, the parcel's weight is not known or nothing is in it, and while the address is not complete: the
 * answer could turn out another.
 *
 * @example carrierQuestions(compiled, request) // [{ carrier: "osprelle", service: "parcel", weight: 1250000, … }]
 */
export function carrierQuestions(compiled: CompiledPlan, request: QuoteRequest): CarrierQuestion[] {
  const found = findTariffs(compiled, request.destination, request.currency);
  if ("problems" in found || !found.postcodeKnown) return [];
  const asking = found.there.flatMap(({ tariff }) => askingIn(compiled)(tariff));
  if (asking.length === 0 || standpointProblems(request).length > 0) return [];
  const cart = readCart(request.cart, "/cart");
  if ("problems" in cart || !cart.lines.some(isOrdinary)) return [];
  const questions = new Map<string, CarrierQuestion>();
  for (const { charge, weightOf, always } of asking) {
    const weight = weightOf(cart.lines);
    if (weight === null || isAnswered(request, charge)) continue;
    const { carrier, service, from } = charge;
    const question = { ...always, weight, destination: request.destination, at: request.at };
    questions.set(JSON.stringify([carrier, service, from, weight]), question);
  }
  return [...questions.values()];
}

/** A carrier's charge, what of its question is the same for everybody, and what its parcel of some goods weighs. */
type Asking = {
  readonly charge: CarrierCharge<Charge>;
  readonly always: Omit<CarrierQuestion, "weight" | "destination" | "at">;
  readonly weightOf: (lines: readonly ReadLine[]) => number | null;
};

/** What the options of a tariff of some plan ask carriers. */
const askingIn = keptBy(({ plan }: CompiledPlan) => keptBy((tariff: Tariff) => askedFor(tariff, plan)));

function askedFor({ currency, options }: Tariff, plan: Plan): readonly Asking[] {
  const anywhere = { zone: null, market: "", currency, rates: ratesOf(plan) };
  return options
    .flatMap(({ option }) => carrierChargesOf(option))
    .map((charge): Asking => {
      const { carrier, service, from } = charge;
      const parcel = compileSpec(parcelSpec(charge), "ordinary", true, ZERO, anywhere);
      const id = from ?? plan.store.shipsFrom;
      const account = plan.store.carriers?.[carrier];
      const origin = plan.locations?.find((location) => location.id === id);
      return {
        charge,
        always: {
          carrier,
          service,
          ...(from === undefined ? {} : { from }),
          ...(account ? { account } : {}),
          origin: origin
            ? { country: origin.country, ...(origin.postcode ? { postcode: origin.postcode } : {}), at: origin.at }
            : null,
        },
        weightOf: (lines) => (parcel.kind === "count" ? parcel.count(lines) : null),
      };
    });
}

/**
 * Whether a step touches an option with a live carrier's charge, while the address is not complete: what the carrier will ask as
 * the cart grows is not known, so neither is what such a step would better.
 */
export function stepsWaitingForCarriers({
  there,
  postcodeKnown,
}: PreparedRequest): (offer: string, step: string) => boolean {
  if (postcodeKnown) return () => false;
  const tariffs = there.map(({ tariff }) => tariff);
  const asking = new Set(
    tariffs.flatMap(({ options }) =>
      options.filter(({ option }) => carrierChargesOf(option).length > 0).map(({ id }) => id),
    ),
  );
  const touches = ({ reward }: Step) =>
    [...rewardOptions(reward), ...namedOptions(reward).map(({ id }) => id)].some((id) => asking.has(id));
  const steps = tariffs.flatMap(({ offers }) => offers.map(({ offer }) => offer));
  return (offer, step) => steps.some((one) => one.id === offer && one.steps.some((s) => s.id === step && touches(s)));
}

/** The live carriers' charges of an option as its zone has it: every quote asks this of every option it has. */
const carrierChargesOf = keptBy((option: DeliveryOption): readonly CarrierCharge<Charge>[] =>
  chargesIn({ ...option, byZone: {} }).flatMap(({ charge }) => (charge.kind === "carrier" ? [charge] : [])),
);

const isAnswered = ({ carriers }: QuoteRequest, { carrier, service, from }: CarrierCharge): boolean =>
  (carriers ?? []).some(
    (answer) =>
      answer.carrier === carrier && answer.service === service && (answer.from === undefined || answer.from === from),
  );
