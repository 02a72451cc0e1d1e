import { pickText } from "../../core/messages/locale.ts";
import type { Location } from "../../core/places/location.ts";
import { SentencePopover } from "../fields/sentence-popover.tsx";
import { TextField } from "../fields/text-field.tsx";
import type { Standpoint } from "../state/standpoint.ts";

type Away = Standpoint["away"];
type Props = { away: Away; locations: readonly Location[]; onChange: (away: Away) => void };

const FARTHEST_KM = 5000;
const FIRST_KM = 3;
const nameOf = ({ name, id }: Location) => pickText(name, "en", [])?.text ?? id;

/** How far the address is from a location: what local delivery and charges by distance ask for. */
export function DistancePart({ away, locations, onChange }: Props) {
  const from = locations.find(({ id }) => id === away?.location);
  const [first] = locations;
  if (!first) return null;
  return (
    <SentencePopover label="Distance" shown={away && from ? `${away.km} km from ${nameOf(from)}` : "some way off"}>
      <fieldset className="grid gap-2.5">
        <legend className="mb-1 font-semibold">How far away</legend>
        <label className="flex items-center gap-2">
          <input
            type="radio"
            className="radio radio-xs"
            name="distance"
            checked={!from}
            onChange={() => onChange(undefined)}
          />
          Not known
        </label>
        <label className="flex items-center gap-2">
          <input
            type="radio"
            className="radio radio-xs"
            name="distance"
            checked={from !== undefined}
            onChange={() => onChange({ location: first.id, km: FIRST_KM })}
          />
          So far from a location
        </label>
        {away && from && (
          <div className="flex items-end gap-2">
            <TextField
              label="Kilometres"
              value={String(away.km)}
              validate={(text) => (isDistance(text) ? null : `a number from 0 to ${FARTHEST_KM}`)}
              onCommit={(text) => onChange({ ...away, km: Number(text) })}
              className="w-24"
            />
            <label className="grid min-w-0 gap-1 text-[13px] text-quiet">
              from
              <select
                className="select select-sm w-full text-base-content"
                value={from.id}
                onChange={(event) => onChange({ ...away, location: event.target.value })}
              >
                {locations.map((location) => (
                  <option key={location.id} value={location.id}>
                    {nameOf(location)}
                  </option>
                ))}
              </select>
            </label>
          </div>
        )}
      </fieldset>
    </SentencePopover>
  );
}

const isDistance = (text: string) => /^\d{1,4}(\.\d{1,3})?$/.test(text.trim()) && Number(text) <= FARTHEST_KM;
