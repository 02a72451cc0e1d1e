import { useMemo, useState } from "react";
import { countedAt } from "../../../core/climb/climb.ts";
import { conditionWords } from "../../../core/conditions/condition.ts";
import { measureWords } from "../../../core/measures/measure-spec.ts";
import { pickText } from "../../../core/messages/locale.ts";
import { amountFor } from "../../../core/money/amount.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import { offerSentence } from "../../../core/offers/words.ts";
import type { Market } from "../../../core/places/market.ts";
import { resolvePlace } from "../../../core/places/resolve.ts";
import { byPosition } from "../../../core/plan/atoms.ts";
import type { CompiledPlan } from "../../../core/plan/compile.ts";
import { type Plan, ratesOf, savedOf } from "../../../core/plan/plan.ts";
import type { QuoteRequest } from "../../../core/quote/request.ts";
import { AmountField } from "../amounts/amount-field.tsx";
import { ClimbChart } from "../climb/climb-chart.tsx";
import { ClimbTable } from "../climb/climb-table.tsx";
import { messageStretches } from "../climb/message-strip.ts";
import { useClimb } from "../climb/use-climb.ts";
import type { DraftState } from "../state/draft-store.ts";
import { draftStore } from "../state/use-draft.ts";
import { GoalGrid } from "./goal-grid.tsx";
import { spendGoal, withGoal } from "./with-goal.ts";

type Props = {
  state: DraftState;
  market: Market | null;
  /** The sample cart at the standpoint. */
  request: QuoteRequest;
  /** Shelf value of the cart being looked at. */
  cartValue: number;
  onCursor: (x: number) => void;
};

/** Offers as sentences, their goals on the climb and in the goal grid. */
export function OffersView({ state, market, request, cartValue, onCursor }: Props) {
  const { plan, compiled, planProblem } = state;
  const { currency } = request;
  const unit = 10 ** (exponentOf(currency) ?? 2);
  const to = useClimbEnd(state, market, request, cartValue, unit);
  const climb = useClimb(plan, request, to);
  const locale = request.locale ?? "en";
  const stretches = useMemo(
    () => (climb && plan && market ? messageStretches(climb, plan, locale, market.languages) : []),
    [climb, plan, market, locale],
  );
  if (!plan) return state.loadError ? null : <p className="text-quiet">Loading the plan…</p>;

  const zonesHere = compiled ? resolvePlace(compiled.places, request.destination).zones : [];
  const isHere = (offer: Offer) => offer.zones.some((zone) => zonesHere.includes(zone));
  const offers = [...plan.offers].sort(byPosition);
  const here = offers.filter(isHere);
  const elsewhere = offers.filter((offer) => !isHere(offer));
  const names = (climb?.options ?? []).map((id) => {
    const option = plan.options.find((candidate) => candidate.id === id);
    return option ? (pickText(option.name, "en", [])?.text ?? id) : id;
  });
  const moveFlag = (flag: { offer: string; step: string }, x: number, done: boolean) => {
    const offer = plan.offers.find(({ id }) => id === flag.offer);
    const counted = compiled && countedAt(compiled, request, flag.offer, x);
    if (!offer || !market || counted === null) return;
    const body = withGoal(offer, flag.step, market.id, currency, counted);
    if (done) draftStore.commit({ kind: "offer", id: offer.id, body });
    else draftStore.show({ kind: "offer", id: offer.id, body });
  };

  // By keyboard the goal itself moves: the climb may still be drawing the last move.
  const nudgeFlag = (flag: { offer: string; step: string }, by: number) => {
    const offer = plan.offers.find(({ id }) => id === flag.offer);
    const at = spendGoal(offer?.steps.find(({ id }) => id === flag.step));
    const goal = at && market && amountFor(at, { market: market.id, currency, rates: ratesOf(plan) });
    if (!offer || !market || goal === undefined || goal === null) return;
    const body = withGoal(offer, flag.step, market.id, currency, Math.max(0, goal + by));
    draftStore.commit({ kind: "offer", id: offer.id, body });
  };

  return (
    <div className="mx-auto max-w-[1200px]">
      <h1 className="sr-only">Offers</h1>
      {offers.length === 0 && <p className="text-quiet">There is no offer in this plan yet.</p>}
      {offers.length > 0 && here.length === 0 && <p className="text-quiet">No offer holds for this place.</p>}
      {here.map((offer) => (
        <OfferHeading key={offer.id} offer={offer} state={state} market={market} currency={currency} />
      ))}
      {planProblem && (
        <p role="alert" className="mt-2 text-warning">
          This cannot be quoted: {planProblem}
        </p>
      )}
      {climb && climb.currency === currency ? (
        <section aria-label="The climb" className="mt-3 border border-base-300 bg-base-100 px-1 pt-2 pb-3">
          <ClimbChart
            climb={climb}
            to={climb.to}
            optionNames={names}
            offerName={(id) => plan.offers.find((offer) => offer.id === id)?.name ?? id}
            stretches={stretches}
            cursor={Math.min(cartValue, climb.to)}
            unit={unit}
            onCursor={onCursor}
            onFlag={moveFlag}
            onFlagCancel={() => draftStore.cancel()}
            onFlagNudge={nudgeFlag}
          />
          {state.compiled && <PartlyKnown compiled={state.compiled} request={request} shown={climb.zone} />}
          <details className="px-4 text-[13px]">
            <summary className="cursor-pointer text-quiet">
              As a table. <kbd className="kbd kbd-xs">[</kbd> <kbd className="kbd kbd-xs">]</kbd> on the cart value jump
              from change to change.
            </summary>
            <ClimbTable climb={climb} optionNames={names} stretches={stretches} />
          </details>
        </section>
      ) : (
        <p className="mt-3 border border-base-300 bg-base-100 p-6 text-quiet">
          {market
            ? "Drawing the climb…"
            : "Nobody delivers to this place: no zone of the plan has it. Choose another place above."}
        </p>
      )}
      {here.map((offer) => (
        <GoalGrid key={offer.id} plan={plan} offer={offer} />
      ))}
      {elsewhere.length > 0 && (
        <details className="mt-5" open={here.length === 0}>
          <summary className="cursor-pointer font-semibold">
            {elsewhere.length === 1 ? "One offer" : `${elsewhere.length} offers`} for other places
          </summary>
          {elsewhere.map((offer) => (
            <div key={offer.id} className="mt-3 border-t border-base-300 pt-2">
              <OfferHeading offer={offer} state={state} market={market} currency={currency} />
              <GoalGrid plan={plan} offer={offer} />
            </div>
          ))}
        </details>
      )}
    </div>
  );
}

