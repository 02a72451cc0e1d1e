import { Kept } from "../phrases/kept.ts";
import { phrase } from "../phrases/phrase.ts";
import { type AddressNote, type Place, placeOf } from "../places/place.ts";
import { possiblePlaces } from "../places/possible-places.ts";
import { resolve } from "../places/resolve.ts";
import type { Destination } from "../request/request.ts";
import type { Problem } from "../schema/problem.ts";
import type { CompiledPlan } from "./compile.ts";
import type { Tariff } from "./tariff.ts";

/** A tariff that may apply, and the place it applies to then. */
export type TariffThere = { readonly tariff: Tariff; readonly place: Place };

export type Tariffs = {
  /** One for a known place, several for one partly known, none where nobody delivers. */
  readonly there: readonly TariffThere[];
  readonly orNowhere: boolean;
  /** Whether a fuller address could still tell more: there is no postcode, or none that can be read. */
  readonly postcodeKnown: boolean;
  readonly note: AddressNote | undefined;
};

type Found = Tariffs | { problems: Problem[] };

/** A shopper's cart is asked about again and again on its way to the same place. */
const known = new WeakMap<CompiledPlan, Kept<Found>>();
const MOST_PLACES = 1000;

/** The tariffs for where goods may go, in the currency that is paid in; a problem when no such place takes it. */
export function findTariffs(compiled: CompiledPlan, destination: Destination, currency: string): Found {
  const { country, region, postcode } = destination;
  const ofPlan = known.get(compiled) ?? new Kept<Found>(MOST_PLACES);
  known.set(compiled, ofPlan);
  return ofPlan.of(keyOf(country, region, currency, postcode), () => foundTariffs(compiled, destination, currency));
}

/** Only a postcode may be any text, so it stands last. */
const keyOf = (country = "", region = "", currency: string, postcode: string | undefined): string =>
  `${country} ${region} ${currency} ${postcode === undefined ? "" : `:${postcode}`}`;

function foundTariffs(compiled: CompiledPlan, destination: Destination, currency: string): Found {
  const read = placeOf(destination);
  const places = possiblePlaces(read, compiled.named);
  const found = places.map((place) => ({ place, ...resolve(compiled.places, place) }));
  const there = found.flatMap(({ place, zones }) =>
    zones.flatMap((zone): TariffThere[] => {
      const tariff = compiled.tariffOf(zone, currency);
      return tariff ? [{ tariff, place }] : [];
    }),
  );
  const zones = found.flatMap((one) => one.zones);
  const note = read.note ?? places[0]?.note;
  if (there.length > 0 || zones.length === 0) {
    const orNowhere = found.some((one) => one.orNowhere);
    return { there, orNowhere, postcodeKnown: read.postcode !== null, note };
  }
  const taken = [...new Set(zones.flatMap((zone) => compiled.currenciesOf(zone)))].sort();
  return {
    problems: [
      {
        path: "/currency",
        message: phrase("{currency} is not taken there; it takes {taken}", { currency, taken: taken.join(", ") }),
      },
    ],
  };
}
