import { useState } from "react";
import { CheckField } from "../../fields/check-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { CURRENCY_CHOICES, LANGUAGE_CHOICES } from "../../names/code-choices.ts";
import { COUNTRY_NAMES } from "../../names/place-names.ts";
import type { DraftState } from "../../state/draft-store.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { draftStore } from "../../state/use-draft.ts";
import { beginning } from "./beginnings.ts";
import { PlanFile } from "./plan-file.tsx";

const choicesOf = (choices: readonly { value: string; words: string }[]) =>
  Object.fromEntries(choices.map(({ value, words }) => [value, words]));
const CURRENCIES = choicesOf(CURRENCY_CHOICES);
const LANGUAGES = choicesOf(LANGUAGE_CHOICES);

/** An empty store: nothing has been decided yet. */
export function StartAPlan({ state, currency: seen }: { state: DraftState; currency: string }) {
  const { standpoint, setStandpoint } = useStandpoint();
  const [name, setName] = useState("");
  const [country, setCountry] = useState("");
  const [currency, setCurrency] = useState(seen);
  const [language, setLanguage] = useState("en");
  const [withDelivery, setWithDelivery] = useState(true);
  const start = () => {
    const first =
      country === ""
        ? null
        : {
            ...{ country, name: COUNTRY_NAMES[country] ?? country, currency, language },
            timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
          };
    const called = name.trim() === "" ? "My store" : name.trim().slice(0, 100);
    draftStore.commit(...beginning(called, first, withDelivery));
    // One looks from where something is.
    if (first)
      setStandpoint({ ...standpoint, country, region: "", postcode: "", currency, locale: language, shopper: null });
  };
  return (
    <section className="mx-auto mt-16 max-w-xl border border-base-300 bg-base-100 p-6">
      <h1 className="mb-1 text-[17px] font-bold">This store has no plan yet</h1>
      <p className="mb-4 text-quiet">Start one: say where you sell, then how you deliver, then what you give.</p>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          start();
        }}
      >
        <input
          className="input input-sm w-full"
          aria-label="The store's name"
          placeholder="The store's name"
          maxLength={100}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <div className="flex flex-wrap gap-3">
          <SelectField
            label="Sells first in"
            value={country}
            choices={{ "": "say it later", ...COUNTRY_NAMES }}
            onCommit={setCountry}
          />
          {country !== "" && (
            <>
              <SelectField label="Currency there" value={currency} choices={CURRENCIES} onCommit={setCurrency} />
              <SelectField label="Language there" value={language} choices={LANGUAGES} onCommit={setLanguage} />
            </>
          )}
        </div>
        {country !== "" && (
          <CheckField
            label={`With one way of delivering for 5 ${currency}, free from 50 ${currency}, to begin with`}
            checked={withDelivery}
            onCommit={setWithDelivery}
          />
        )}
        <div>
          <button type="submit" className="btn btn-neutral btn-sm">
            Start
          </button>
        </div>
      </form>
      <PlanFile state={state} market={null} currency={seen} />
    </section>
  );
}
