import { Fragment } from "react";
import { languageName } from "../language/codes.ts";
import { say } from "../language/say.ts";
import { setOptional } from "../state/set-optional.ts";
import type { LeafName } from "./leaf-names.ts";
import { MarkButtons } from "./mark-buttons.tsx";
import { TextField } from "./text-field.tsx";

type Texts = Record<string, string>;

/** What there is a text of in each language. */
export type TextsColumn = {
  /** What the texts are: "Name". Each is called so, with its language. */
  readonly label: string;
  readonly texts: Texts | undefined;
  readonly leaf: LeafName;
  /** Texts as they shall be; undefined where the last was emptied. */
  readonly onTexts: (texts: Texts | undefined) => void;
  /** There has to be one in some language. */
  readonly required?: boolean;
  /** Texts with marks for bold and links: what is wrong with one, or null. */
  readonly marked?: (text: string) => string | null;
};

type Props = { languages: readonly string[]; columns: readonly TextsColumn[] };

const COLUMNS = [
  "",
  "grid-cols-[auto_minmax(0,1fr)]",
  "grid-cols-[auto_minmax(0,1fr)_minmax(0,1fr)]",
  "grid-cols-[auto_minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)]",
];

/** Languages down, what is said across. An emptied text leaves its language to the others. */
export function TextsTable({ languages, columns }: Props) {
  const written = columns.flatMap(({ texts }) => Object.keys(texts ?? {}));
  return (
    <div className={`grid w-full items-start gap-x-3 gap-y-1.5 text-[13px] ${COLUMNS[columns.length]}`}>
      <span />
      {columns.map(({ label }) => (
        <span key={label} className="text-quiet">
          {label}
        </span>
      ))}
      {[...new Set([...languages, ...written])].sort().map((language) => (
        <Fragment key={language}>
          <span className="pt-1.5 text-quiet">{languageName(language)}</span>
          {columns.map((column) => (
            <Cell key={column.label} language={language} {...column} />
          ))}
        </Fragment>
      ))}
    </div>
  );
}

function Cell(props: TextsColumn & { language: string }) {
  const { language, label, texts = {}, leaf, onTexts, required = false, marked } = props;
  const others = setOptional(texts, language, undefined);
  const isLast = Object.keys(others).length === 0;
  const name = say("{label} in {of}", { label, of: languageName(language) });
  const field = (
    <TextField
      label=""
      ariaLabel={name}
      className="w-full"
      dir="auto"
      value={texts[language]}
      leaf={leaf}
      {...(marked ? { rule: marked } : {})}
      onCommit={(text) => onTexts({ ...texts, [language]: text })}
      {...(required && isLast ? {} : { onEmpty: () => onTexts(isLast ? undefined : others) })}
    />
  );
  return marked ? <MarkButtons of={name}>{field}</MarkButtons> : field;
}
