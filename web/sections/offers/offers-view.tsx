import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import type { Offer } from "../../../core/offers/offer.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import { resolvePlace } from "../../../core/places/resolve.ts";
import { type Plan, ratesOf } from "../../../core/plan/plan.ts";
import { explainAt } from "../../../core/queries/explain-at.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { freeId, lastPosition } from "../../../core/schema/positions.ts";
import { aYearLater } from "../../../core/time/occurrences.ts";
import { type Editing, EditingContext, editingIn } from "../../editors/editing.ts";
import { Loading } from "../../fields/loading.tsx";
import { Popover } from "../../fields/popover.tsx";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { Tabs } from "../../fields/tabs.tsx";
import { say } from "../../language/say.ts";
import { locationNameIn } from "../../names/location-name.ts";
import { ClimbPanel } from "../../preview/climb/climb-panel.tsx";
import { useLooked } from "../../state/quote-context.ts";
import { offerUses } from "../../state/server-queries.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { useSelected } from "../../state/use-selected.ts";
import { GoalGrid } from "./goal-grid.tsx";
import { OfferHeading } from "./offer-heading.tsx";
import { homeOf } from "./offer-home.ts";

// Opened rarely: loaded when they are.
const OfferEditor = lazy(() => import("./offer-editor.tsx").then((module) => ({ default: module.OfferEditor })));
const TakeOffNow = lazy(() => import("./take-off-now.tsx").then((module) => ({ default: module.TakeOffNow })));
const OfferList = lazy(() => import("./offer-list.tsx").then((module) => ({ default: module.OfferList })));
const RatesView = lazy(() => import("../rates/rates-view.tsx").then((module) => ({ default: module.RatesView })));
const SavedConditions = lazy(() =>
  import("./saved-conditions.tsx").then((module) => ({ default: module.SavedConditions })),
);

const OfferPatterns = lazy(() => import("./offer-patterns.tsx"));

const TABS = [
  { id: "here", name: phrase("Here and now") },
  { id: "all", name: phrase("All offers") },
  { id: "condition/", name: phrase("Saved conditions") },
  { id: "rates", name: phrase("Exchange rates") },
] as const;

/** Offers as sentences, their goals on the climb and in the goal grid; one at a time with everything about it. */
export function OffersView() {
  const state = useDraft();
  const { market } = useStandpoint();
  const { sample: request, products } = useLooked();
  const { plan, compiled } = state;
  const { currency } = request;
  const [selected, select] = useSelected("offers");
  const [problem, setProblem] = useState<string | null>(null);
  if (!plan) return null;

  const zones = compiled ? resolvePlace(compiled.places, request.destination).zones : [];
  const chosen = plan.offers.find(({ id }) => id === selected);
  const tab = chosen
    ? null
    : (TABS.find(({ id }) => selected === id || (id === "condition/" && selected?.startsWith(id)))?.id ?? "here");
  const home = chosen && homeOf(plan, chosen, market);
  const context = {
    zone: null,
    market: home?.id ?? market?.id ?? plan.markets[0]?.id ?? "",
    currency: home && !home.currencies.includes(currency) ? (home.currencies[0] ?? currency) : currency,
    rates: ratesOf(plan),
    locationName: locationNameIn(plan),
  };
  const add = (offer: Offer | null) => {
    setProblem(
      offer ? null : say("There is no delivery option here to give something on: add one under Delivery first."),
    );
    if (!offer) return;
    draftStore.commit({ kind: "offer", id: offer.id, body: offer });
    void import("../../state/open-field.ts").then(({ openField }) => openField({ kind: "offer", id: offer.id }));
  };
  const duplicate = (offer: Offer) => {
    const ids = plan.offers.map(({ id }) => id);
    const name = say("{name}, copy", { name: offer.name.slice(0, 90) });
    add({ ...offer, id: freeId(`${offer.id}-copy`, ids), name, position: lastPosition(plan.offers), on: false });
  };
  const toNextYear = (offer: Offer) => {
    const ids = plan.offers.map(({ id }) => id);
    const copy = { ...offer, id: freeId(`${offer.id}-next-year`, ids), position: lastPosition(plan.offers) };
    const name = say("{name}, next year", { name: offer.name.slice(0, 85) });
    add({ ...copy, name, ...(offer.schedule ? { schedule: aYearLater(offer.schedule) } : {}) });
  };
  const explain: Editing["explain"] = (condition) => compiled && explainAt(compiled, request, condition);
  return (
    <div className="mx-auto max-w-[1200px]">
      <SectionHeading className="sr-only">{say("Offers")}</SectionHeading>
      <Tabs name={say("Offers")} tabs={TABS} current={tab} onTab={select}>
        <span className="mb-1 ml-auto flex items-center gap-1">
          <button
            type="button"
            className="btn btn-sm"
            onClick={async () => {
              // With the texts in all their languages.
              const { newOffer } = await import("./new-offer.ts");
              add(newOffer(plan, zones.slice(0, 1), say("New offer")));
            }}
          >
            {say("Add an offer")}
          </button>
          <Popover label={say("Offers from a pattern")} shown={say("From a pattern")} look="button" side="right">
            <Suspense fallback={<Loading />}>
              <OfferPatterns plan={plan} zone={zones[0] ?? null} currency={currency} onAdd={add} />
            </Suspense>
          </Popover>
        </span>
      </Tabs>
      {problem && (
        <p role="alert" className="mt-2 text-warning">
          {problem}
        </p>
      )}
      {tab === "here" && <HereAndNow zones={zones} onSelect={select} />}
      <Suspense fallback={<Loading />}>
        {chosen && (
          <>
            <OfferHeading
              offer={chosen}
              state={state}
              market={market}
              currency={currency}
              at={Date.parse(request.at)}
            />
            <TakeOffNow offer={chosen} timeZone={market?.timeZone ?? "UTC"} />
            <ClimbPanel />
            <EditingContext value={editingIn({ plan, context, zones: chosen.zones, explain })}>
              <OfferEditor
                key={chosen.id}
                compiled={compiled}
                offer={chosen}
                request={request}
                productName={(sku) => products.get(sku)?.name ?? sku}
                onSelect={select}
                onDuplicate={() => duplicate(chosen)}
                onNextYear={() => toNextYear(chosen)}
              />
            </EditingContext>
          </>
        )}
        {tab === "all" && <AllOffers plan={plan} onSelect={select} />}
        {tab === "condition/" && (
          <EditingContext value={editingIn({ plan, context, zones: plan.zones.map(({ id }) => id), explain })}>
            <SavedConditions />
          </EditingContext>
        )}
        {tab === "rates" && <RatesView plan={plan} market={market} />}
      </Suspense>
    </div>
  );
}

