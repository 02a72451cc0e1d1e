import Plus from "lucide-react/icons/plus";
import X from "lucide-react/icons/x";
import { isOn } from "../../../core/conditions/on-channels.ts";
import { optionName } from "../../../core/explain/option-name.ts";
import type { Plan, Store } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { freeId } from "../../../core/schema/positions.ts";
import { IconButton } from "../../fields/icon-button.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = { plan: Plan; onStore: (store: Store) => void };
type Channel = NonNullable<Store["channels"]>[number];

/** Where carts come from, by the names requests have for it, and what is offered on each. */
export function Channels({ plan, onStore }: Props) {
  const { store } = plan;
  const channels = store.channels ?? [];
  const set = (next: Channel[]) => onStore(setOptional(store, "channels", next.length > 0 ? next : undefined));
  const change = (index: number, part: Partial<Channel>) =>
    set(channels.map((one, i) => (i === index ? { ...one, ...part } : one)));
  const add = () =>
    set([
      ...channels,
      {
        id: freeId(
          "channel",
          channels.map(({ id }) => id),
        ),
        name: say("New channel"),
      },
    ]);
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 font-semibold">{say("Channels")}</legend>
      {channels.length === 0 && (
        <p className="text-quiet">{say("None are told apart: everything is offered on all of them.")}</p>
      )}
      <ul className="grid gap-3">
        {channels.map((channel, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: its id is what is typed
          <li key={i} className="flex flex-wrap items-end gap-2">
            <TextField
              label={say("Called")}
              ariaLabel={say("Name of channel {number}", { number: i + 1 })}
              className="w-44"
              value={channel.name}
              leaf="store/channels/name"
              onCommit={(name) => change(i, { name })}
            />
            <TextField
              label={say("as requests name it")}
              ariaLabel={say("Requests' name of channel {number}", { number: i + 1 })}
              className="w-36"
              value={channel.id}
              leaf="store/channels/id"
              onCommit={(id) => change(i, { id })}
            />
            <IconButton
              words={say("Remove channel {name}", { name: channel.name })}
              onClick={() => set(channels.filter((_, j) => j !== i))}
            >
              <X size={14} aria-hidden />
            </IconButton>
            <p className="basis-full text-[13px] text-quiet">{offeredWords(plan, channel.id)}</p>
          </li>
        ))}
      </ul>
      <button type="button" className="btn btn-sm justify-self-start" onClick={add}>
        <Plus size={14} aria-hidden /> {say("Add a channel")}
      </button>
    </fieldset>
  );
}

/** What is offered on a channel; what is left out there is named, since it may be forgotten. @example "All 13 options; offers: all but Newsletter" */
function offeredWords(plan: Plan, channel: string): string {
  const options = plan.options.filter(({ on }) => on !== false).sort(byPosition);
  const offers = plan.offers.filter(({ on }) => on).sort(byPosition);
  const words = (kind: string, all: number, missing: readonly string[]) =>
    missing.length === 0
      ? say("all {all} {kind}", { all, kind })
      : missing.length === all
        ? say("no {kind}", { kind })
        : say("{kind}: all but {missing}", { kind, missing: missing.join(", ") });
  const parts = [
    words(say("options"), options.length, options.filter((one) => !isOn(one, channel)).map(optionName)),
    words(
      say("offers"),
      offers.length,
      offers.filter((one) => !isOn(one, channel)).map(({ name }) => name),
    ),
  ];
  return say("Offered there: {parts}.", { parts: parts.join("; ") });
}
