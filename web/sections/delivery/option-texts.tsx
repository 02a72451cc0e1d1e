import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { markedText, readMarked } from "../../../core/messages/marked-text.ts";
import { runsOf } from "../../../core/messages/rich-text.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import { useEditing } from "../../editors/editing.ts";
import { leafProblem } from "../../fields/leaf-problem.ts";
import { TextsTable } from "../../fields/texts-table.tsx";
import { say } from "../../language/say.ts";
import { languagesRead } from "../../names/languages.ts";
import { setOptional } from "../../state/set-optional.ts";
import { PictureField } from "./picture-field.tsx";

type Props = { option: DeliveryOption; onOption: (option: DeliveryOption) => void };

/** What shoppers call an option and read beside it, in each of their languages. */
export function OptionTexts({ option, onOption }: Props) {
  const { plan } = useEditing();
  const languages = languagesRead(marketsOf(plan, option.zones));
  return (
    <>
      <TextsTable
        languages={languages}
        columns={[
          {
            label: say("Name"),
            texts: option.name,
            leaf: "option/name/*",
            onTexts: (name) => name && onOption({ ...option, name }),
            required: true,
          },
          {
            label: say("Note"),
            texts: option.note && mapped(option.note, markedText),
            leaf: "option/note/*",
            marked: markedProblem,
            onTexts: (note) => onOption(setOptional(option, "note", note && mapped(note, readMarked))),
          },
        ]}
      />
      <PictureField
        picture={option.picture}
        languages={languages}
        onPicture={(picture) => onOption(setOptional(option, "picture", picture))}
      />
    </>
  );
}

const mapped = <From, To>(texts: Readonly<Record<string, From>>, to: (text: From) => To): Record<string, To> =>
  Object.fromEntries(Object.entries(texts).map(([language, text]) => [language, to(text)]));

/** What is wrong with the stretches of a note, or null. */
function markedProblem(text: string): string | null {
  const problems = runsOf(readMarked(text)).flatMap((run) => [
    leafProblem("option/note/*/text", run.text),
    ...(run.link === undefined ? [] : [leafProblem("option/note/*/link", run.link)]),
  ]);
  return problems.find((problem) => problem !== null) ?? null;
}
