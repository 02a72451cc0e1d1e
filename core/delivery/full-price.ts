import { isOrdinary, type ReadLine } from "../cart/read-cart.ts";
import { compileCharge } from "../charges/compile.ts";
import {
  type ChargeContext,
  type Charged,
  type ChargeTrace,
  type CompiledCharge,
  isMissing,
} from "../charges/definition.ts";
import type { NoPrice } from "../charges/no-price.ts";
import type { CompiledCondition, Trace } from "../conditions/compile.ts";
import { askedOf } from "../conditions/on-channels.ts";
import { type Amount, type AmountContext, amountFor, stepFor } from "../money/amount.ts";
import { percent } from "../money/decimal.ts";
import { compileHandling } from "../money/handling.ts";
import { type LinearAmount, max, min, minus, plus, times, timesBy, toMultiple } from "../money/linear-amount.ts";
import { add, divide, isZero, ONE, type Rational, whole, ZERO } from "../money/rational.ts";
import { type TaxPart, taxPart } from "../money/tax-part.ts";
import type { Market, Zone } from "../places/market.ts";
import { metres } from "../quantities/quantity.ts";
import { byPosition } from "../schema/atoms.ts";
import type { Situation } from "../situation/situation.ts";
import type { DeliveryOption } from "./option.ts";

/** What the full price of an option is made of, exactly, as the market writes prices. */
export type Parts = {
  readonly charge: LinearAmount;
  readonly handling: LinearAmount;
  readonly surcharges: LinearAmount;
  readonly own: LinearAmount;
};

export function sumOf({ charge, handling, surcharges, own }: Parts): LinearAmount {
  // Most prices are a charge alone.
  const more = surcharges === 0 && own === 0 ? handling : plus(handling, plus(surcharges, own));
  return more === 0 ? charge : plus(charge, more);
}

export type FullPrice = Parts | NoPrice;
export const hasNoPrice = (price: FullPrice): price is NoPrice => typeof price === "string";

/** One line of the account of a full price: what it adds, and how it came about. */
export type PriceLine = {
  readonly part:
    | "charge"
    | "base"
    | "mark-up"
    | "minimum"
    | "maximum"
    | "tax"
    | "rounding"
    | "handling"
    | "surcharge"
    | "own-charge";
  readonly amount: LinearAmount;
  readonly id?: string;
  readonly charge?: ChargeTrace;
  readonly when?: Trace;
};

/** Told about every line as it is computed; nobody is in the fast form. The price comes from the same steps. */
type Tell = (line: PriceLine) => void;

export type CompiledFullPrice = {
  readonly price: (situation: Situation, tell?: Tell) => FullPrice;
  /** The same, whether or not the option can be had for such a cart. */
  readonly charged: (situation: Situation) => FullPrice;
  readonly when: CompiledCondition | null;
  /** What its tax makes of a price: see `taxPart`. */
  readonly taxPart: TaxPart;
  readonly seesLineFigures: boolean;
};

const NOTHING: Parts = { charge: 0, handling: 0, surcharges: 0, own: 0 };
const everything = () => true;

