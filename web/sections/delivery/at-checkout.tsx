import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import { ChoicesField } from "../../fields/choices-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = { option: DeliveryOption; onOption: (option: DeliveryOption) => void };

const ASKS = [
  { value: "phone", words: phrase("asks for a phone number") },
  { value: "entry-code", words: phrase("asks for an entry code") },
  { value: "delivery-window", words: phrase("asks for a delivery window") },
] as const;

/** What is asked of the shopper, what is shown while the option cannot be had, and what orders call it. */
export const AtCheckout = ({ option, onOption }: Props) => (
  <>
    <ChoicesField
      label={say("What is asked of the shopper")}
      value={option.asks ?? []}
      choices={ASKS}
      leaf="option/asks"
      className="flex-wrap gap-x-5 gap-y-1"
      onCommit={(asks) => onOption(setOptional(option, "asks", asks.length > 0 ? asks : undefined))}
    />
    <SelectField
      label={say("While it cannot be had it is")}
      className="w-48"
      value={option.whenUnavailable ?? "left-out"}
      choices={{ "left-out": say("left out"), shown: say("shown, with the reason") }}
      onCommit={(whenUnavailable) => onOption({ ...option, whenUnavailable })}
    />
    <TextField
      label={say("Known to the order system as (empty: its id here)")}
      className="w-48"
      value={option.code}
      leaf="option/code"
      onCommit={(code) => onOption({ ...option, code })}
      onEmpty={() => onOption(setOptional(option, "code", undefined))}
    />
  </>
);
