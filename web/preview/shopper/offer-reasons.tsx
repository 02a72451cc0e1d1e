import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link } from "wouter";
import { silentOffers } from "../../../core/explain/silent-offers.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { say } from "../../language/say.ts";
import { carrierNamesIn, NO_CARRIERS } from "../../names/carrier-names.ts";
import { locationNameIn } from "../../names/location-name.ts";
import { carrierList } from "../../state/server-queries.ts";

type Props = { compiled: CompiledPlan; request: QuoteRequest };

/** Why the offers that this shopper reads nothing of say nothing. */
export function OfferReasons({ compiled, request }: Props) {
  const { data: carriers = NO_CARRIERS } = useQuery(carrierList);
  const silent = useMemo(
    () =>
      silentOffers(compiled, request, {
        locationName: locationNameIn(compiled.plan),
        carrierNames: carrierNamesIn(carriers),
      }),
    [compiled, request, carriers],
  );
  if (silent.length === 0)
    return <p className="mt-1 text-quiet">{say("Every offer says something to this shopper.")}</p>;
  return (
    <ul aria-label={say("Offers that say nothing here")} className="mt-1 grid gap-1">
      {silent.map(({ offer, why }) => (
        <li key={offer}>
          <Link className="hover:underline" href={`/offers#${encodeURIComponent(offer)}`}>
            {compiled.plan.offers.find(({ id }) => id === offer)?.name ?? offer}
          </Link>
          <span className="block text-quiet">{say(why)}</span>
        </li>
      ))}
    </ul>
  );
}
