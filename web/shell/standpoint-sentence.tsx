import { useId, useState } from "react";
import type { Offer } from "../../core/offers/offer.ts";
import type { Location } from "../../core/places/location.ts";
import type { Market } from "../../core/places/market.ts";
import { SelectField } from "../fields/select-field.tsx";
import { currencyName, languageChoices } from "../language/codes.ts";
import { say } from "../language/say.ts";
import { countryChoices } from "../names/place-names.ts";
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

const strong = "text-[14px] font-semibold";

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
      {say("Seen from")}
      <SelectField
        label={say("Country")}
        look="word"
        className={`${strong} max-w-52`}
        value={standpoint.country}
        choices={{ "": say("a place not known yet"), ...countryChoices() }}
        onCommit={(country) => {
          setPostcode("");
          onChange(setOptional({ ...standpoint, country, region: "", postcode: "" }, "away", undefined));
        }}
      />
      {regions.length > 0 && standpoint.postcode === "" && (
        <SelectField
          label={say("Region")}
          look="word"
          className={`${strong} max-w-36`}
          value={standpoint.region}
          choices={{ "": say("some region"), ...Object.fromEntries(regions.map(({ code, name }) => [code, name])) }}
          onCommit={(region) => onChange({ ...standpoint, region })}
        />
      )}
      <label htmlFor={`${id}-postcode`} className="sr-only">
        {say("Postcode")}
      </label>
      <input
        id={`${id}-postcode`}
        className={`[field-sizing:content] border-b border-dotted border-quiet bg-transparent font-semibold text-base-content min-w-16 max-w-32 cursor-text`}
        value={postcode}
        placeholder={say("postcode")}
        maxLength={16}
        autoComplete="off"
        onChange={(event) => setPostcode(event.target.value)}
        onBlur={keepPostcode}
        onKeyDown={(event) => event.key === "Enter" && keepPostcode()}
      />
      <DistancePart
        away={standpoint.away}
        place={standpoint}
        locations={locations}
        onChange={(away) => onChange(setOptional(standpoint, "away", away))}
      />
      {say("by")}
      <ShopperPart
        standpoint={standpoint}
        limited={offers.filter(({ limits }) => limits?.perShopper !== undefined)}
        onChange={onChange}
      />
      {standpoint.moment !== null && say("on")}
      <MomentPart
        moment={standpoint.moment}
        timeZone={market?.timeZone ?? "UTC"}
        onChange={(moment) => onChange({ ...standpoint, moment })}
      />
      {say("in")}
      <SelectField
        label={say("Currency")}
        look="word"
        className={strong}
        value={standpoint.currency}
        choices={Object.fromEntries(currencies.map((code) => [code, currencyName(code)]))}
        onCommit={(currency) => onChange({ ...standpoint, currency })}
      />
      {say("and")}
      <SelectField
        label={say("Language")}
        look="word"
        className={strong}
        value={standpoint.locale}
        choices={languageChoices(languages)}
        onCommit={(locale) => onChange({ ...standpoint, locale })}
      />
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
