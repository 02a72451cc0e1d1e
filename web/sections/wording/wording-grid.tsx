import { lazy, Suspense, useState } from "react";
import { MESSAGE_STATES, type MessageState, type Surface } from "../../../core/messages/states.ts";
import { stepVariableKinds, stepVariableNames } from "../../../core/messages/step-variables.ts";
import type { StepWording } from "../../../core/messages/step-wording.ts";
import { formattingProblems, missingPlurals, wordingProblems } from "../../../core/messages/wording.ts";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { exampleMessages } from "../../../core/queries/example-messages.ts";
import {
  isOutdated,
  sourceLanguageOf,
  type TranslationUnit,
  withText,
} from "../../../core/translation/translation-units.ts";
import { arrowsInTable } from "../../fields/arrow-keys.ts";
import { languageName } from "../../language/codes.ts";
import { say } from "../../language/say.ts";
import { chipsIn } from "./chips.ts";

const TextEditor = lazy(() => import("./text-editor.tsx"));

type Props = {
  plan: Plan;
  example: ReturnType<typeof exampleMessages>;
  name: string;
  /** Where the texts stand in the offer or the store, as a JSON pointer. */
  at: string;
  wording: StepWording;
  offer: string | null;
  step: string | null;
  surface: Surface | null;
  languages: readonly string[];
  onWording: (wording: StepWording) => void;
};

export const STATE_WORDS: Readonly<Record<MessageState, Phrase>> = {
  empty: phrase("Nothing in the cart yet"),
  "on-the-way": phrase("On the way"),
  "nearly-there": phrase("Nearly there"),
  between: phrase("An earlier step is earned"),
  reached: phrase("Reached"),
  top: phrase("Top of the ladder"),
  covered: phrase("Has it without this"),
  "code-missing": phrase("Only the code is missing"),
  blocked: phrase("Cannot be reached"),
  "sign-in": phrase("Only signing in is missing"),
  "not-for-place": phrase("Not for this place"),
  "place-unknown": phrase("Place not known yet"),
};

/** Letters that fit on one or two lines there. */
const ROOM: Readonly<Record<Surface, number>> = { banner: 60, cart: 80, checkout: 80 };

