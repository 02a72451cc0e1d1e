import { useState } from "react";
import type { ZoneDestination } from "../../../core/places/destination.ts";
import type { Zone } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { postcodePattern } from "../../../core/postcodes/postcode.ts";
import { AddSelect } from "../../fields/add-select.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { countryChoices } from "../../names/place-names.ts";
import { useRegions } from "../../state/use-regions.ts";
import { regionChoices, regionsChosen } from "./region-choices.ts";

type AddProps = {
  zone: Zone;
  plan: Plan;
  nameOf: (code: string) => string;
  onAdd: (destinations: ZoneDestination[]) => void;
};

/** One form for all: a country by name, then the whole of it, one of its regions, or some of its postcodes. */
export function AddDestination({ zone, plan, nameOf, onAdd }: AddProps) {
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
      <legend className="mb-1 text-quiet">{say("Add to {name}", { name: zone.name })}</legend>
      <div className="flex flex-wrap items-center gap-2">
        <SelectField
          label={say("Country to add")}
          hideLabel
          className="w-48"
          value={country}
          choices={{ "": say("a country…"), ...countryChoices() }}
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
              {say("Add all of {country}", { country: nameOf(country) })}
            </button>
            {regions.length > 0 && (
              <AddSelect
                label={say("Region to add")}
                shown={say("or regions of it…")}
                className="w-44"
                choices={regionChoices(regions)}
                onAdd={(chosen) => {
                  onAdd(regionsChosen(chosen, regions).map((region) => ({ region })));
                  done();
                }}
              />
            )}
          </>
        )}
        {country === "" && !worldIsTaken && (
          <button type="button" className="btn btn-sm" onClick={() => onAdd([{ restOfWorld: true }])}>
            {say("Add the rest of the world")}
          </button>
        )}
      </div>
      {country !== "" && (
        <div className="grid gap-1.5">
          <label className="grid gap-1">
            {say("or some of its postcodes: whole ones, beginnings (90*), ranges (9000..9399), one a line")}
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
                  {say("and {count} more, {wrong} of all wrong", { count: texts.length - 8, wrong: wrong.length })}
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
            {say("Add these postcodes")}
          </button>
        </div>
      )}
    </fieldset>
  );
}

/** What a pattern matches, as one types it. */
function patternWords(country: string, text: string): string {
  const pattern = postcodePattern(country, text);
  if (!pattern) return say("is no postcode pattern: write 3000-001, 90* or 9000..9399");
  if (pattern.exact) return say("is {lead} alone", { lead: pattern.lead });
  if (text.includes("..")) return say("is every code from {text}, both included", { text: text.replace("..", " to ") });
  return say("is every code that fits, ? standing for one character and * for any");
}
