import { TextField } from "../fields/text-field.tsx";
import { useNamesAsked } from "../state/known-names.ts";
import { setOptional } from "../state/set-optional.ts";
import type { Standpoint } from "../state/standpoint.ts";

type Props = { standpoint: Standpoint; onChange: (standpoint: Standpoint) => void };

const VISIT = [
  { part: "channel", label: "Where the cart is: a shop's channel", placeholder: "none named" },
  { part: "payment", label: "The way of paying", placeholder: "not chosen yet" },
  { part: "street", label: "Street lines of the address", placeholder: "not known" },
] as const;

/** What a shop tells of a visit besides who it is. */
export function VisitFields({ standpoint, onChange }: Props) {
  const { channels, payments } = useNamesAsked();
  return (
    <fieldset className="grid gap-2.5 border-t border-base-300 pt-2.5">
      <legend className="sr-only">How they buy</legend>
      {VISIT.map(({ part, label, placeholder }) => (
        <TextField
          key={part}
          label={label}
          className="w-full"
          placeholder={placeholder}
          value={standpoint[part]}
          leaf={`standpoint/${part}`}
          known={part === "channel" ? channels : part === "payment" ? payments : []}
          onCommit={(text) => onChange({ ...standpoint, [part]: text })}
          onEmpty={() => onChange(setOptional(standpoint, part, undefined))}
        />
      ))}
    </fieldset>
  );
}