function AllOffers({ plan, onSelect }: { plan: Plan; onSelect: (id: string) => void }) {
  const { market } = useStandpoint();
  const { sample: request, quote } = useLooked();
  const { data } = useQuery(offerUses);
  return (
    <OfferList
      plan={plan}
      market={market}
      currency={request.currency}
      at={Date.parse(request.at)}
      quote={quote}
      uses={data?.uses ?? {}}
      onSelect={onSelect}
    />
  );
}

/** What holds at the standpoint: sentences, the climb over all options, the goal grids; other places folded below. */
function HereAndNow({ zones, onSelect }: { zones: readonly string[]; onSelect: (id: string) => void }) {
  const state = useDraft();
  const { market } = useStandpoint();
  const { sample: request } = useLooked();
  const { plan } = state;
  if (!plan) return null;
  const isHere = (offer: Offer) => offer.zones.some((zone) => zones.includes(zone));
  const offers = [...plan.offers].sort(byPosition);
  const here = offers.filter(isHere);
  const elsewhere = offers.filter((offer) => !isHere(offer));
  const heading = (offer: Offer) => (
    <OfferHeading offer={offer} state={state} market={market} currency={request.currency} at={Date.parse(request.at)}>
      {" "}
      <span aria-hidden>·</span>{" "}
      <button type="button" className="link" onClick={() => onSelect(offer.id)}>
        {say("Change")}
        <span className="sr-only"> {offer.name}</span>
      </button>
    </OfferHeading>
  );
  return (
    <>
      {offers.length === 0 && (
        <p className="text-quiet">
          {say("There is no offer in this plan yet. “Add an offer” starts one: free delivery from an amount.")}
        </p>
      )}
      {offers.length > 0 && here.length === 0 && <p className="text-quiet">{say("No offer holds for this place.")}</p>}
      {here.map((offer) => (
        <div key={offer.id}>{heading(offer)}</div>
      ))}
      <ClimbPanel />
      {here.map((offer) => (
        <GoalGrid key={offer.id} plan={plan} offer={offer} />
      ))}
      {elsewhere.length > 0 && (
        <details className="mt-5" open={here.length === 0}>
          <summary className="cursor-pointer font-semibold">
            {say("{count, plural, one {One offer} other {# offers}} for other places", { count: elsewhere.length })}
          </summary>
          {elsewhere.map((offer) => (
            <div key={offer.id} className="mt-3 border-t border-base-300 pt-2">
              {heading(offer)}
              <GoalGrid plan={plan} offer={offer} />
            </div>
          ))}
        </details>
      )}
    </>
  );
}
