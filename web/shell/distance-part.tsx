import { lazy, Suspense, use } from "react";
import type { Location } from "../../core/places/location.ts";
import { placeOf } from "../../core/places/place.ts";
import { positionOf } from "../../core/places/postcode-table.ts";
import { distanceBetween } from "../../core/quantities/distance.ts";
import { Loading } from "../fields/loading.tsx";
import { Popover } from "../fields/popover.tsx";
import { RadioField } from "../fields/radio-field.tsx";
import { UnitsContext } from "../fields/units-context.ts";
import { say } from "../language/say.ts";
import { distanceWords } from "../names/distance-words.ts";
import { locationName } from "../names/location-name.ts";
import { FIRST_UNITS } from "../names/units.ts";
import type { Standpoint } from "../state/standpoint.ts";

// Loaded when the form is opened.
const SoFar = lazy(() => import("./so-far.tsx").then((module) => ({ default: module.SoFar })));

type Away = Standpoint["away"];
type Props = {
  away: Away;
  locations: readonly Location[];
  /** Where the address lies by its postcode, as tables of postcodes say. */
  place: Pick<Standpoint, "country" | "postcode">;
  onChange: (away: Away) => void;
};

const FIRST_KM = 3;

/** How far the address is from a location: what local delivery and charges by distance ask for. */
export function DistancePart({ away, locations, place, onChange }: Props) {
  const from = locations.find(({ id }) => id === away?.location);
  const unit = FIRST_UNITS[use(UnitsContext)].way;
  const [first] = locations;
  if (!first) return null;
  return (
    <Popover
      label={say("Distance")}
      shown={
        away && from
          ? say("{km} km from {location}", { km: away.km, location: locationName(from) })
          : distanceByPostcode(place, locations, unit)
      }
    >
      <fieldset className="grid gap-2.5">
        <legend className="mb-1 font-semibold">{say("How far away")}</legend>
        <RadioField
          name="distance"
          label={say("As its postcode says, where a location knows it")}
          checked={!from}
          onChoose={() => onChange(undefined)}
        />
        <RadioField
          name="distance"
          label={say("So far from a location")}
          checked={from !== undefined}
          onChoose={() => onChange({ location: first.id, km: FIRST_KM })}
        />
        {away && from && (
          <Suspense fallback={<Loading />}>
            <SoFar away={away} locations={locations} onChange={onChange} />
          </Suspense>
        )}
      </fieldset>
    </Popover>
  );
}

/** @example distanceByPostcode({ country: "PT", postcode: "4000-123" }, locations, "km") // "0.8 km from Porto by its postcode" */
function distanceByPostcode(
  { country, postcode }: Props["place"],
  locations: readonly Location[],
  unit: "km" | "mi",
): string {
  const place = placeOf({ country, postcode });
  const told = locations.flatMap((location) => {
    const position = positionOf(location, place);
    return position ? [{ location, metres: distanceBetween(location.at, position) }] : [];
  });
  const [nearest] = told.sort((a, b) => a.metres - b.metres);
  return nearest
    ? say("{distance} from {location} by its postcode", {
        distance: distanceWords(nearest.metres, unit),
        location: locationName(nearest.location),
      })
    : say("how far is not known");
}
