import { Suspense, use, useState } from "react";
import { shopWordProblems } from "../../../core/messages/shop-word-problems.ts";
import { SHOP_WORD_NAMES, type ShopWord } from "../../../core/messages/shop-words.ts";
import { STORE_ID } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { Loading } from "../../fields/loading.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { languageChoices, languageName } from "../../language/codes.ts";
import { say } from "../../language/say.ts";
import { WORDS as ENGLISH } from "../../preview/shopper/shop-words/en.ts";
import { hasShopWords, loadShopWords, shippedWord } from "../../preview/shopper/shop-words.ts";
import { setOptional } from "../../state/set-optional.ts";
import { draftStore } from "../../state/use-draft.ts";

type Props = { plan: Plan; languages: readonly string[] };

/** The words around the cart, a language at a time: those that ship, and what the store says instead. */
export function ShopWordsEditor({ plan, languages }: Props) {
  const [chosen, choose] = useState(languages[0] ?? "en");
  const language = languages.includes(chosen) ? chosen : (languages[0] ?? "en");
  return (
    <section aria-label={say("Words around the cart")} className="grid gap-3">
      <h2 className="font-semibold">{say("Words around the cart")}</h2>
      <p className="text-[13px] text-quiet">
        {say(
          "Shoppers read these beside prices and options. They ship in nine languages; type where your shop says it otherwise.",
        )}
      </p>
      <SelectField
        label={say("In")}
        className="w-48"
        value={language}
        choices={languageChoices(languages)}
        onCommit={choose}
      />
      <Suspense fallback={<Loading />}>
        <Words key={language} plan={plan} language={language} />
      </Suspense>
    </section>
  );
}

function Words({ plan, language }: { plan: Plan; language: string }) {
  if (!hasShopWords(language)) use(loadShopWords(language));
  const { store } = plan;
  const save = (word: ShopWord, text: string | undefined) => {
    const texts = setOptional({ ...store.words?.[word] }, language, text);
    const words = setOptional({ ...store.words }, word, Object.keys(texts).length > 0 ? texts : undefined);
    const body = setOptional(store, "words", Object.keys(words).length > 0 ? words : undefined);
    draftStore.commit({ kind: "store", id: STORE_ID, body });
  };
  return (
    <ul className="grid gap-2">
      {SHOP_WORD_NAMES.map((word) => (
        <li key={word} className="grid grid-cols-[minmax(120px,220px)_minmax(0,1fr)] items-start gap-3">
          <span className="pt-1.5 text-[13px] text-quiet">{ENGLISH[word]}</span>
          <TextField
            label=""
            ariaLabel={say("“{word}” in {language}", { word: ENGLISH[word], language: languageName(language) })}
            className="w-full"
            dir="auto"
            placeholder={shippedWord(word, language)}
            value={store.words?.[word]?.[language]}
            leaf="store/words/*/*"
            rule={(text) => {
              const [problem] = shopWordProblems(word, text, "");
              return problem ? say(problem.message) : null;
            }}
            onCommit={(text) => save(word, text)}
            onEmpty={() => save(word, undefined)}
          />
        </li>
      ))}
    </ul>
  );
}
