import X from "lucide-react/icons/x";
import { useState } from "react";
import type { ZoneDestination } from "../../../core/places/destination.ts";
import type { Zone } from "../../../core/places/market.ts";
import { postcodePattern } from "../../../core/places/postcode.ts";
import { destinationWords } from "../../../core/places/words.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { AddSelect } from "../../fields/add-select.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { COUNTRY_NAMES } from "../../names/place-names.ts";
import { useRegions } from "../../state/use-regions.ts";

type Props = {
  plan: Plan;
  zone: Zone;
  nameOf: (code: string) => string;
  /** Zones as they shall be; several when a place moves from one to another. */
  onZones: (...zones: Zone[]) => void;
};

/** The places a zone claims: added by name, carved out, moved to another zone. */
export function DestinationEditor({ plan, zone, nameOf, onZones }: Props) {
  const set = (destinations: ZoneDestination[]) => onZones({ ...zone, destinations });
  const others = plan.zones.filter(({ id }) => id !== zone.id).sort(byPosition);
  return (
    <div className="grid gap-3">
      <ul className="border border-base-300 bg-base-100">
        {zone.destinations.map((destination, i) => (
          <li
            key={JSON.stringify(destination)}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-base-300 px-3 py-2 last:border-b-0"
          >
            <span className="min-w-40 flex-1">{destinationWords(destination, nameOf)}</span>
            {"country" in destination && !destination.postcodes && (
              <CarveOut
                destination={destination}
                onCarve={(region) =>
                  set(
                    zone.destinations.map((one, j) =>
                      j === i
                        ? { ...destination, exceptRegions: [...(destination.exceptRegions ?? []), region].sort() }
                        : one,
                    ),
                  )
                }
              />
            )}
            <AddSelect
              label={`Move ${destinationWords(destination, nameOf)} to another zone`}
              shown="move to…"
              look="word"
              choices={others.map(({ id, name }) => ({ value: id, words: name }))}
              onAdd={(to) => {
                const target = others.find(({ id }) => id === to);
                if (!target) return;
                onZones(
                  { ...zone, destinations: zone.destinations.filter((_, j) => j !== i) },
                  { ...target, destinations: [...target.destinations, destination] },
                );
              }}
            />
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              onClick={() => set(zone.destinations.filter((_, j) => j !== i))}
            >
              <X size={14} aria-hidden />
              <span className="sr-only">Remove {destinationWords(destination, nameOf)}</span>
            </button>
          </li>
        ))}
        {zone.destinations.length === 0 && (
          <li className="px-3 py-2 text-quiet">No place yet. Add a country, a region or postcodes below.</li>
        )}
      </ul>
      <AddDestination zone={zone} plan={plan} nameOf={nameOf} onAdd={(more) => set([...zone.destinations, ...more])} />
    </div>
  );
}

type CarveProps = { destination: Extract<ZoneDestination, { country: string }>; onCarve: (region: string) => void };

function CarveOut({ destination, onCarve }: CarveProps) {
  const excepted = new Set(destination.exceptRegions);
  const regions = useRegions(destination.country).filter(({ code }) => !excepted.has(code));
  if (regions.length === 0) return null;
  return (
    <AddSelect
      label="Carve out a region"
      shown="carve out…"
      look="word"
      choices={regions.map(({ code, name }) => ({ value: code, words: name }))}
      onAdd={onCarve}
    />
  );
}

type AddProps = {
  zone: Zone;
  plan: Plan;
  nameOf: (code: string) => string;
  onAdd: (destinations: ZoneDestination[]) => void;
};

/** One form for all: a country by name, then the whole of it, one of its regions, or some of its postcodes. */
function AddDestination({ zone, plan, nameOf, onAdd }: AddProps) {
  const [country, setCountry] = useState("");
  const [patterns, setPatterns] = useState("");
  const regions = useRegions(country);
  const texts = patterns
    .split(/[\n,;]+/)
    .map((text) => text.trim())
    .filter((text) => text !== "");
  const wrong = texts.filter((text) => !postcodePattern(country, text));
  const worldIsTaken = plan.zones.some(({ destinations }) => destinations.some((one) => "restOfWorld" in one));
  const done = () => {
    setPatterns("");
    setCountry("");
  };
  return (
    <fieldset className="grid gap-2 text-[13px]">
      <legend className="mb-1 text-quiet">Add to {zone.name}</legend>
      <div className="flex flex-wrap items-center gap-2">
        <SelectField
          label="Country to add"
          hideLabel
          className="w-48"
          value={country}
          choices={{ "": "a country…", ...COUNTRY_NAMES }}
          onCommit={setCountry}
        />
        {country !== "" && (
          <>
            <button
              type="button"
              className="btn btn-sm"
              onClick={() => {
                onAdd([{ country }]);
                done();
              }}
            >
              Add all of {nameOf(country)}
            </button>
            {regions.length > 0 && (
              <AddSelect
                label="Region to add"
                shown="or one region…"
                className="w-44"
                choices={regions.map(({ code, name }) => ({ value: code, words: name }))}
                onAdd={(region) => {
                  onAdd([{ region }]);
                  done();
                }}
              />
            )}
          </>
        )}
        {country === "" && !worldIsTaken && (
          <button type="button" className="btn btn-sm" onClick={() => onAdd([{ restOfWorld: true }])}>
            Add the rest of the world
          </button>
        )}
      </div>
      {country !== "" && (
        <div className="grid gap-1.5">
          <label className="grid gap-1">
            or some of its postcodes: whole ones, beginnings (90*), ranges (9000..9399), one a line
            <textarea
              className="textarea textarea-sm h-16 w-full font-mono"
              value={patterns}
              onChange={(event) => setPatterns(event.target.value)}
            />
          </label>
          {texts.length > 0 && (
            <ul role="status" className="grid gap-0.5">
              {texts.slice(0, 8).map((text) => (
                <li key={text} className={wrong.includes(text) ? "text-warning" : "text-quiet"}>
                  <code>{text}</code> {patternWords(country, text)}
                </li>
              ))}
              {texts.length > 8 && (
                <li className="text-quiet">
                  and {texts.length - 8} more, {wrong.length} of all wrong
                </li>
              )}
            </ul>
          )}
          <button
            type="button"
            className="btn btn-sm justify-self-start"
            disabled={texts.length === 0 || wrong.length > 0}
            onClick={() => {
              onAdd([{ country, postcodes: texts }]);
              done();
            }}
          >
            Add these postcodes
          </button>
        </div>
      )}
    </fieldset>
  );
}

/** What a pattern matches, as one types it. */
function patternWords(country: string, text: string): string {
  const pattern = postcodePattern(country, text);
  if (!pattern) return "is no postcode pattern: write 3000-001, 90* or 9000..9399";
  if (pattern.exact) return `is ${pattern.lead} alone`;
  if (text.includes("..")) return `is every code from ${text.replace("..", " to ")}, both included`;
  return `is every code that fits, ? standing for one character and * for any`;
}
