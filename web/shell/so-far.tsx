import type { Location } from "../../core/places/location.ts";
import { NumberField } from "../fields/number-field.tsx";
import { choicesOf, SelectField } from "../fields/select-field.tsx";
import { say } from "../language/say.ts";
import { locationName } from "../names/location-name.ts";
import type { Standpoint } from "../state/standpoint.ts";

type Away = NonNullable<Standpoint["away"]>;
type Props = { away: Away; locations: readonly Location[]; onChange: (away: Away) => void };

/** How many kilometres from which location. */
export const SoFar = ({ away, locations, onChange }: Props) => (
  <div className="flex items-end gap-2">
    <NumberField
      label={say("Kilometres")}
      className="w-24"
      value={away.km}
      leaf="standpoint/away/km"
      onCommit={(km) => onChange({ ...away, km })}
    />
    <SelectField
      label={say("from")}
      value={away.location}
      choices={choicesOf(locations, locationName)}
      onCommit={(location) => onChange({ ...away, location })}
    />
  </div>
);
