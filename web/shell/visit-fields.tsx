import { phrase } from "../../core/phrases/phrase.ts";
import { TextField } from "../fields/text-field.tsx";
import { say } from "../language/say.ts";
import { useNamesAsked } from "../state/known-names.ts";
import { setOptional } from "../state/set-optional.ts";
import type { Standpoint } from "../state/standpoint.ts";

type Props = { standpoint: Standpoint; onChange: (standpoint: Standpoint) => void };

const VISIT = [
  { part: "channel", label: phrase("Where the cart is: a shop's channel"), placeholder: phrase("none named") },
  { part: "payment", label: phrase("The way of paying"), placeholder: phrase("not chosen yet") },
  { part: "street", label: phrase("Street lines of the address"), placeholder: phrase("not known") },
] as const;

/** What a shop tells of a visit besides who it is. */
export function VisitFields({ standpoint, onChange }: Props) {
  const { channels, payments } = useNamesAsked();
  return (
    <fieldset className="grid gap-2.5 border-t border-base-300 pt-2.5">
      <legend className="sr-only">{say("How they buy")}</legend>
      {VISIT.map(({ part, label, placeholder }) => (
        <TextField
          key={part}
          label={say(label)}
          className="w-full"
          placeholder={say(placeholder)}
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