/** While the place is only partly known, the climb shows one of several zones: it says which. */
function PartlyKnown({ compiled, request, shown }: { compiled: CompiledPlan; request: QuoteRequest; shown: string }) {
  const { zones } = resolvePlace(compiled.places, request.destination);
  if (zones.length < 2) return null;
  const nameOf = (id: string) => compiled.plan.zones.find((zone) => zone.id === id)?.name ?? id;
  const others = zones.filter((id) => id !== shown).map(nameOf);
  return (
    <p className="px-4 text-[13px] text-quiet">
      Drawn for <strong className="text-base-content">{nameOf(shown)}</strong>. The place is only partly known; it may
      also be {new Intl.ListFormat("en", { type: "disjunction" }).format(others)}.
    </p>
  );
}

type OfferHeadingProps = { offer: Offer; state: DraftState; market: Market | null; currency: string };

function OfferHeading({ offer, state, market, currency }: OfferHeadingProps) {
  const { plan } = state;
  const home = plan && marketOf(plan, offer, market);
  if (!plan || !home) return null;
  const shownIn = home.currencies.includes(currency) ? currency : (home.currencies[0] ?? currency);
  const parts = offerSentence(plan, offer, home.id, shownIn);
  return (
    <section aria-label={offer.name} className="mt-1">
      <h2 className="text-[20px] leading-7 font-bold text-balance">
        {parts.map(({ text, step }, i) => {
          const at = spendGoal(offer.steps.find(({ id }) => id === step));
          // What follows a goal begins with a comma, which stays on the goal's line.
          const afterGoal = parts[i - 1]?.step !== undefined;
          if (!at || step === undefined) return <span key={text}>{afterGoal ? text.slice(1) : text}</span>;
          const edit = (minor: number) =>
            ({ kind: "offer", id: offer.id, body: withGoal(offer, step, home.id, shownIn, minor) }) as const;
          return (
            <span key={step} className="whitespace-nowrap">
              <AmountField
                label="Goal"
                shown={text}
                minor={amountFor(at, { market: home.id, currency: shownIn, rates: ratesOf(plan) })}
                currency={shownIn}
                onShow={(minor) => draftStore.show(edit(minor))}
                onCommit={(minor) => draftStore.commit(edit(minor))}
                onCancel={() => draftStore.cancel()}
              />
              {parts[i + 1]?.text[0]}
            </span>
          );
        })}
      </h2>
      <p className="text-[13px] text-quiet">
        {offer.on ? "On" : "Switched off"} <span aria-hidden>·</span> applies by itself <span aria-hidden>·</span>{" "}
        counts {measureWords(offer.counts)}
        {offer.when && (
          <>
            {" "}
            <span aria-hidden>·</span> for carts where{" "}
            {conditionWords(offer.when, { market: home.id, currency: shownIn, rates: ratesOf(plan) }, savedOf(plan))}
          </>
        )}
      </p>
    </section>
  );
}

/** The market an offer is read in: the standpoint's where the offer holds there, else the first it holds in. */
function marketOf(plan: Plan, offer: Offer, standpoint: Market | null): Market | undefined {
  const own = [...plan.markets].filter(({ id }) => holdsIn(plan, offer, id)).sort(byPosition);
  return own.find(({ id }) => id === standpoint?.id) ?? own[0] ?? standpoint ?? plan.markets[0];
}

const holdsIn = (plan: Plan, offer: Offer, market: string) =>
  plan.zones.some((zone) => zone.market === market && offer.zones.includes(zone.id));

/** How far the climb reaches. It never shrinks while an edit is only shown, so that a dragged flag stays under the pointer. */
function useClimbEnd(
  state: DraftState,
  market: Market | null,
  request: QuoteRequest,
  cartValue: number,
  unit: number,
): number {
  const [kept, setKept] = useState({ currency: request.currency, end: 0 });
  const { plan } = state;
  const context = plan && market && { market: market.id, currency: request.currency, rates: ratesOf(plan) };
  const zones = state.compiled ? resolvePlace(state.compiled.places, request.destination).zones : [];
  const here = plan?.offers.filter((offer) => offer.zones.some((zone) => zones.includes(zone))) ?? [];
  const goals = here.flatMap(({ steps }) =>
    steps.map((step) => {
      const at = spendGoal(step);
      return (at && context && amountFor(at, context)) ?? 0;
    }),
  );
  const farthest = Math.max(60 * unit, ...goals.map((goal) => goal * 1.6), cartValue * 1.2);
  const step = 20 * unit;
  const wanted = Math.ceil(farthest / step) * step;
  const previous = kept.currency === request.currency ? kept.end : 0;
  const end = state.unsaved > 0 && previous > 0 ? previous : Math.max(wanted, 0);
  if (end !== kept.end || kept.currency !== request.currency) setKept({ currency: request.currency, end });
  return end;
}