/** States down, languages across: every text of a step with how it reads from the current standpoint. */
export function WordingGrid(props: Props) {
  const { plan, name, at, wording, surface, languages, onWording } = props;
  const [open, setOpen] = useState<string | null>(null);
  const source = sourceLanguageOf(plan);
  return (
    <div className="overflow-x-auto border border-base-300 bg-base-100">
      <table
        aria-label={name}
        className="table table-sm text-[14px] [&_td]:align-top [&_td]:text-[14px]"
        onKeyDown={arrowsInTable}
      >
        <thead>
          <tr className="text-[13px] text-quiet">
            <th scope="col">{name}</th>
            {languages.map((locale) => (
              <th key={locale} scope="col">
                {locale === source
                  ? say("{language} (source)", { language: languageName(locale) })
                  : languageName(locale)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {MESSAGE_STATES.map((state) => {
            const texts = (surface === null ? wording[state] : wording.on?.[surface]?.[state]) ?? {};
            return (
              <tr key={state} data-at={`${at}/${state}`}>
                <th scope="row" className="w-36 align-top font-normal text-quiet">
                  {say(STATE_WORDS[state])}
                </th>
                {languages.map((locale) => {
                  const key = `${state}/${locale}`;
                  return (
                    <td key={locale} className="min-w-52">
                      <Cell
                        {...props}
                        state={state}
                        locale={locale}
                        texts={texts}
                        source={source}
                        open={open === key}
                        onOpen={() => setOpen(key)}
                        onClose={() => setOpen(null)}
                        onText={(text) => onWording(withText(wording, { surface, state }, locale, text, source))}
                      />
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

type CellProps = Props & {
  state: MessageState;
  locale: string;
  texts: Readonly<Record<string, string>>;
  source: string;
  open: boolean;
  onOpen: () => void;
  onClose: () => void;
  onText: (text: string) => void;
};

function Cell(props: CellProps) {
  const { plan, example, offer, step, surface, state, locale, texts, source, open } = props;
  const text = texts[locale] ?? "";
  const words = `${say(STATE_WORDS[state])}, ${languageName(locale)}`;
  const variables = stepVariableNames(state);
  if (open) {
    return (
      <Suspense fallback={<span className="text-quiet">{text || say("Loading…")}</span>}>
        <TextEditor
          label={words}
          text={text}
          locale={locale}
          placeholders={variables}
          validate={(typed) => {
            const counts = plan.offers.find(({ id }) => id === offer)?.counts.kind ?? null;
            const [problem] = [
              ...wordingProblems(typed, variables, ""),
              ...formattingProblems(typed, locale, stepVariableKinds(state, counts), ""),
            ];
            if (problem) return say(problem.message);
            const lost = chipsIn(texts[source] ?? "").filter(
              (one) => locale !== source && !chipsIn(typed).includes(one),
            );
            return lost.length > 0 ? say("the source also says '{'{lost}'}'", { lost: lost.join("}, {") }) : null;
          }}
          hints={(typed) => pluralHints(typed, locale)}
          onText={props.onText}
          onClose={props.onClose}
        />
      </Suspense>
    );
  }
  const anyText = Object.keys(texts).length > 0;
  const reads = text === "" ? null : example({ offer, step, state }, { text, locale });
  const unit: TranslationUnit = { id: "", offer, step, surface, state, texts, translatedFrom: fromOf(props) };
  const room = surface === null ? null : ROOM[surface];
  return (
    <button
      type="button"
      className="block w-full cursor-text text-left"
      aria-label={say("{words}. Change", { words })}
      onClick={props.onOpen}
    >
      {text === "" ? (
        <span className={anyText ? "text-warning" : "text-quiet"}>{anyText ? say("not translated") : "–"}</span>
      ) : (
        <span dir="auto" lang={locale}>
          {withChips(text)}
        </span>
      )}
      {reads && (
        <span className="mt-0.5 block text-[13px] text-quiet" dir="auto" lang={locale} data-reads>
          {"text" in reads ? reads.text : say(reads.problem)}
        </span>
      )}
      {reads && "text" in reads && room !== null && (
        <span className={`text-[13px] ${reads.text.length > room ? "text-warning" : "text-quiet"}`}>
          {say("{count} of {room} letters", { count: reads.text.length, room })}
        </span>
      )}
      {isOutdated(unit, locale, source) && (
        <span className="block text-[13px] text-warning">
          {say("The source has changed since this was translated")}
        </span>
      )}
      {pluralHints(text, locale).map((hint) => (
        <span key={hint} className="block text-[13px] text-warning">
          {hint}
        </span>
      ))}
    </button>
  );
}

const fromOf = ({ wording, surface, state, locale }: CellProps): Record<string, string> => {
  const from = wording.translatedFrom?.[[state, ...(surface === null ? [] : [surface]), locale].join("/")];
  return from === undefined ? {} : { [locale]: from };
};

const pluralHints = (text: string, locale: string): string[] =>
  missingPlurals(text, locale).map(({ placeholder, forms }) =>
    say("{language} also has the form{count, plural, one {} other {s}} {forms} for '{'{placeholder}'}'", {
      language: languageName(locale),
      count: forms.length,
      forms: forms.join(", "),
      placeholder,
    }),
  );

/** Placeholders stand out from the text around them. */
function withChips(text: string) {
  const parts = text.split(/(\{\s*[A-Za-z]\w*\s*\})/);
  return parts.map((part, i) =>
    /^\{\s*[A-Za-z]\w*\s*\}$/.test(part) ? (
      // biome-ignore lint/suspicious/noArrayIndexKey: pieces of one text have no identity but their place
      <span key={i} className="placeholder-chip">
        {part.slice(1, -1).trim()}
      </span>
    ) : (
      part
    ),
  );
}
