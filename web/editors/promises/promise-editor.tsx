import { createElement } from "react";
import { compilePromise, type DeliveryPromise } from "../../../core/delivery/promise.ts";
import type { Calendars, Location } from "../../../core/places/location.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { say, theReader } from "../../language/say.ts";
import { daysWords, momentWords } from "../../names/moment-words.ts";
import { countryChoices } from "../../names/place-names.ts";
import { arrives } from "./kinds/arrives-editor.tsx";
import { ready } from "./kinds/ready-editor.tsx";
import type { PromiseFieldsProps, PromiseKindEditor, PromiseOf } from "./promise-kind-editor.ts";

type Kind = DeliveryPromise["kind"];

/** The editor of each kind of promise: a kind without one does not compile. */
const EDITORS: { readonly [One in Kind]: PromiseKindEditor<One> } = { arrives, ready };

const NOTHING = "none";

type Props = {
  plan: Plan;
  calendars: Calendars;
  promise: DeliveryPromise | undefined;
  /** The moment that is looked at, in milliseconds of UTC. */
  at: number;
  onPromise: (promise: DeliveryPromise | undefined) => void;
};

/** When goods arrive or are ready, and the date a shopper would read for an order made now. */
export function PromiseEditor({ plan, calendars, promise, at, onPromise }: Props) {
  const locations = plan.locations ?? [];
  const [first] = locations;
  const kinds = first || promise ? Object.entries(EDITORS).map(([kind, { words }]) => [kind, words]) : [];
  return (
    <div className="grid gap-2.5">
      <div className="flex flex-wrap items-end gap-2">
        <SelectField<Kind | typeof NOTHING>
          label={say("Promise")}
          hideLabel
          className="w-56"
          value={promise?.kind ?? NOTHING}
          choices={{ [NOTHING]: say("Nothing is promised"), ...Object.fromEntries(kinds) }}
          onCommit={(kind) => {
            if (kind === NOTHING) onPromise(undefined);
            else if (first && kind !== promise?.kind) onPromise(EDITORS[kind].first(plan, first));
          }}
        />
        {promise && <PlaceField promise={promise} locations={locations} onPromise={onPromise} />}
        {!first && (
          <span className="text-[13px] text-quiet">{say("For a promise, add a location under Places first.")}</span>
        )}
      </div>
      {promise && <PromiseFields promise={promise} onPromise={onPromise} />}
      {promise && <Promised promise={promise} plan={plan} calendars={calendars} at={at} />}
    </div>
  );
}

function PromiseFields<One extends Kind>(props: PromiseFieldsProps<One>) {
  const kind: One = props.promise.kind;
  return createElement<PromiseFieldsProps<One>>(EDITORS[kind].Fields, props);
}

const editorOf = <One extends Kind>({ kind }: PromiseOf<One>): PromiseKindEditor<One> => EDITORS[kind];

type PlaceProps = { promise: DeliveryPromise; locations: readonly Location[]; onPromise: Props["onPromise"] };

function PlaceField({ promise, locations, onPromise }: PlaceProps) {
  const editor = editorOf(promise);
  return (
    <SelectField
      label={editor.lead}
      className="w-44"
      value={editor.place(promise)}
      choices={choicesOf(locations, ({ name, id }) => name.en ?? id)}
      onCommit={(location) => onPromise(editor.at(promise, location))}
    />
  );
}

type PromisedProps = Pick<Props, "plan" | "calendars" | "at"> & { promise: DeliveryPromise };

/** What it comes to for an order made now. */
function Promised({ promise, plan, calendars, at }: PromisedProps) {
  const place = editorOf(promise).place(promise);
  const location = plan.locations?.find(({ id }) => id === place);
  if (!location) return null;
  return (
    <p className="text-[13px]">
      {say("An order made {moment}", { moment: momentWords(at, location.timeZone, theReader().clock) })}{" "}
      <strong>{promisedWords(promise, plan, calendars, at, location.timeZone)}</strong>
      {location.holidays && (
        <span className="text-quiet">
          {" "}
          {say("· public holidays of {calendar} and the location's own rest days are kept", {
            calendar: calendarName(location.holidays),
          })}
        </span>
      )}
    </p>
  );
}

function promisedWords(
  promise: DeliveryPromise,
  plan: Plan,
  calendars: Calendars,
  at: number,
  timeZone: string,
): string {
  const locations = new Map((plan.locations ?? []).map((location) => [location.id, location]));
  const found = compilePromise(promise, locations, calendars)(at);
  if (!found) return say("can be promised nothing");
  if (found.readyAt !== undefined)
    return say("is ready {moment}", {
      moment: momentWords(Date.parse(found.readyAt), timeZone, theReader().clock),
    });
  return say("arrives {days}", { days: daysWords(found.earliest, found.latest, theReader().clock) });
}

/** @example calendarName("ES-CT") // "Spain, ES-CT" */
const calendarName = (code: string): string => {
  const country = countryChoices()[code.slice(0, 2)] ?? code;
  return code.includes("-") ? `${country}, ${code}` : country;
};
