import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { useEditing } from "../../editors/editing.ts";
import { TextField } from "../../fields/text-field.tsx";
import { setOptional } from "../../state/set-optional.ts";

type Props = { option: DeliveryOption; onTexts: (part: Partial<DeliveryOption>) => void };

const languageNames = new Intl.DisplayNames(["en"], { type: "language" });

/** What shoppers call an option and read beside it, in each of their languages. */
export function OptionTexts({ option, onTexts }: Props) {
  const { plan } = useEditing();
  return (
    <div className="grid grid-cols-[auto_1fr_1fr] items-start gap-x-3 gap-y-1.5">
      <span />
      <span className="text-[13px] text-quiet">Name</span>
      <span className="text-[13px] text-quiet">Note</span>
      {languagesOf(plan, option).map((language) => (
        <Texts key={language} language={language} option={option} onTexts={onTexts} />
      ))}
    </div>
  );
}

/** Name and note in one language; an empty name leaves the language to the others, of which there has to be one. */
function Texts({ language, option, onTexts }: Props & { language: string }) {
  const words = languageNames.of(language) ?? language;
  const others = setOptional(option.name, language, undefined);
  const isOnly = Object.keys(others).length === 0;
  return (
    <>
      <span className="pt-1.5 text-[13px] text-quiet">{words}</span>
      <TextField
        label=""
        ariaLabel={`Name in ${words}`}
        className="w-full"
        dir="auto"
        value={option.name[language]}
        leaf="option/name/*"
        onCommit={(text) => onTexts({ name: { ...option.name, [language]: text } })}
        {...(isOnly ? {} : { onEmpty: () => onTexts({ name: others }) })}
      />
      <TextField
        label=""
        ariaLabel={`Note in ${words}`}
        className="w-full"
        dir="auto"
        value={option.note?.[language]}
        leaf="option/note/*"
        onCommit={(text) => onTexts({ note: { ...option.note, [language]: text } })}
        onEmpty={() => onTexts({ note: setOptional(option.note ?? {}, language, undefined) })}
      />
    </>
  );
}

/** The languages its shoppers read, and those it has texts in already. */
function languagesOf(plan: Plan, { zones, name }: DeliveryOption): string[] {
  const read = marketsOf(plan, zones).flatMap(({ languages }) => languages);
  const plain = read.map((tag) => tag.split("-")[0] ?? tag);
  return [...new Set([...Object.keys(name), ...plain])].sort();
}
