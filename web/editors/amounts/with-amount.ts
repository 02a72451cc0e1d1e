import type { Amount, AmountContext } from "../../../core/money/amount.ts";
import { majorIn } from "../../../core/money/decimal.ts";
import { setOptional } from "../../state/set-optional.ts";

/** Where a figure stands. */
export type AmountPlace = Omit<AmountContext, "rates">;

type Own = Amount["byZone"];
const typed = (minor: number, currency: string) => majorIn(minor, currency);

/**
 * An amount set where it comes from at a place: in the zone's or the market's own where they have one, else in the one all share.
 *
 * @example withAmount({ byCurrency: { EUR: "4.90" } }, { zone: null, market: "portugal", currency: "EUR" }, 550) // { byCurrency: { EUR: "5.50" } }
 */
export function withAmount(amount: Amount, place: AmountPlace, minor: number): Amount {
  const { zone, market, currency } = place;
  if (zone !== null && amount.byZone?.[zone]?.[currency] !== undefined) return withOwnAmount(amount, place, minor);
  if (amount.byMarket?.[market]?.[currency] !== undefined)
    return withOwnAmount(amount, { ...place, zone: null }, minor);
  return { ...amount, byCurrency: { ...amount.byCurrency, [currency]: typed(minor, currency) } };
}

/** An amount with a figure of the zone's own, or where no zone is named, of the market's. */
export function withOwnAmount(amount: Amount, { zone, market, currency }: AmountPlace, minor: number): Amount {
  const set = (own: Own, id: string) => ({ ...own, [id]: { ...own?.[id], [currency]: typed(minor, currency) } });
  return zone === null
    ? { ...amount, byMarket: set(amount.byMarket, market) }
    : { ...amount, byZone: set(amount.byZone, zone) };
}

/** An amount without the zone's own figure, or where no zone is named, without the market's. */
export function withoutOwnAmount(amount: Amount, { zone, market, currency }: AmountPlace): Amount {
  const unset = (own: Own, id: string): Own => {
    const figures = setOptional(own?.[id] ?? {}, currency, undefined);
    const left = setOptional(own ?? {}, id, Object.keys(figures).length > 0 ? figures : undefined);
    return Object.keys(left).length > 0 ? left : undefined;
  };
  return zone === null
    ? setOptional(amount, "byMarket", unset(amount.byMarket, market))
    : setOptional(amount, "byZone", unset(amount.byZone, zone));
}
