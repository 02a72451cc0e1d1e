import { SavedCondition } from "../conditions/condition.ts";
import { DeliveryOption } from "../delivery/option.ts";
import { RateTable } from "../money/rates.ts";
import { Offer } from "../offers/offer.ts";
import { Location } from "../places/location.ts";
import { Market, Zone } from "../places/market.ts";
import { Plan, Store } from "../plan/plan.ts";
import { QuoteRequest } from "../request/request.ts";
import { checker } from "./checker.ts";

export const checkPlan = checker(Plan);
export const checkRateTable = checker(RateTable);
export const checkQuoteRequest = checker(QuoteRequest);

/** The kinds of draft entities, each checked by its own schema. */
export const checkEntity = {
  store: checker(Store),
  market: checker(Market),
  zone: checker(Zone),
  option: checker(DeliveryOption),
  offer: checker(Offer),
  location: checker(Location),
  rates: checkRateTable,
  condition: checker(SavedCondition),
} as const;
