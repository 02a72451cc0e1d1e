import { useState } from "react";
import { resolvePlace } from "../../../core/places/resolve.ts";
import { normalPostcode } from "../../../core/postcodes/postcode.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { COUNTRY_NAMES } from "../../names/place-names.ts";
import { useRegions } from "../../state/use-regions.ts";

const BY = {
  postcode: "by its postcode",
  region: "by its region",
  country: "by its country",
  "rest-of-world": "as part of the rest of the world",
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
    <section aria-label="Try an address" className="mt-6 border-t border-base-300 pt-4">
      <h2 className="mb-2 text-[17px] font-bold">Try an address</h2>
      <div className="flex flex-wrap items-center gap-2">
        <SelectField
          label="Country to try"
          hideLabel
          className="w-44"
          value={country}
          choices={COUNTRY_NAMES}
          onCommit={(code) => {
            setCountry(code);
            setRegion("");
          }}
        />
        <SelectField
          label="Region to try"
          hideLabel
          className="w-44"
          value={region}
          choices={{ "": "region not told", ...Object.fromEntries(regions.map(({ code, name }) => [code, name])) }}
          onCommit={setRegion}
        />
        <input
          aria-label="Postcode to try"
          className="input input-sm w-36"
          placeholder="postcode"
          value={postcode}
          maxLength={16}
          onChange={(event) => setPostcode(event.target.value)}
        />
      </div>
      <p className="mt-2" role="status">
        {zones.length === 0 && (
          <span className="text-warning">
            {stopped.length === 0
              ? "Nobody delivers there: no zone claims it."
              : `Nothing is sold there while ${stopped.map(nameOf).join(", ")} is switched off.`}
          </span>
        )}
        {zones.length === 1 && only !== undefined && !orNowhere && (
          <>
            Served by <strong>{nameOf(only)}</strong>, {by ? BY[by] : "whatever the rest of the address"}
            {by === "postcode" && `, read as ${read}`}.
          </>
        )}
        {(zones.length > 1 || (zones.length === 1 && orNowhere)) && (
          <>
            Not known enough yet: it may be served by{" "}
            <strong>{new Intl.ListFormat("en", { type: "disjunction" }).format(zones.map(nameOf))}</strong>
            {orNowhere && ", or by nobody"}.
          </>
        )}
      </p>
    </section>
  );
}
