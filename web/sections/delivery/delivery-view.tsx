import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useMemo, useState } from "react";
import { chargeWords } from "../../../core/charges/words.ts";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { optionName, optionNameApart } from "../../../core/explain/option-name.ts";
import type { AmountContext } from "../../../core/money/amount.ts";
import type { Market } from "../../../core/places/market.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import { movedEntities } from "../../../core/plan/moved-entities.ts";
import { type Plan, ratesOf, savedOf } from "../../../core/plan/plan.ts";
import { usersOf } from "../../../core/plan/users-of.ts";
import { explainAt } from "../../../core/queries/explain-at.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { freeId, lastPosition } from "../../../core/schema/positions.ts";
import { EditingContext, editingIn } from "../../editors/editing.ts";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { say, sayValue } from "../../language/say.ts";
import { carrierNamesIn } from "../../names/carrier-names.ts";
import { namesOf } from "../../names/entity-words.ts";
import { locationNameIn } from "../../names/location-name.ts";
import { openField } from "../../state/open-field.ts";
import { useLooked } from "../../state/quote-context.ts";
import { carrierList } from "../../state/server-queries.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { useSelected } from "../../state/use-selected.ts";
import { ProductsPanel } from "../products/products-panel.tsx";
import { AddOption } from "./add-option.tsx";
import { OptionEditor } from "./option-editor.tsx";
import { OptionList, type OptionRow } from "./option-list.tsx";

/** In the address where an option's id would stand. */
const PRODUCTS = "products/";

/** Delivery options in the shopper's order; the selected one beside them, edited where it is read. */
export function DeliveryView() {
  const state = useDraft();
  const { market, zones } = useStandpoint();
  const { request } = useLooked();
  const { plan, compiled } = state;
  const { currency, at } = request;
  const [selected, select] = useSelected("delivery");
  const [problem, setProblem] = useState<string | null>(null);
  // The list may be long: what was typed is drawn before it.
  const listed = useDeferredValue(plan);
  const { data: carriers = NO_CARRIERS } = useQuery(carrierList);
  const named = useMemo(() => carrierNamesIn(carriers), [carriers]);
  const rows = useMemo(
    () => (listed ? rowsOf(listed, { market, zones, currency, carrierNames: named }) : []),
    [listed, market, zones, currency, named],
  );
  if (!plan) return null;

  const options = [...plan.options].sort(byPosition);
  const current =
    options.find(({ id }) => id === selected) ?? options.find((option) => isHere(option, zones)) ?? options[0];
  const save = (...bodies: DeliveryOption[]) =>
    draftStore.commit(...bodies.map((body) => ({ kind: "option" as const, id: body.id, body })));
  const addAll = (made: readonly DeliveryOption[]) => {
    const [first] = made;
    if (!first) return;
    save(...made);
    openField({ kind: "option", id: first.id });
  };
  const duplicate = (option: DeliveryOption) => {
    const ids = options.map(({ id }) => id);
    const copy = { ...option, id: freeId(`${option.id}-copy`, ids), position: lastPosition(options), on: false };
    save(copy);
    openField({ kind: "option", id: copy.id });
  };

  const move = (id: string, to: number) => draftStore.commit(...movedEntities(plan, "option", id, to));
  const remove = (option: DeliveryOption) => {
    const users = usersOf(plan, "option", option.id);
    setProblem(
      users.length > 0
        ? say("{option} is still named by {names}.", { option: optionName(option), names: namesOf(users) })
        : null,
    );
    if (users.length === 0) draftStore.commit({ kind: "option", id: option.id, body: null });
  };

  return (
    <div className="grid grid-cols-[minmax(200px,260px)_minmax(0,1fr)] gap-5 max-[1000px]:grid-cols-1">
      <div>
        <SectionHeading className="mb-2 font-semibold">{say("Delivery, in the shopper's order")}</SectionHeading>
        <OptionList
          rows={rows}
          selected={selected === PRODUCTS ? null : (current?.id ?? null)}
          onSelect={select}
          onMove={move}
        />
        <AddOption plan={plan} zones={zones} onAdd={addAll} onProblem={setProblem} />
        <button
          type="button"
          aria-current={selected === PRODUCTS || undefined}
          className="mt-3 w-full cursor-pointer border-y border-base-300 py-2 text-left font-semibold aria-[current]:bg-base-100"
          onClick={() => select(PRODUCTS)}
        >
          {say("Products")} <span className="font-normal text-quiet">{say("and what they say of their delivery")}</span>
        </button>
        {problem && (
          <p role="alert" className="mt-1 text-[13px] text-warning">
            {problem}
          </p>
        )}
      </div>
      <div className="min-w-0">
        {selected === PRODUCTS ? (
          <ProductsPanel plan={plan} />
        ) : current ? (
          <EditingContext
            value={editingIn({
              plan,
              context: contextFor(plan, current, { market, zones, currency, carrierNames: named }),
              zones: current.zones,
              explain: (condition) => compiled && explainAt(compiled, request, condition),
            })}
          >
            <OptionEditor
              key={current.id}
              calendars={state.draft?.calendars ?? {}}
              option={current}
              at={Date.parse(at)}
              onOption={(body, done) => {
                if (done) save(body);
                else draftStore.show({ kind: "option", id: body.id, body });
              }}
              order={{
                place: options.findIndex(({ id }) => id === current.id),
                of: options.length,
                onMove: (to) => move(current.id, to),
              }}
              onDuplicate={() => duplicate(current)}
              onRemove={() => remove(current)}
            />
          </EditingContext>
        ) : (
          <p className="border border-base-300 bg-base-100 p-6 text-quiet">
            {say(
              "There is no way to deliver yet. Add an option on the left: it starts from a common set-up, and everything about it can be changed.",
            )}
          </p>
        )}
      </div>
    </div>
  );
}

