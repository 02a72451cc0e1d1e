import { pickText } from "../../core/messages/locale.ts";
import type { Location } from "../../core/places/location.ts";
import { NumberField } from "../fields/number-field.tsx";
import { Popover } from "../fields/popover.tsx";
import { RadioField } from "../fields/radio-field.tsx";
import { choicesOf, SelectField } from "../fields/select-field.tsx";
import type { Standpoint } from "../state/standpoint.ts";

type Away = Standpoint["away"];
type Props = { away: Away; locations: readonly Location[]; onChange: (away: Away) => void };

const FIRST_KM = 3;
const nameOf = ({ name, id }: Location) => pickText(name, "en", [])?.text ?? id;

/** How far the address is from a location: what local delivery and charges by distance ask for. */
export function DistancePart({ away, locations, onChange }: Props) {
  const from = locations.find(({ id }) => id === away?.location);
  const [first] = locations;
  if (!first) return null;
  return (
    <Popover label="Distance" shown={away && from ? `${away.km} km from ${nameOf(from)}` : "some way off"}>
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
          <div className="flex items-end gap-2">
            <NumberField
              label="Kilometres"
              className="w-24"
              value={away.km}
              leaf="standpoint/away/km"
              onCommit={(km) => onChange({ ...away, km })}
            />
            <SelectField
              label="from"
              value={from.id}
              choices={choicesOf(locations, nameOf)}
              onCommit={(location) => onChange({ ...away, location })}
            />
          </div>
        )}
      </fieldset>
    </Popover>
  );
}
