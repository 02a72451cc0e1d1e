import { type AskedOfFact, askedOf, nameFor, namesFor } from "../../facts/asked.ts";
import { salesChannel } from "../../facts/moment/channel.ts";
import { paidCurrency } from "../../facts/moment/currency.ts";
import { readLanguage } from "../../facts/moment/language.ts";
import { wayOfPaying } from "../../facts/moment/payment.ts";
import { streetWords } from "../../facts/place/street.ts";
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
  const paying = askedOf(constraints, wayOfPaying);
  const asked = {
    ...(paying.name ? { payment: nameFor(paying, "card", "cash") } : {}),
    ...streetFor(askedOf(constraints, streetWords)),
  };
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
            destination: asked.street === undefined ? destination : { ...destination, street: asked.street },
            ...(asked.payment === undefined ? {} : { payment: asked.payment }),
            shopper,
            cart,
          };
        }
  })();
}

/** A street with a word of each list that is asked for, and none that must not be in it; none where nothing is asked. */
const streetFor = (asked: AskedOfFact): { street?: string } =>
  asked.set ? { street: `${namesFor(asked).join(", ")} 7` } : {};

const allows = ({ name }: AskedOfFact, value: string) =>
  !name || ((name.in?.includes(value) ?? true) && !name.not.includes(value));