const NO_CARRIERS: readonly Carrier[] = [];
type Carrier = Parameters<typeof carrierNamesIn>[0][number];

/** Where one looks from, and what carriers are called. */
type From = {
  readonly market: Market | null;
  readonly zones: readonly string[];
  readonly currency: string;
  readonly carrierNames: NonNullable<AmountContext["carrierNames"]>;
};

const isHere = (option: DeliveryOption, here: readonly string[]): boolean =>
  option.on !== false && here.some((zone) => option.zones.includes(zone));

/** The options in the shopper's order, in words. */
function rowsOf(plan: Plan, from: From): OptionRow[] {
  const saved = savedOf(plan);
  const zoneOf = new Map(plan.zones.map((zone) => [zone.id, zone]));
  const marketOf = new Map(plan.markets.map((market) => [market.id, market]));
  const shared = sharedBy(plan, from);
  return [...plan.options].sort(byPosition).map((option) => {
    const zones = option.zones.flatMap((id) => zoneOf.get(id) ?? []).sort(byPosition);
    const names = zones.map(({ name }) => name);
    const markets = [...new Set(zones.map(({ market }) => market))].flatMap((id) => marketOf.get(id) ?? []);
    const at = placeOf(markets.sort(byPosition), plan, from);
    return {
      option,
      name: sayValue(optionNameApart(plan, option)),
      places: names.length === 0 ? say("nowhere yet") : names.join(", "),
      cost: say(chargeWords(option.charge, { ...shared, ...at }, saved)),
      here: isHere(option, from.zones),
    };
  });
}

/** What the amounts of all options are read with. */
const sharedBy = (plan: Plan, { carrierNames }: From): Omit<AmountContext, "zone" | "market" | "currency"> => ({
  ...{ rates: ratesOf(plan), locationName: locationNameIn(plan), carrierNames },
});

const contextFor = (plan: Plan, { zones }: DeliveryOption, from: From): AmountContext => ({
  ...sharedBy(plan, from),
  ...placeOf(marketsOf(plan, zones).sort(byPosition), plan, from),
});

/** Where an option's amounts are read: the standpoint's market where it is offered there, else the first it is offered in. */
function placeOf(
  markets: readonly Market[],
  plan: Plan,
  { market: standpoint, currency }: From,
): Pick<AmountContext, "zone" | "market" | "currency"> {
  const market = markets.find(({ id }) => id === standpoint?.id) ?? markets[0] ?? standpoint ?? plan.markets[0];
  const shown = market?.currencies.includes(currency) ? currency : (market?.currencies[0] ?? currency);
  return { zone: null, market: market?.id ?? "", currency: shown };
}
