import { lazy, Suspense } from "react";
import type { Location } from "../../core/places/location.ts";
import { Popover } from "../fields/popover.tsx";
import { RadioField } from "../fields/radio-field.tsx";
import { locationName } from "../names/location-name.ts";
import type { Standpoint } from "../state/standpoint.ts";

// Loaded when the form is opened.
const SoFar = lazy(() => import("./so-far.tsx").then((module) => ({ default: module.SoFar })));

type Away = Standpoint["away"];
type Props = { away: Away; locations: readonly Location[]; onChange: (away: Away) => void };

const FIRST_KM = 3;

/** How far the address is from a location: what local delivery and charges by distance ask for. */
export function DistancePart({ away, locations, onChange }: Props) {
  const from = locations.find(({ id }) => id === away?.location);
  const [first] = locations;
  if (!first) return null;
  return (
    <Popover label="Distance" shown={away && from ? `${away.km} km from ${locationName(from)}` : "some way off"}>
      <fieldset className="grid gap-2.5">
        <legend className="mb-1 font-semibold">How far away</legend>
        <RadioField name="distance" label="Not known" checked={!from} onChoose={() => onChange(undefined)} />
        <RadioField
          name="distance"
          label="So far from a location"
          checked={from !== undefined}
          onChoose={() => onChange({ location: first.id, km: FIRST_KM })}
        />
        {away && from && (
          <Suspense fallback={<p className="text-quiet">Loading…</p>}>
            <SoFar away={away} locations={locations} onChange={onChange} />
          </Suspense>
        )}
      </fieldset>
    </Popover>
  );
}
