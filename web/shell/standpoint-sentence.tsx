import { useId, useState } from "react";
import type { Offer } from "../../core/offers/offer.ts";
import type { Location } from "../../core/places/location.ts";
import type { Market } from "../../core/places/market.ts";
import { COUNTRIES } from "../names/place-names.ts";
import { setOptional } from "../state/set-optional.ts";
import type { Standpoint } from "../state/standpoint.ts";
import { useRegions } from "../state/use-regions.ts";
import { DistancePart } from "./distance-part.tsx";
import { MomentPart } from "./moment-part.tsx";
import { SavedStandpointsMenu } from "./saved-standpoints-menu.tsx";
import { ShopperPart } from "./shopper-part.tsx";

type Props = {
  standpoint: Standpoint;
  market: Market | null;
  offers: readonly Offer[];
  locations: readonly Location[];
  onChange: (standpoint: Standpoint) => void;
};

const currencyNames = new Intl.DisplayNames(["en"], { type: "currency" });
const languageNames = new Intl.DisplayNames(["en"], { type: "language" });

const part =
  "[field-sizing:content] cursor-pointer border-b border-dotted border-quiet bg-transparent font-semibold text-base-content";

/** "Seen from Portugal, 3000-001 by a guest now in euro and English": each part can be changed in place. */
export function StandpointSentence({ standpoint, market, offers, locations, onChange }: Props) {
  const id = useId();
  const [postcode, setPostcode] = useState(standpoint.postcode);
  const keepPostcode = () =>
    onChange({
      ...standpoint,
      region: postcode === "" ? standpoint.region : "",
      postcode: postcode.trim().slice(0, 16),
    });
  const regions = useRegions(standpoint.country);
  const currencies = [...new Set([...(market?.currencies ?? []), standpoint.currency])];
  const languages = [...new Set([...(market?.languages ?? []), standpoint.locale])];
  return (
    <div className="flex flex-wrap items-baseline gap-x-1.5 text-[14px] text-quiet">
      Seen from
      <label htmlFor={`${id}-country`} className="sr-only">
        Country
      </label>
      <select
        id={`${id}-country`}
        className={`${part} max-w-52`}
        value={standpoint.country}
        onChange={(event) => {
          setPostcode("");
          onChange(
            setOptional({ ...standpoint, country: event.target.value, region: "", postcode: "" }, "away", undefined),
          );
        }}
      >
        <option value="">a place not known yet</option>
        {COUNTRIES.map(({ code, name }) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </select>
      <label htmlFor={`${id}-postcode`} className="sr-only">
        Postcode
      </label>
      {regions.length > 0 && standpoint.postcode === "" && (
        <select
          aria-label="Region"
          className={`${part} max-w-36`}
          value={standpoint.region}
          onChange={(event) => onChange({ ...standpoint, region: event.target.value })}
        >
          <option value="">some region</option>
          {regions.map(({ code, name }) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      )}
      <input
        id={`${id}-postcode`}
        className={`${part} min-w-16 max-w-32 cursor-text`}
        value={postcode}
        placeholder="postcode"
        maxLength={16}
        autoComplete="off"
        onChange={(event) => setPostcode(event.target.value)}
        onBlur={keepPostcode}
        onKeyDown={(event) => event.key === "Enter" && keepPostcode()}
      />
      <DistancePart
        away={standpoint.away}
        locations={locations}
        onChange={(away) => onChange(setOptional(standpoint, "away", away))}
      />
      by
      <ShopperPart
        shopper={standpoint.shopper}
        limited={offers.filter(({ limits }) => limits?.perShopper !== undefined)}
        onChange={(shopper) => onChange({ ...standpoint, shopper })}
      />
      {standpoint.moment !== null && "on"}
      <MomentPart
        moment={standpoint.moment}
        timeZone={market?.timeZone ?? "UTC"}
        onChange={(moment) => onChange({ ...standpoint, moment })}
      />
      in
      <label htmlFor={`${id}-currency`} className="sr-only">
        Currency
      </label>
      <select
        id={`${id}-currency`}
        className={part}
        value={standpoint.currency}
        onChange={(event) => onChange({ ...standpoint, currency: event.target.value })}
      >
        {currencies.map((code) => (
          <option key={code} value={code}>
            {currencyNames.of(code) ?? code}
          </option>
        ))}
      </select>
      and
      <label htmlFor={`${id}-language`} className="sr-only">
        Language
      </label>
      <select
        id={`${id}-language`}
        className={part}
        value={standpoint.locale}
        onChange={(event) => onChange({ ...standpoint, locale: event.target.value })}
      >
        {languages.map((tag) => (
          <option key={tag} value={tag}>
            {languageNames.of(tag) ?? tag}
          </option>
        ))}
      </select>
      <span aria-hidden>·</span>
      <SavedStandpointsMenu
        standpoint={standpoint}
        onChange={(next) => {
          setPostcode(next.postcode);
          onChange(next);
        }}
      />
    </div>
  );
}
