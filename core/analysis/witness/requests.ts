import { type AskedOfFact, askedOf, nameFor } from "../../facts/asked.ts";
import { salesChannel } from "../../facts/moment/channel.ts";
import { paidCurrency } from "../../facts/moment/currency.ts";
import { readLanguage } from "../../facts/moment/language.ts";
import { shopperAsAsked } from "../../facts/shopper-facts.ts";
import type { QuoteRequest } from "../../request/request.ts";
import type { Constraints } from "../constraints.ts";
import type { World, ZoneContext } from "../world.ts";
import { cartsFor } from "./carts.ts";
import { momentsFor } from "./moments.ts";
import { placesFor } from "./places.ts";

/** Requests that meet the constraints as far as one can tell beforehand; undefined where facts rule them out. */
export function requestsFor(
  world: World,
  where: ZoneContext,
  constraints: Constraints,
): Iterable<QuoteRequest> | undefined {
  const places = placesFor(world.compiled, where, constraints);
  const moments = momentsFor(where, constraints, world.at);
  const carts = cartsFor(where, constraints);
  const pays = allows(askedOf(constraints, paidCurrency), where.currency);
  const somebody = shopperAsAsked(constraints, world.at) !== undefined;
  if (!pays || !somebody || places.length === 0 || moments.length === 0 || !carts) return undefined;
  const [language = "en"] = where.market.languages;
  const channel = nameFor(askedOf(constraints, salesChannel), "shop");
  const locale = nameFor(askedOf(constraints, readLanguage), language, "de");
  const looks = moments.map((at) => ({ at, shopper: shopperAsAsked(constraints, at) ?? {} }));
  return (function* () {
    for (const cart of carts)
      for (const destination of places)
        for (const { at, shopper } of looks) {
          yield {
            at: new Date(at).toISOString(),
            currency: where.currency,
            locale,
            channel,
            destination,
            shopper,
            cart,
          };
        }
  })();
}

const allows = ({ name }: AskedOfFact, value: string) =>
  !name || ((name.in?.includes(value) ?? true) && !name.not.includes(value));
