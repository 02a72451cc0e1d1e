import { useState } from "react";
import { asWritten, phrase } from "../../../core/phrases/phrase.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { inFile, type Problem, problemPhrase } from "../../../core/schema/problem.ts";
import type { IncomingText } from "../../../core/translation/translation-units.ts";
import { sourceLanguageOf } from "../../../core/translation/translation-units.ts";
import {
  type TranslatorsText,
  translatorsTexts,
  withTranslatorsTexts,
} from "../../../core/translation/translators-texts.ts";
import { downloadText } from "../../fields/download-text.ts";
import { FileField } from "../../fields/file-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { draftStore } from "../../state/use-draft.ts";

/** Texts for translators, out and in, as XLIFF or as JSON of ICU messages. All of a file is taken, or none of it. */
export function TranslatorFiles({ plan, languages }: { plan: Plan; languages: readonly string[] }) {
  const source = sourceLanguageOf(plan);
  const targets = languages.filter((locale) => locale !== source);
  const [target, setTarget] = useState(targets[0] ?? "");
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [taken, setTaken] = useState<number | null>(null);
  const units = translatorsTexts(plan);
  const untranslated = units.filter(({ texts }) => texts[source] !== undefined && texts[target] === undefined).length;
  const read = async (file: File) => {
    setTaken(null);
    const text = await file.text();
    const found = file.name.endsWith(".json")
      ? readTextsJson(text)
      : (await import("../../../core/translation/xliff.ts")).readXliff(text);
    const result = "problems" in found ? found : withTranslatorsTexts(plan, found.texts);
    setProblems("problems" in result ? result.problems : []);
    if ("problems" in result) return;
    draftStore.commit(...result.entities);
    setTaken("texts" in found ? found.texts.length : 0);
  };
  return (
    <section aria-label={say("For translators")} className="mt-5 border border-base-300 bg-base-100 p-3">
      <h2 className="mb-2 font-semibold">{say("For translators")}</h2>
      <div className="flex flex-wrap items-center gap-3">
        <SelectField
          label={say("Into")}
          className="w-24"
          value={target}
          choices={Object.fromEntries(targets.map((locale) => [locale, locale]))}
          onCommit={setTarget}
        />
        <button
          type="button"
          className="btn btn-sm"
          onClick={async () => {
            const { xliffOf } = await import("../../../core/translation/xliff.ts");
            downloadText(xliffOf(units, source, target), "application/xliff+xml", `wording.${target}.xlf`);
          }}
        >
          {say("Save as XLIFF")}
        </button>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => downloadText(textsJson(units, [source, target]), "application/json", `wording.${target}.json`)}
        >
          {say("Save as JSON")}
        </button>
        <FileField label={say("Read translations")} accept=".xlf,.xliff,.json" onFile={(file) => void read(file)} />
        <span className="text-[13px] text-quiet">
          {untranslated === 0
            ? say("Nothing is missing in {target}.", { target })
            : say("{count, plural, one {One text is} other {# texts are}} missing in {target}.", {
                count: untranslated,
                target,
              })}
        </span>
      </div>
      {taken !== null && (
        <p className="mt-2">
          {say("{count, plural, one {One text} other {# texts}} read.", {
            count: taken,
          })}
        </p>
      )}
      {problems.length > 0 && (
        <div role="alert" className="mt-2 text-warning">
          <p className="font-semibold">{say("This file was not taken:")}</p>
          <ul>
            {problems
              .slice(0, 20)
              .map((problem) => say(problemPhrase(problem)))
              .map((said) => (
                <li key={said}>{said}</li>
              ))}
          </ul>
        </div>
      )}
    </section>
  );
}

function textsJson(units: readonly TranslatorsText[], locales: readonly string[]): string {
  const byLocale = locales.map((locale) => [
    locale,
    Object.fromEntries(units.flatMap(({ id, texts }) => (texts[locale] === undefined ? [] : [[id, texts[locale]]]))),
  ]);
  return `${JSON.stringify(Object.fromEntries(byLocale), null, 2)}\n`;
}

/** ICU messages by language and unit. */
function readTextsJson(text: string): { texts: IncomingText[] } | { problems: Problem[] } {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { problems: [inFile(phrase("the file"), asWritten(why))] };
  }
  if (typeof parsed !== "object" || parsed === null)
    return { problems: [inFile(phrase("the file"), phrase("is no object of languages"))] };
  const texts: IncomingText[] = [];
  const problems: Problem[] = [];
  for (const [locale, units] of Object.entries(parsed)) {
    for (const [unit, said] of Object.entries(typeof units === "object" && units !== null ? units : {})) {
      if (typeof said === "string") texts.push({ unit, locale, text: said });
      else problems.push({ path: `${unit} (${locale})`, message: phrase("is no text") });
    }
  }
  return problems.length > 0 ? { problems } : { texts };
}
