import Trash2 from "lucide-react/icons/trash-2";
import type { Location } from "../../../core/places/location.ts";
import type { Market } from "../../../core/places/market.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { ListField } from "../../fields/list-field.tsx";
import { type Order, OrderButtons } from "../../fields/order-buttons.tsx";
import { PickDay } from "../../fields/pick-day.tsx";
import { isInCalendar, isTimeZone } from "../../fields/rules.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { TextsTable } from "../../fields/texts-table.tsx";
import { say } from "../../language/say.ts";
import { TIME_ZONES } from "../../names/code-choices.ts";
import { languagesRead } from "../../names/languages.ts";
import { countryChoices } from "../../names/place-names.ts";
import { setOptional } from "../../state/set-optional.ts";
import { CoordinatesField } from "./coordinates-field.tsx";
import { OpeningHours } from "./opening-hours.tsx";
import { PostcodeTableEditor } from "./postcode-table-editor.tsx";

type Props = {
  order: Order;
  plan: Plan;
  location: Location;
  onLocation: (location: Location) => void;
  onShipsFrom: () => void;
  onRemove: () => void;
};

/** Where goods are shipped from or collected: its address, its clocks, when it is open and when it rests. */
export function LocationEditor({ order, plan, location, onLocation, onShipsFrom, onRemove }: Props) {
  const set = (part: Partial<Location>) => onLocation({ ...location, ...part });
  const name = location.name.en ?? Object.values(location.name)[0] ?? location.id;
  return (
    <section aria-label={name} className="grid gap-3">
      <header className="flex flex-wrap items-center gap-1">
        <h2 className="mr-auto text-[20px] leading-7 font-bold">{name}</h2>
        <OrderButtons name={name} {...order} />
        <button type="button" className="btn btn-ghost btn-sm" onClick={onRemove}>
          <Trash2 size={14} aria-hidden /> {say("Remove")}
        </button>
      </header>
      <CheckField
        label={say("The store ships from here")}
        checked={plan.store.shipsFrom === location.id}
        onCommit={onShipsFrom}
      />
      <div data-at="/name /address /instructions">
        <TextsTable
          languages={languagesRead(marketsAround(plan, location))}
          columns={[
            {
              label: say("Name"),
              texts: location.name,
              leaf: "location/name/*",
              onTexts: (texts) => texts && set({ name: texts }),
              required: true,
            },
            {
              label: say("Address, told to who collects"),
              texts: location.address,
              leaf: "location/address/*",
              onTexts: (texts) => onLocation(setOptional(location, "address", texts)),
            },
            {
              label: say("Told with the address"),
              texts: location.instructions,
              leaf: "location/instructions/*",
              onTexts: (texts) => onLocation(setOptional(location, "instructions", texts)),
            },
          ]}
        />
      </div>
      <div className="grid grid-cols-2 items-end gap-4">
        <TextField
          label={say("Time zone")}
          value={location.timeZone}
          className="w-full"
          leaf="location/timeZone"
          known={TIME_ZONES}
          rule={isTimeZone}
          onCommit={(timeZone) => set({ timeZone })}
        />
        <SelectField
          label={say("Country")}
          className="w-full"
          value={location.country}
          choices={countryChoices()}
          onCommit={(country) => set({ country })}
        />
        <TextField
          label={say("Postcode")}
          value={location.postcode}
          className="w-full"
          leaf="location/postcode"
          onCommit={(postcode) => set({ postcode })}
          onEmpty={() => onLocation(setOptional(location, "postcode", undefined))}
        />
        <CoordinatesField
          label={say("Latitude and longitude, in degrees")}
          at={location.at}
          leaf="location/at"
          onAt={(at) => set({ at })}
        />
        <TextField
          label={say("Keeps the public holidays of (a country, or empty)")}
          value={location.holidays}
          className="w-full"
          leaf="location/holidays"
          onCommit={(holidays) => set({ holidays })}
          onEmpty={() => onLocation(setOptional(location, "holidays", undefined))}
        />
      </div>
      <PostcodeTableEditor
        location={location}
        onTable={(table) => onLocation(setOptional(location, "postcodeTable", table))}
      />
      <OpeningHours hours={location.openingHours ?? []} onHours={(openingHours) => set({ openingHours })} />
      <div className="flex items-end gap-1">
        <ListField
          inline={false}
          label={say("Other days without work, YYYY-MM-DD with commas between")}
          value={location.closedOn ?? []}
          className="w-full"
          leaf="location/closedOn"
          rule={isInCalendar}
          parse={daysIn}
          onCommit={(days) => set({ closedOn: days.sort() })}
        />
        <PickDay
          of={say("another day without work")}
          value=""
          onDay={(day) => set({ closedOn: [...new Set([...(location.closedOn ?? []), day])].sort() })}
        />
      </div>
    </section>
  );
}

/** The markets that sell in a location's country: whoever collects is one of their shoppers. */
function marketsAround({ markets, zones }: Plan, { country }: Location): Market[] {
  const around = zones.filter(({ destinations }) =>
    destinations.some(
      (one) => ("country" in one && one.country === country) || ("region" in one && one.region.startsWith(country)),
    ),
  );
  return markets.filter(({ id }) => around.some(({ market }) => market === id));
}

const daysIn = (text: string) => [...new Set(text.split(/[\s,]+/).filter((day) => day !== ""))];