export function compileFullPrice(
  option: DeliveryOption,
  market: Market,
  zone: Zone,
  context: Omit<ChargeContext, "compileCharge">,
): CompiledFullPrice {
  const standard = percent(zone.standardTaxRate) ?? ZERO;
  const taxRate = option.taxRate === undefined ? standard : (percent(option.taxRate) ?? standard);
  const part = taxPart(taxRate, market.pricesIncludeTax);
  const charge = compileCharge(option.charge, context);
  const asked = askedOf(option);
  const when = asked ? context.compileWhen(asked) : null;
  const surcharges = [...(option.surcharges ?? [])].sort(byPosition).map((surcharge) => ({
    id: surcharge.id,
    when: surcharge.when ? context.compileWhen(surcharge.when) : null,
    charge: compileCharge(surcharge.charge, context),
  }));
  const seesLineFigures =
    charge.seesLineFigures ||
    when?.seesLineFigures === true ||
    surcharges.some((one) => one.charge.seesLineFigures || one.when?.seesLineFigures === true);
  const steps = chargeSteps(option, market, taxRate, context);
  const [ownHandling, zoneHandling] = [option.handling, zone.handling].map((one) => compileHandling(one, context));
  const reach = distanceTest(option, context);
  const settled = taxFactor(option, market, taxRate);
  if (!steps || !ownHandling || !zoneHandling) {
    const missing = () => "no-amount" as const;
    return { price: missing, charged: missing, when, taxPart: part, seesLineFigures };
  }

  const price = (situation: Situation, tell?: Tell): FullPrice =>
    deniedBy(when, situation) ?? reach?.(situation) ?? charged(situation, tell);
  const charged = (situation: Situation, tell?: Tell): FullPrice => {
    const { lines } = situation;
    // The zone's charges are for ordinary goods; with nothing in the cart they are what the first would cost.
    const ordinary = lines.length === 0 || lines.some(isOrdinary);
    if (!ordinary && !lines.some(hasOwnCharge)) return NOTHING;
    const charged = ordinary ? chargedBy(charge, situation, tell) : 0;
    if (isMissing(charged)) return charged;
    const running = afterSteps(charged, ordinary ? steps : steps.filter(isForAnyGoods), situation, tell);
    const goods = () => situation.goods(everything);
    const handling = plus(ownHandling(running, goods), zoneHandling(running, goods));
    if (tell && handling !== 0) tell({ part: "handling", amount: handling });
    const extra = surcharged(surcharges, settled, situation, tell);
    return isMissing(extra)
      ? extra
      : { charge: running, handling, surcharges: extra, own: ownCharges(situation, tell) };
  };
  return { price, charged, when, taxPart: part, seesLineFigures };
}

/** Why its condition keeps an option from this cart, if it does. */
function deniedBy(when: CompiledCondition | null, situation: Situation): NoPrice | null {
  const truth = when ? when.test(situation) : true;
  if (truth ?? situation.unknownAs) return null;
  return truth === null ? "condition-unknown" : "condition";
}

function chargedBy(charge: CompiledCharge, situation: Situation, tell: Tell | undefined): Charged {
  const charged = charge.price(situation);
  tell?.({ part: "charge", amount: isMissing(charged) ? 0 : charged, charge: charge.explain(situation) });
  return charged;
}

const isForAnyGoods = ({ part }: ChargeStep) => part === "base" || part === "tax";

function afterSteps(
  charged: LinearAmount,
  steps: readonly ChargeStep[],
  { horizon }: Situation,
  tell: Tell | undefined,
): LinearAmount {
  let running = charged;
  for (const { part, apply } of steps) {
    const next = apply(running, horizon);
    if (tell && next !== running) tell({ part, amount: minus(next, running) });
    running = next;
  }
  return running;
}

type CompiledSurcharge = {
  readonly id: string;
  readonly when: CompiledCondition | null;
  readonly charge: CompiledCharge;
};

/** All surcharges that apply, their tax settled. */
function surcharged(
  surcharges: readonly CompiledSurcharge[],
  settled: Rational,
  situation: Situation,
  tell: Tell | undefined,
): Charged {
  let extra: LinearAmount = 0;
  for (const { id, when, charge } of surcharges) {
    const applies = when ? when.test(situation) : true;
    if (applies === null && !situation.unknownAs) return "condition-unknown";
    // What an unknown address may cost at least is without it.
    if (applies !== true) continue;
    const charged = charge.price(situation);
    if (isMissing(charged)) return charged;
    const amount = times(charged, settled);
    tell?.({
      part: "surcharge",
      id,
      amount,
      charge: charge.explain(situation),
      ...(when ? { when: when.explain(situation) } : {}),
    });
    extra = plus(extra, amount);
  }
  return extra;
}

