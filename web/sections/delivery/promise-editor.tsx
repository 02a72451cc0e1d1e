import { compilePromise, type DeliveryPromise } from "../../../core/delivery/promise.ts";
import type { Calendars } from "../../../core/places/location.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { WeekdaysField } from "../../fields/weekdays-field.tsx";

type Props = {
  plan: Plan;
  calendars: Calendars;
  promise: DeliveryPromise | undefined;
  /** The moment that is looked at, in milliseconds of UTC. */
  at: number;
  onPromise: (promise: DeliveryPromise | undefined) => void;
};

const field = "input input-sm w-20";

/** When goods arrive or are ready, and the date a shopper would read for an order made now. */
export function PromiseEditor({ plan, calendars, promise, at, onPromise }: Props) {
  const locations = plan.locations ?? [];
  const [first] = locations;
  const kind = promise?.kind ?? "none";
  const choose = (next: string) => {
    if (next === "none" || !first) onPromise(undefined);
    else if (next === "ready") onPromise({ kind: "ready", at: first.id, lead: 120 });
    else
      onPromise({
        kind: "arrives",
        from: plan.store.shipsFrom ?? first.id,
        cutOff: "15:00",
        workingDays: [1, 2, 3, 4, 5],
        preparation: { least: 0, most: 1 },
        transit: { least: 1, most: 2 },
      });
  };
  const place = promise?.kind === "arrives" ? promise.from : promise?.at;
  const location = locations.find(({ id }) => id === place);
  return (
    <div className="grid gap-2.5">
      <div className="flex flex-wrap items-center gap-2">
        <select
          aria-label="Promise"
          className="select select-sm w-56"
          value={kind}
          onChange={(event) => choose(event.target.value)}
        >
          <option value="none">Nothing is promised</option>
          <option value="arrives" disabled={!first}>
            Arrives after working days
          </option>
          <option value="ready" disabled={!first}>
            Ready after opening hours
          </option>
        </select>
        {promise && (
          <label className="flex items-center gap-2">
            {promise.kind === "arrives" ? "from" : "at"}
            <select
              className="select select-sm w-44"
              value={place}
              onChange={(event) =>
                onPromise(
                  promise.kind === "arrives"
                    ? { ...promise, from: event.target.value }
                    : { ...promise, at: event.target.value },
                )
              }
            >
              {locations.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name.en ?? id}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
      {promise?.kind === "ready" && (
        <div className="flex items-center gap-2">
          after
          <NumberField
            label="Lead time in minutes"
            value={promise.lead}
            most={100_000}
            onNumber={(lead) => onPromise({ ...promise, lead })}
          />
          minutes of opening hours
        </div>
      )}
      {promise?.kind === "arrives" && (
        <>
          <div className="flex flex-wrap items-center gap-2">
            <label className="flex items-center gap-2">
              Orders until
              <input
                type="time"
                className="input input-sm w-28"
                value={promise.cutOff}
                onChange={(event) =>
                  event.target.value !== "" && onPromise({ ...promise, cutOff: event.target.value.slice(0, 5) })
                }
              />
            </label>
            are begun the same working day:
            <WeekdaysField
              label="Working days"
              days={promise.workingDays}
              onCommit={(workingDays) => onPromise({ ...promise, workingDays })}
            />
          </div>
          {(["preparation", "transit"] as const).map((part) => (
            <div key={part} className="flex items-center gap-2">
              <span className="w-24">{part === "preparation" ? "Prepared in" : "On its way"}</span>
              <NumberField
                label={`Least ${part}`}
                value={promise[part].least}
                most={365}
                onNumber={(least) =>
                  onPromise({ ...promise, [part]: { least, most: Math.max(least, promise[part].most) } })
                }
              />
              to
              <NumberField
                label={`Most ${part}`}
                value={promise[part].most}
                most={365}
                onNumber={(most) =>
                  onPromise({ ...promise, [part]: { least: Math.min(most, promise[part].least), most } })
                }
              />
              working days
            </div>
          ))}
        </>
      )}
      {promise && location && (
        <p className="text-[13px]">
          An order made {dateWords(at, location.timeZone)}{" "}
          <strong>{promisedWords(promise, plan, calendars, at, location.timeZone)}</strong>
          {location.holidays && (
            <span className="text-quiet">
              {" "}
              · public holidays of {location.holidays} and the location's own rest days are kept
            </span>
          )}
        </p>
      )}
    </div>
  );
}

type NumberProps = { label: string; value: number; most: number; onNumber: (number: number) => void };

function NumberField({ label, value, most, onNumber }: NumberProps) {
  return (
    <input
      type="number"
      aria-label={label}
      className={field}
      min={0}
      max={most}
      value={value}
      onChange={(event) => {
        const number = Number(event.target.value);
        if (event.target.value !== "" && Number.isInteger(number) && number >= 0 && number <= most) onNumber(number);
      }}
    />
  );
}

const dateWords = (at: number, timeZone: string) =>
  new Intl.DateTimeFormat("en-GB", {
    weekday: "short",
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
    timeZone,
  }).format(at);

function promisedWords(
  promise: DeliveryPromise,
  plan: Plan,
  calendars: Calendars,
  at: number,
  timeZone: string,
): string {
  const locations = new Map((plan.locations ?? []).map((location) => [location.id, location]));
  const found = compilePromise(promise, locations, calendars)(at);
  if (!found) return "can be promised nothing";
  if (found.readyAt !== undefined) return `is ready ${dateWords(Date.parse(found.readyAt), timeZone)}`;
  const day = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short", timeZone: "UTC" });
  const [first, last] = [new Date(`${found.earliest}T00:00:00Z`), new Date(`${found.latest}T00:00:00Z`)];
  return `arrives ${found.earliest === found.latest ? day.format(first) : day.formatRange(first, last)}`;
}
