import Power from "lucide-react/icons/power";
import Trash2 from "lucide-react/icons/trash-2";
import { Link } from "wouter";
import type { Handling } from "../../../core/money/handling.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import type { Market, Zone } from "../../../core/places/market.ts";
import { type Plan, ratesOf } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { EditedAmounts } from "../../editors/amounts/edited-amounts.tsx";
import { HandlingPercents, handlingRow } from "../../editors/charges/handling-fields.tsx";
import { EditingContext, editingIn } from "../../editors/editing.ts";
import { type Order, OrderButtons } from "../../fields/order-buttons.tsx";
import { readPercent } from "../../fields/read-figure.ts";
import { isAtMostAll } from "../../fields/rules.ts";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { TextsTable } from "../../fields/texts-table.tsx";
import { say } from "../../language/say.ts";
import { languagesRead } from "../../names/languages.ts";
import { FindingsBeside } from "../../state/findings-context.tsx";
import { setOptional } from "../../state/set-optional.ts";
import { draftStore } from "../../state/use-draft.ts";
import { DestinationEditor } from "./destination-editor.tsx";

type Props = {
  order: Order;
  plan: Plan;
  zone: Zone;
  nameOf: (code: string) => string;
  onZones: (...zones: Zone[]) => void;
  onRemove: () => void;
};

const WHEN_OFF = {
  "falls-to-wider": phrase("its places go to the next wider zone"),
  "stops-selling": phrase("nothing is sold to its places"),
} as const;

/** One zone: its name, tax and the places it claims. */
export function ZoneEditor({ order, plan, zone, nameOf, onZones, onRemove }: Props) {
  const market = plan.markets.find(({ id }) => id === zone.market);
  const options = plan.options.filter((option) => option.on !== false && option.zones.includes(zone.id)).length;
  return (
    <section aria-label={zone.name} className="grid gap-3">
      <header className="flex flex-wrap items-center gap-1">
        <h2 className="mr-auto text-[20px] leading-7 font-bold">{zone.name}</h2>
        <OrderButtons name={zone.name} {...order} />
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          onClick={() => onZones({ ...zone, on: zone.on === false })}
        >
          <Power size={14} aria-hidden /> {zone.on === false ? say("Switch on") : say("Switch off")}
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={onRemove}>
          <Trash2 size={14} aria-hidden /> {say("Remove")}
        </button>
        <p className="w-full text-quiet">
          {say("In the market")}{" "}
          <SelectField
            label={say("Market")}
            look="word"
            className="text-[14px]"
            value={zone.market}
            choices={choicesOf([...plan.markets].sort(byPosition), ({ name }) => name)}
            onCommit={(to) => onZones({ ...zone, market: to })}
          />
          ;{" "}
          {options === 0 ? (
            <Link className="text-warning underline" href="/delivery">
              {say("no delivery option yet")}
            </Link>
          ) : (
            `${options === 1 ? say("one delivery option") : say("{options} delivery options", { options })}`
          )}
          {zone.on === false && (
            <>
              {say("; switched off:")}{" "}
              <SelectField<NonNullable<Zone["whenOff"]>>
                label={say("While it is switched off")}
                look="word"
                className="text-[14px]"
                value={zone.whenOff ?? "falls-to-wider"}
                choices={WHEN_OFF}
                onCommit={(whenOff) => onZones({ ...zone, whenOff })}
              />
            </>
          )}
          .
        </p>
      </header>
      <FindingsBeside kind="zone" id={zone.id} />
      <div className="flex flex-wrap gap-4" data-at="/name /standardTaxRate">
        <TextField
          key={`name ${zone.id}`}
          label={say("Name")}
          value={zone.name}
          leaf="zone/name"
          onCommit={(name) => onZones({ ...zone, name })}
        />
        <TextField
          key={`tax ${zone.id}`}
          label={say("Standard tax, percent")}
          value={zone.standardTaxRate}
          leaf="zone/standardTaxRate"
          rule={isAtMostAll}
          read={readPercent}
          onCommit={(standardTaxRate) => onZones({ ...zone, standardTaxRate })}
        />
      </div>
      {market && <Called zone={zone} market={market} onZones={onZones} />}
      {market && <ZoneHandling plan={plan} zone={zone} market={market} onZones={onZones} />}
      <div data-at="/destinations">
        <DestinationEditor plan={plan} zone={zone} nameOf={nameOf} onZones={onZones} />
      </div>
    </section>
  );
}

/** What texts call the place, where that is not the name that the team knows it by. */
const Called = ({ zone, market, onZones }: Pick<Props, "zone" | "onZones"> & { market: Market }) => (
  <details open={zone.called !== undefined} data-at="/called">
    <summary className="cursor-pointer text-quiet">
      {say("What shoppers read as the place, '{place}' in texts")}
    </summary>
    <div className="mt-2">
      <TextsTable
        languages={languagesRead([market])}
        columns={[
          {
            label: say("Called"),
            texts: zone.called,
            leaf: "zone/called/*",
            onTexts: (called) => onZones(setOptional(zone, "called", called)),
          },
        ]}
      />
    </div>
  </details>
);

type HandlingProps = Pick<Props, "plan" | "zone" | "onZones"> & { market: Market };

/** A fee in a zone, on top of whatever an option charges there and its own handling. */
function ZoneHandling({ plan, zone, market, onZones }: HandlingProps) {
  const context = { zone: zone.id, market: market.id, currency: market.currencies[0] ?? "", rates: ratesOf(plan) };
  const save = (handling: Handling | undefined, done: boolean) => {
    const body = setOptional(zone, "handling", handling);
    if (done) onZones(body);
    else draftStore.show({ kind: "zone", id: zone.id, body });
  };
  return (
    <details open={zone.handling !== undefined} data-at="/handling">
      <summary className="cursor-pointer text-quiet">
        {say("Handling in this zone, on top of what each option charges")}
      </summary>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <EditingContext value={editingIn({ plan, context, zones: [zone.id], explain: () => null })}>
          <EditedAmounts
            name={say("On top in {name}", { name: zone.name })}
            rows={[handlingRow(zone.handling, save)]}
          />
        </EditingContext>
        <HandlingPercents handling={zone.handling} onHandling={save} />
      </div>
    </details>
  );
}
