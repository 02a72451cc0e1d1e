import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import { useEditing } from "../../editors/editing.ts";
import { TextsTable } from "../../fields/texts-table.tsx";
import { languagesRead } from "../../names/languages.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = { option: DeliveryOption; onOption: (option: DeliveryOption) => void };

/** What shoppers call an option and read beside it, in each of their languages. */
export function OptionTexts({ option, onOption }: Props) {
  const { plan } = useEditing();
  return (
    <TextsTable
      languages={languagesRead(marketsOf(plan, option.zones))}
      columns={[
        {
          label: "Name",
          texts: option.name,
          leaf: "option/name/*",
          onTexts: (name) => name && onOption({ ...option, name }),
          required: true,
        },
        {
          label: "Note",
          texts: option.note,
          leaf: "option/note/*",
          onTexts: (note) => onOption(setOptional(option, "note", note)),
        },
      ]}
    />
  );
}
