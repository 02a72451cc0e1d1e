import X from "lucide-react/icons/x";
import type { ZoneDestination } from "../../../core/places/destination.ts";
import { AddSelect } from "../../fields/add-select.tsx";
import { ListField } from "../../fields/list-field.tsx";
import { isPostcodeOf } from "../../fields/rules.ts";
import { say } from "../../language/say.ts";
import { countries } from "../../names/place-names.ts";
import { setOptional } from "../../state/set-optional.ts";
import { useRegions } from "../../state/use-regions.ts";
import { regionChoices, regionsChosen } from "./region-choices.ts";

type Props = {
  destination: ZoneDestination;
  nameOf: (code: string) => string;
  onDestination: (destination: ZoneDestination) => void;
};

/** What is left out of a place: regions and postcodes of a country, postcodes of a region, countries of the rest of the world. */
export function Exceptions({ destination, nameOf, onDestination }: Props) {
  if ("restOfWorld" in destination) {
    const { exceptCountries = [] } = destination;
    const set = (codes: string[]) =>
      onDestination(setOptional(destination, "exceptCountries", codes.length > 0 ? codes.sort() : undefined));
    return (
      <div className={row}>
        <LeftOut codes={exceptCountries} nameOf={nameOf} onCodes={set} />
        <AddSelect
          label={say("Leave out a country")}
          shown={say("leave out a country…")}
          look="word"
          choices={countries()
            .filter(({ code }) => !exceptCountries.includes(code))
            .map(({ code, name }) => ({
              value: code,
              words: name,
            }))}
          onAdd={(code) => set([...exceptCountries, code])}
        />
      </div>
    );
  }
  if ("region" in destination)
    return (
      <div className={row}>
        <ExceptedPostcodes
          country={destination.region.slice(0, 2)}
          destination={destination}
          onChange={onDestination}
        />
      </div>
    );
  const { country, postcodes, exceptRegions = [] } = destination;
  const set = (codes: string[]) =>
    onDestination(setOptional(destination, "exceptRegions", codes.length > 0 ? codes.sort() : undefined));
  return (
    <div className={row}>
      <LeftOut codes={exceptRegions} nameOf={nameOf} onCodes={set} />
      {postcodes ? (
        <ListField
          label={say("Postcodes")}
          className="w-72 font-mono"
          value={postcodes}
          leaf="zone/destinations/postcodes"
          rule={isPostcodeOf(country)}
          parse={patternsIn}
          onCommit={(next) => onDestination({ ...destination, postcodes: next })}
        />
      ) : (
        <CarveOut country={country} excepted={exceptRegions} onCarve={(codes) => set([...exceptRegions, ...codes])} />
      )}
      <ExceptedPostcodes country={country} destination={destination} onChange={onDestination} />
    </div>
  );
}

const row = "mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px] text-quiet";

const patternsIn = (text: string) => [
  ...new Set(
    text
      .split(/[\n,;]+/)
      .map((one) => one.trim())
      .filter((one) => one !== ""),
  ),
];

type LeftOutProps = { codes: readonly string[]; nameOf: Props["nameOf"]; onCodes: (codes: string[]) => void };

/** What is left out, each to be taken in again. */
const LeftOut = ({ codes, nameOf, onCodes }: LeftOutProps) =>
  codes.map((code) => (
    <button
      key={code}
      type="button"
      className="btn btn-ghost btn-xs"
      onClick={() => onCodes(codes.filter((one) => one !== code))}
    >
      {say("without {place}", { place: nameOf(code) })}
      <X size={12} aria-hidden />
      <span className="sr-only">{say(": take it in again")}</span>
    </button>
  ));

type CarveProps = { country: string; excepted: readonly string[]; onCarve: (regions: string[]) => void };

function CarveOut({ country, excepted, onCarve }: CarveProps) {
  const regions = useRegions(country).filter(({ code }) => !excepted.includes(code));
  if (regions.length === 0) return null;
  return (
    <AddSelect
      label={say("Carve out a region")}
      shown={say("carve out…")}
      look="word"
      choices={regionChoices(regions)}
      onAdd={(chosen) => onCarve(regionsChosen(chosen, regions))}
    />
  );
}

type PostcodesProps<Of extends { exceptPostcodes?: string[] }> = {
  country: string;
  destination: Of;
  onChange: (destination: Of) => void;
};

/** Postcodes that are left out. */
const ExceptedPostcodes = <Of extends { exceptPostcodes?: string[] }>({
  country,
  destination,
  onChange,
}: PostcodesProps<Of>) => (
  <ListField
    label={say("Without the postcodes")}
    className="w-56 font-mono"
    placeholder={say("none")}
    value={destination.exceptPostcodes ?? []}
    leaf="zone/destinations/exceptPostcodes"
    rule={isPostcodeOf(country)}
    parse={patternsIn}
    onCommit={(exceptPostcodes) => onChange({ ...destination, exceptPostcodes })}
    onEmpty={() => onChange(setOptional(destination, "exceptPostcodes", undefined))}
  />
);
