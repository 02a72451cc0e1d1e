import { useState } from "react";
import { CheckField } from "../../fields/check-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { currencyChoices, languageChoicesOfAll } from "../../names/code-choices.ts";
import { countryChoices } from "../../names/place-names.ts";
import type { DraftState } from "../../state/draft-store.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { draftStore } from "../../state/use-draft.ts";
import { beginning } from "./beginnings.ts";
import { PlanFile } from "./plan-file.tsx";

const choicesOf = (choices: readonly { value: string; words: string }[]) =>
  Object.fromEntries(choices.map(({ value, words }) => [value, words]));

/** An empty store: nothing has been decided yet. */
export function StartAPlan({ state, currency: seen }: { state: DraftState; currency: string }) {
  const { standpoint, setStandpoint } = useStandpoint();
  const [name, setName] = useState("");
  const [country, setCountry] = useState("");
  const [currency, setCurrency] = useState(seen);
  const [language, setLanguage] = useState("en");
  const [currencies] = useState(() => choicesOf(currencyChoices()));
  const [languages] = useState(() => choicesOf(languageChoicesOfAll()));
  const [withDelivery, setWithDelivery] = useState(true);
  const start = () => {
    const first =
      country === ""
        ? null
        : {
            ...{ country, name: countryChoices()[country] ?? country, currency, language },
            timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
          };
    const called = name.trim() === "" ? say("My store") : name.trim().slice(0, 100);
    draftStore.commit(...beginning(called, first, withDelivery));
    // One looks from where something is.
    if (first)
      setStandpoint({ ...standpoint, country, region: "", postcode: "", currency, locale: language, shopper: null });
  };
  return (
    <section className="mx-auto mt-16 max-w-xl border border-base-300 bg-base-100 p-6">
      <h1 className="mb-1 text-[17px] font-bold">{say("This store has no plan yet")}</h1>
      <p className="mb-4 text-quiet">
        {say("Start one: say where you sell, then how you deliver, then what you give.")}
      </p>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          start();
        }}
      >
        <input
          className="input input-sm w-full"
          aria-label={say("The store's name")}
          placeholder={say("The store's name")}
          maxLength={100}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <div className="flex flex-wrap gap-3">
          <SelectField
            label={say("Sells first in")}
            value={country}
            choices={{ "": say("say it later"), ...countryChoices() }}
            onCommit={setCountry}
          />
          {country !== "" && (
            <>
              <SelectField label={say("Currency there")} value={currency} choices={currencies} onCommit={setCurrency} />
              <SelectField label={say("Language there")} value={language} choices={languages} onCommit={setLanguage} />
            </>
          )}
        </div>
        {country !== "" && (
          <CheckField
            label={say("With one way of delivering for 5 {currency}, free from 50 {currency}, to begin with", {
              currency,
            })}
            checked={withDelivery}
            onCommit={setWithDelivery}
          />
        )}
        <div>
          <button type="submit" className="btn btn-neutral btn-sm">
            {say("Start")}
          </button>
        </div>
      </form>
      <PlanFile state={state} market={null} currency={seen} />
    </section>
  );
}
