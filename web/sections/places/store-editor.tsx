import { STORE_ID } from "../../../core/plan/entities.ts";
import { type Plan, ratesOf, type Store } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { EditedAmounts } from "../../editors/amounts/edited-amounts.tsx";
import { EditingContext, editingIn } from "../../editors/editing.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { readPercent } from "../../fields/read-figure.ts";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { languageChoices } from "../../language/codes.ts";
import { say } from "../../language/say.ts";
import { languagesRead } from "../../names/languages.ts";
import { type UnitSystem, unitsOf } from "../../names/units.ts";
import { setOptional } from "../../state/set-optional.ts";
import { draftStore } from "../../state/use-draft.ts";
import { CarrierAccounts } from "./carrier-accounts.tsx";
import { Channels } from "./channels.tsx";

/** No location named. */
const NOWHERE = "";
const ENGLISH = "en";

/** What holds for the whole store: its name, where goods come from, and which option is chosen for the shopper at first. */
export function StoreEditor({ plan }: { plan: Plan }) {
  const { store } = plan;
  const save = (body: Store, done = true) => {
    const change = { kind: "store", id: STORE_ID, body } as const;
    if (done) draftStore.commit(change);
    else draftStore.show(change);
  };
  const source = store.sourceLanguage ?? ENGLISH;
  const languages = [...new Set([source, ENGLISH, ...languagesRead(plan.markets)])];
  return (
    <section aria-label={say("The store")} className="grid gap-4">
      <h2 className="text-[20px] leading-7 font-bold">{say("The store")}</h2>
      <div className="grid grid-cols-2 items-end gap-4" data-at="/name /shipsFrom /sourceLanguage /units">
        <TextField
          label={say("Its name")}
          className="w-full"
          value={store.name}
          leaf="store/name"
          onCommit={(name) => save({ ...store, name })}
        />
        <SelectField
          label={say("Goods are shipped from")}
          className="w-full"
          value={store.shipsFrom ?? NOWHERE}
          choices={{
            [NOWHERE]: say("no location named"),
            ...choicesOf([...(plan.locations ?? [])].sort(byPosition), ({ name, id }) => name.en ?? id),
          }}
          onCommit={(from) => save(setOptional(store, "shipsFrom", from === NOWHERE ? undefined : from))}
        />
        <SelectField
          label={say("Texts are translated from")}
          className="w-full"
          value={source}
          choices={languageChoices(languages)}
          onCommit={(tag) => save(setOptional(store, "sourceLanguage", tag === ENGLISH ? undefined : tag))}
        />
        <SelectField<UnitSystem>
          label={say("New weights and distances are written in")}
          className="w-full"
          value={unitsOf(plan)}
          choices={{ metric: say("grams and kilometres"), imperial: say("ounces, pounds and miles") }}
          onCommit={(units) => save(setOptional(store, "units", units === "metric" ? undefined : units))}
        />
      </div>
      <div data-at="/goalsMayStray">
        <TextField
          label={say("A goal strays when it is more than so many percent off the others at today's rates (empty: 60)")}
          className="w-24"
          value={store.goalsMayStray}
          leaf="store/goalsMayStray"
          read={readPercent}
          onCommit={(goalsMayStray) => save({ ...store, goalsMayStray })}
          onEmpty={() => save(setOptional(store, "goalsMayStray", undefined))}
        />
      </div>
      <ChosenAtFirst plan={plan} onStore={save} />
      <Channels plan={plan} onStore={save} />
      <CarrierAccounts store={store} onStore={save} />
    </section>
  );
}

type ChosenProps = { plan: Plan; onStore: (store: Store, done?: boolean) => void };

/** The option that stands chosen when the shopper comes to the checkout. */
function ChosenAtFirst({ plan, onStore }: ChosenProps) {
  const { store } = plan;
  const { chosenAtFirst } = store;
  const [market] = [...plan.markets].sort(byPosition);
  const editing = editingIn({
    plan,
    context: { zone: null, market: market?.id ?? "", currency: market?.currencies[0] ?? "EUR", rates: ratesOf(plan) },
    zones: plan.zones.map(({ id }) => id),
    explain: () => null,
  });
  return (
    <fieldset className="grid justify-items-start gap-2" data-at="/chosenAtFirst /choosesEarned">
      <legend className="mb-1 font-semibold">{say("Chosen for the shopper at first")}</legend>
      <SelectField<Store["chosenAtFirst"]["rule"]>
        label={say("The option chosen at first")}
        hideLabel
        className="w-72"
        value={chosenAtFirst.rule}
        choices={{
          cheapest: say("the cheapest"),
          first: say("the first in the shopper's order"),
          "fastest-under": say("the one that arrives first, up to a price"),
        }}
        onCommit={(rule) =>
          onStore({
            ...store,
            chosenAtFirst: rule === "fastest-under" ? { rule, price: { byCurrency: {} } } : { rule },
          })
        }
      />
      {chosenAtFirst.rule === "fastest-under" && (
        <EditingContext value={editing}>
          <EditedAmounts
            name={say("Up to")}
            rows={[
              {
                key: "price",
                label: say("Price"),
                amount: chosenAtFirst.price,
                set: (price, done) => onStore({ ...store, chosenAtFirst: { ...chosenAtFirst, price } }, done),
              },
            ]}
          />
        </EditingContext>
      )}
      <CheckField
        label={say("An option that an offer has just made cheaper is chosen instead")}
        checked={store.choosesEarned ?? false}
        onCommit={(isChosen) => onStore(setOptional(store, "choosesEarned", isChosen || undefined))}
      />
    </fieldset>
  );
}
