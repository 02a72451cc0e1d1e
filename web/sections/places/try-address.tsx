import { useState } from "react";
import { orList, phrase } from "../../../core/phrases/phrase.ts";
import { resolvePlace } from "../../../core/places/resolve.ts";
import { normalPostcode } from "../../../core/postcodes/postcode.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { say, sayValue } from "../../language/say.ts";
import { countryChoices } from "../../names/place-names.ts";
import { useRegions } from "../../state/use-regions.ts";

const BY = {
  postcode: phrase("by its postcode"),
  region: phrase("by its region"),
  country: phrase("by its country"),
  "rest-of-world": phrase("as part of the rest of the world"),
} as const;

/** Resolves one address and says why. */
export function TryAddress({ compiled }: { compiled: CompiledPlan }) {
  const [country, setCountry] = useState("PT");
  const [region, setRegion] = useState("");
  const [postcode, setPostcode] = useState("");
  const regions = useRegions(country);
  const { zones, by, orNowhere, stopped } = resolvePlace(compiled.places, {
    country,
    ...(region === "" ? {} : { region }),
    ...(postcode.trim() === "" ? {} : { postcode: postcode.trim() }),
  });
  const nameOf = (id: string) => compiled.plan.zones.find((zone) => zone.id === id)?.name ?? id;
  const [only] = zones;
  const read = postcode.trim() === "" ? "" : normalPostcode(country, postcode);
  return (
    <section aria-label={say("Try an address")} className="mt-6 border-t border-base-300 pt-4">
      <h2 className="mb-2 text-[17px] font-bold">{say("Try an address")}</h2>
      <div className="flex flex-wrap items-center gap-2">
        <SelectField
          label={say("Country to try")}
          hideLabel
          className="w-44"
          value={country}
          choices={countryChoices()}
          onCommit={(code) => {
            setCountry(code);
            setRegion("");
          }}
        />
        <SelectField
          label={say("Region to try")}
          hideLabel
          className="w-44"
          value={region}
          choices={{ "": say("region not told"), ...Object.fromEntries(regions.map(({ code, name }) => [code, name])) }}
          onCommit={setRegion}
        />
        <input
          aria-label={say("Postcode to try")}
          className="input input-sm w-36"
          placeholder={say("postcode")}
          value={postcode}
          maxLength={16}
          onChange={(event) => setPostcode(event.target.value)}
        />
      </div>
      <p className="mt-2" role="status">
        {zones.length === 0 && (
          <span className="text-warning">
            {stopped.length === 0
              ? say("Nobody delivers there: no zone claims it.")
              : say("Nothing is sold there while {zones} is switched off.", { zones: stopped.map(nameOf).join(", ") })}
          </span>
        )}
        {zones.length === 1 && only !== undefined && !orNowhere && (
          <>
            {say("Served by")} <strong>{nameOf(only)}</strong>,{" "}
            {by ? say(BY[by]) : say("whatever the rest of the address")}
            {by === "postcode" && say(", read as {read}", { read })}.
          </>
        )}
        {(zones.length > 1 || (zones.length === 1 && orNowhere)) && (
          <>
            {say("Not known enough yet: it may be served by")} <strong>{sayValue(orList(zones.map(nameOf)))}</strong>
            {orNowhere && say(", or by nobody")}.
          </>
        )}
      </p>
    </section>
  );
}