/** What products charge for their own delivery. */
function ownCharges({ lines }: Situation, tell: Tell | undefined): LinearAmount {
  let own: LinearAmount = 0;
  for (const line of lines) {
    const amount = ownCharge(line);
    if (amount === 0) continue;
    tell?.({ part: "own-charge", id: line.sku, amount });
    own = plus(own, amount);
  }
  return own;
}

const hasOwnCharge = ({ delivery }: ReadLine) => delivery?.kind === "own-charge";

const ownCharge = ({ delivery, quantity }: ReadLine): LinearAmount => {
  if (delivery?.kind !== "own-charge") return 0;
  return delivery.per === "piece" ? times(delivery.amount, whole(quantity)) : delivery.amount;
};

type ChargeStep = {
  readonly part: PriceLine["part"];
  readonly apply: (charge: LinearAmount, horizon: Situation["horizon"]) => LinearAmount;
};

/** What happens to a charge on its way to the shopper, in order; null where an amount is missing. */
function chargeSteps(
  option: DeliveryOption,
  market: Market,
  taxRate: Rational,
  context: AmountContext,
): ChargeStep[] | null {
  const steps: ChargeStep[] = [];
  let complete = true;
  const withAmount = (amount: Amount | undefined, step: (minor: number) => ChargeStep) => {
    if (!amount) return;
    const minor = amountFor(amount, context);
    if (minor === undefined) complete = false;
    else steps.push(step(minor));
  };
  withAmount(option.base, (base) => ({ part: "base", apply: (charge) => plus(charge, base) }));
  const markUp = percent(option.markUp?.percent ?? "0") ?? ZERO;
  if (!isZero(markUp)) steps.push({ part: "mark-up", apply: timesBy(add(ONE, markUp)) });
  withAmount(option.markUp?.amount, (more) => ({ part: "mark-up", apply: (charge) => plus(charge, more) }));
  withAmount(option.minimum, (floor) => ({
    part: "minimum",
    apply: (charge, horizon) => max(charge, floor, horizon),
  }));
  withAmount(option.maximum, (cap) => ({ part: "maximum", apply: (charge, horizon) => min(charge, cap, horizon) }));
  const factor = taxFactor(option, market, taxRate);
  if (factor !== ONE) steps.push({ part: "tax", apply: timesBy(factor) });
  const rounding = option.rounding?.[context.currency];
  const step = rounding && stepFor(rounding, context.currency);
  if (rounding && step) {
    const { direction, lessOne } = rounding;
    steps.push({
      part: "rounding",
      apply: (charge, horizon) => max(minus(toMultiple(charge, step, direction, horizon), lessOne ? 1 : 0), 0, horizon),
    });
  }
  return complete ? steps : null;
}

/** What turns a charge as it was entered into one as the market writes prices. */
function taxFactor(option: DeliveryOption, market: Market, taxRate: Rational): Rational {
  const withTax = option.entered === undefined ? market.pricesIncludeTax : option.entered === "with-tax";
  if (withTax === market.pricesIncludeTax) return ONE;
  const plusTax = add(ONE, taxRate);
  return market.pricesIncludeTax ? plusTax : divide(ONE, plusTax);
}

/** Whether it is too far for the store's own round; an unknown place may yet be near. */
function distanceTest(
  { way }: DeliveryOption,
  context: Pick<ChargeContext, "measureNumber">,
): ((situation: Situation) => NoPrice | null) | null {
  if (way?.kind !== "local" || !way.within) return null;
  const furthest = metres(way.within);
  const measure = context.measureNumber({ kind: "distance", from: way.location }, "all");
  return (situation) => {
    const beyond = situation.reaches(measure, furthest + 1);
    if (beyond === null) return situation.unknownAs ? null : "place-unknown";
    return beyond ? "too-far" : null;
  };
}
