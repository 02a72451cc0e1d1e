import { chargeWords } from "../../../core/charges/words.ts";
import type { DeliveryOption, ZoneOwn } from "../../../core/delivery/option.ts";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import type { Calendars } from "../../../core/places/location.ts";
import type { Zone } from "../../../core/places/market.ts";
import { savedOf } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { EditedAmounts } from "../../editors/amounts/edited-amounts.tsx";
import { ChargeEditor } from "../../editors/charges/charge-editor.tsx";
import { HandlingPercents, handlingRow } from "../../editors/charges/handling-fields.tsx";
import { EditingContext, editingIn, useEditing } from "../../editors/editing.ts";
import { PromiseEditor } from "../../editors/promises/promise-editor.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = {
  option: DeliveryOption;
  calendars: Calendars;
  at: number;
  onOption: (option: DeliveryOption, done: boolean) => void;
};

/** Zones that share the option, and what single ones have of their own instead. */
export function ZoneDifferences({ option, onOption, ...shared }: Props) {
  const { plan } = useEditing();
  const zones = plan.zones.filter(({ id }) => option.zones.includes(id)).sort(byPosition);
  if (zones.length < 2) return null;
  const set = (zone: string, own: ZoneOwn, done: boolean) => {
    const byZone = setOptional(option.byZone ?? {}, zone, Object.keys(own).length > 0 ? own : undefined);
    onOption(setOptional(option, "byZone", Object.keys(byZone).length > 0 ? byZone : undefined), done);
  };
  return (
    <ul className="mt-3 grid gap-2">
      {zones.map((zone) => (
        <ZoneItem
          key={zone.id}
          {...shared}
          zone={zone}
          option={option}
          own={option.byZone?.[zone.id] ?? {}}
          onOwn={(own, done) => set(zone.id, own, done)}
        />
      ))}
    </ul>
  );
}

type ItemProps = Omit<Props, "onOption"> & {
  zone: Zone;
  own: ZoneOwn;
  onOwn: (own: ZoneOwn, done: boolean) => void;
};

const PARTS: Readonly<Record<keyof ZoneOwn, Phrase>> = {
  charge: phrase("charge"),
  handling: phrase("handling fee"),
  promise: phrase("delivery time"),
};
const partNames: readonly (keyof ZoneOwn)[] = ["charge", "handling", "promise"];

/** One zone: what it has of its own, edited below, and a way to give it more. */
function ZoneItem({ zone, option, own, calendars, at, onOwn }: ItemProps) {
  const { plan, context } = useEditing();
  const { id, name, market } = zone;
  const currency = plan.markets.find((one) => one.id === market)?.currencies[0] ?? context.currency;
  const there = { ...context, market, currency };
  const share = (part: keyof ZoneOwn) => onOwn(setOptional(own, part, undefined), true);
  const give = (part: keyof ZoneOwn) => {
    if (part === "charge") onOwn({ ...own, charge: option.charge }, true);
    else if (part === "handling") onOwn({ ...own, handling: option.handling ?? {} }, true);
    else if (option.promise) onOwn({ ...own, promise: option.promise }, true);
  };
  const given = partNames.filter((part) => own[part] !== undefined);
  const offered = partNames.filter((part) => own[part] === undefined && (part !== "promise" || option.promise));
  return (
    <li className={given.length > 0 ? "border-l-2 border-primary pl-3" : "pl-3.5"} data-at={`/byZone/${id}`}>
      <p className="flex flex-wrap items-center gap-2">
        <span className="font-semibold">{name}</span>
        {own.charge &&
          say("costs {charge}, unlike the others", {
            charge: chargeWords(own.charge, there, savedOf(plan)),
          })}
        {given.map((part) => (
          <button key={part} type="button" className="btn btn-ghost btn-xs" onClick={() => share(part)}>
            {say("Share the {part} again", { part: PARTS[part] })}
            <span className="sr-only"> {say("in {name}", { name })}</span>
          </button>
        ))}
        {offered.map((part) => (
          <button key={part} type="button" className="btn btn-ghost btn-xs" onClick={() => give(part)}>
            {say("Give it its own {part}", { part: PARTS[part] })}
            <span className="sr-only"> {say("in {name}", { name })}</span>
          </button>
        ))}
      </p>
      <EditingContext value={editingIn({ plan, context: there, zones: [id], explain: () => null })}>
        {own.charge && (
          <ChargeEditor charge={own.charge} onCharge={(charge, done) => onOwn({ ...own, charge }, done)} />
        )}
        {own.handling && (
          <div className="mt-2 flex flex-wrap items-end gap-3">
            <EditedAmounts
              name={say("On top in {name}", { name })}
              rows={[handlingRow(own.handling, (next, done) => onOwn({ ...own, handling: next ?? {} }, done))]}
            />
            <HandlingPercents
              handling={own.handling}
              onHandling={(next, done) => onOwn({ ...own, handling: next ?? {} }, done)}
            />
          </div>
        )}
        {own.promise && (
          <fieldset className="mt-2">
            <legend className="sr-only">{say("When it comes in {name}", { name })}</legend>
            <PromiseEditor
              plan={plan}
              calendars={calendars}
              promise={own.promise}
              at={at}
              onPromise={(promise) => onOwn(setOptional(own, "promise", promise), true)}
            />
          </fieldset>
        )}
      </EditingContext>
    </li>
  );
}
