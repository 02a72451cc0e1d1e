import Plus from "lucide-react/icons/plus";
import Trash2 from "lucide-react/icons/trash-2";
import type { Location } from "../../../core/places/location.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { TextField } from "../../fields/text-field.tsx";
import { COUNTRIES } from "../../names/place-names.ts";
import { isTimeZone } from "./market-editor.tsx";

type Props = {
  plan: Plan;
  location: Location;
  onLocation: (location: Location) => void;
  onShipsFrom: () => void;
  onRemove: () => void;
};

const DAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** Where goods are shipped from or collected: its address, its clocks, when it is open and when it rests. */
export function LocationEditor({ plan, location, onLocation, onShipsFrom, onRemove }: Props) {
  const set = (part: Partial<Location>) => onLocation({ ...location, ...part });
  const hours = location.openingHours ?? [];
  const [latitude, longitude] = location.at;
  const name = location.name.en ?? Object.values(location.name)[0] ?? location.id;
  const setHours = (index: number, part: Partial<(typeof hours)[number]>) =>
    set({ openingHours: hours.map((one, i) => (i === index ? { ...one, ...part } : one)) });
  return (
    <section aria-label={name} className="grid gap-3">
      <header className="flex flex-wrap items-center gap-1">
        <h2 className="mr-auto text-[20px] leading-7 font-bold">{name}</h2>
        <button type="button" className="btn btn-ghost btn-sm" onClick={onRemove}>
          <Trash2 size={14} aria-hidden /> Remove
        </button>
      </header>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-xs"
          checked={plan.store.shipsFrom === location.id}
          onChange={onShipsFrom}
        />
        The store ships from here
      </label>
      <div className="grid grid-cols-2 gap-4">
        <TextField
          label="Name"
          value={name}
          className="w-full"
          validate={(text) => (text.trim() === "" ? "A location needs a name" : null)}
          onCommit={(text) => set({ name: { ...location.name, en: text.trim().slice(0, 100) } })}
        />
        <TextField
          label="Time zone"
          value={location.timeZone}
          className="w-full"
          validate={(text) => (isTimeZone(text.trim()) ? null : "Write a time zone like Europe/Lisbon")}
          onCommit={(text) => set({ timeZone: text.trim() })}
        />
        <label className="grid gap-1 text-[13px] text-quiet">
          Country
          <select
            className="select select-sm w-full text-base-content"
            value={location.country}
            onChange={(event) => set({ country: event.target.value })}
          >
            {COUNTRIES.map(({ code, name: country }) => (
              <option key={code} value={code}>
                {country}
              </option>
            ))}
          </select>
        </label>
        <TextField
          label="Postcode"
          value={location.postcode ?? ""}
          className="w-full"
          validate={(text) => (text.length > 16 ? "At most 16 characters" : null)}
          onCommit={(text) => set({ postcode: text.trim() })}
        />
        <TextField
          label="Latitude and longitude, in degrees"
          value={`${latitude}, ${longitude}`}
          className="w-full"
          validate={(text) => (coordinates(text) ? null : "Write two numbers like 41.1466, -8.6149")}
          onCommit={(text) => {
            const at = coordinates(text);
            if (at) set({ at });
          }}
        />
        <TextField
          label="Keeps the public holidays of (a country, or empty)"
          value={location.holidays ?? ""}
          className="w-full"
          validate={(text) =>
            /^([A-Z]{2}(-[A-Z0-9]{1,3}){0,2})?$/.test(text.trim()) ? null : "Write a code like PT or ES-CT"
          }
          onCommit={(text) => {
            const { holidays: _, ...rest } = location;
            onLocation(text.trim() === "" ? rest : { ...rest, holidays: text.trim() });
          }}
        />
      </div>
      <div>
        <h3 className="mb-1 font-semibold">Opening hours</h3>
        <ul className="grid gap-2">
          {hours.map(({ days, from, until }, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: hours have no identity but their place in the list
            <li key={i} className="flex flex-wrap items-center gap-2">
              {DAYS.map((day, d) => (
                <label key={day} className="flex items-center gap-1 text-[13px]">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-xs"
                    checked={days.includes(d + 1)}
                    onChange={(event) => {
                      const others = days.filter((one) => one !== d + 1);
                      const next = event.target.checked ? [...others, d + 1].sort() : others;
                      if (next.length > 0) setHours(i, { days: next });
                    }}
                  />
                  {day}
                </label>
              ))}
              <TimeField
                label={`Opens, row ${i + 1}`}
                value={from}
                onTime={(time) => time < until && setHours(i, { from: time })}
              />
              to
              <TimeField
                label={`Closes, row ${i + 1}`}
                value={until}
                onTime={(time) => time > from && setHours(i, { until: time })}
              />
              <button
                type="button"
                className="btn btn-ghost btn-xs btn-square"
                onClick={() => set({ openingHours: hours.filter((_, j) => j !== i) })}
              >
                <Trash2 size={13} aria-hidden />
                <span className="sr-only">Remove row {i + 1} of the opening hours</span>
              </button>
            </li>
          ))}
        </ul>
        <button
          type="button"
          className="btn btn-sm mt-2"
          onClick={() => set({ openingHours: [...hours, { days: [1, 2, 3, 4, 5], from: "09:00", until: "18:00" }] })}
        >
          <Plus size={14} aria-hidden /> Add hours
        </button>
      </div>
      <TextField
        label="Other days without work, YYYY-MM-DD with commas between"
        value={(location.closedOn ?? []).join(", ")}
        className="w-full"
        validate={(text) => {
          const odd = daysIn(text).filter((day) => !isDay(day));
          return odd.length > 0 ? `${odd.join(", ")} is no day of the calendar` : null;
        }}
        onCommit={(text) => set({ closedOn: [...new Set(daysIn(text))].sort() })}
      />
    </section>
  );
}

type TimeProps = { label: string; value: string; onTime: (time: string) => void };

const TimeField = ({ label, value, onTime }: TimeProps) => (
  <input
    type="time"
    aria-label={label}
    className="input input-sm w-26"
    value={value}
    onChange={(event) => event.target.value !== "" && onTime(event.target.value.slice(0, 5))}
  />
);

const daysIn = (text: string) => text.split(/[\s,]+/).filter((day) => day !== "");

function isDay(text: string): boolean {
  const time = Date.parse(`${text}T00:00:00Z`);
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(time) && new Date(time).toISOString().startsWith(text);
}

function coordinates(text: string): [number, number] | null {
  const parts = text
    .split(/[\s,;]+/)
    .filter((part) => part !== "")
    .map(Number);
  const [latitude, longitude] = parts;
  if (parts.length !== 2 || latitude === undefined || longitude === undefined) return null;
  return Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180 ? [latitude, longitude] : null;
}
