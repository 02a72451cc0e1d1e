import { setOptional } from "../state/set-optional.ts";
import type { LeafName } from "./leaf-names.ts";
import { TextField } from "./text-field.tsx";

type Texts = Record<string, string>;
type Props = {
  /** What the texts are: "Name". Each is called so, with its language. */
  label: string;
  value: Texts | undefined;
  /** The languages that there may be a text in; those that have one are shown besides. */
  languages: readonly string[];
  leaf: LeafName;
  /** Texts as they shall be; undefined where the last was emptied. */
  onTexts: (texts: Texts | undefined) => void;
  /** There has to be one in some language. */
  required?: boolean;
};

const languageNames = new Intl.DisplayNames(["en"], { type: "language" });

/** A text in each language of those who read it. An emptied one leaves its language to the others. */
export const TextsField = ({ label, value = {}, languages, leaf, onTexts, required = false }: Props) => (
  <fieldset className="grid grid-cols-[auto_minmax(0,1fr)] items-start gap-x-3 gap-y-1.5">
    <legend className="mb-1 text-[13px] text-quiet">{label}</legend>
    {[...new Set([...languages, ...Object.keys(value)])].map((language) => {
      const words = languageNames.of(language) ?? language;
      const others = setOptional(value, language, undefined);
      const isLast = Object.keys(others).length === 0;
      return [
        <span key={`${language} name`} className="pt-1.5 text-[13px] text-quiet">
          {words}
        </span>,
        <TextField
          key={language}
          label=""
          ariaLabel={`${label} in ${words}`}
          className="w-full"
          dir="auto"
          value={value[language]}
          leaf={leaf}
          onCommit={(text) => onTexts({ ...value, [language]: text })}
          {...(required && isLast ? {} : { onEmpty: () => onTexts(isLast ? undefined : others) })}
        />,
      ];
    })}
  </fieldset>
);
