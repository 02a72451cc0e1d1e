import { useState } from "react";
import type { Zone } from "../../../core/places/market.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { say } from "../../language/say.ts";

type Props = {
  /** What is chosen here, for readers of the screen. */
  label: string;
  zones: readonly Zone[];
  chosen: readonly string[];
  onChoose: (zones: string[]) => void;
};

/** As many zones as are shown at once; more are found by their name. */
const AT_ONCE = 40;

/** Any number of zones. A long list starts with those that are chosen. */
export function ZoneChoice({ label, zones, chosen, onChoose }: Props) {
  const [search, setSearch] = useState("");
  const many = zones.length > AT_ONCE;
  const isChosen = new Set(chosen);
  const wanted = search.trim().toLocaleLowerCase();
  const found = zones
    .filter(({ name }) => name.toLocaleLowerCase().includes(wanted))
    .sort((a, b) => (many ? Number(isChosen.has(b.id)) - Number(isChosen.has(a.id)) : 0) || byPosition(a, b));
  const shown = found.slice(0, AT_ONCE);
  return (
    <fieldset>
      <legend className="sr-only">{label}</legend>
      {many && (
        <p className="mb-2 flex flex-wrap items-center gap-x-3 text-[13px] text-quiet">
          <input
            type="search"
            className="input input-sm w-56"
            aria-label={say("Find a zone")}
            placeholder={say("Find a zone…")}
            value={search}
            maxLength={100}
            onChange={(event) => setSearch(event.target.value)}
          />
          {say("{size} of {count} chosen", { size: isChosen.size, count: zones.length })}
        </p>
      )}
      <ul className="columns-2 gap-6">
        {shown.map(({ id, name }) => (
          <li key={id}>
            <CheckField
              label={name}
              className="py-0.5"
              checked={isChosen.has(id)}
              onCommit={(isTicked) => onChoose(isTicked ? [...chosen, id] : chosen.filter((zone) => zone !== id))}
            />
          </li>
        ))}
      </ul>
      {found.length > shown.length && (
        <p className="mt-1 text-[13px] text-quiet">
          {say("and {count} more: type to find them", { count: found.length - shown.length })}
        </p>
      )}
      {found.length === 0 && <p className="text-[13px] text-quiet">{say("No zone is called that.")}</p>}
    </fieldset>
  );
}
