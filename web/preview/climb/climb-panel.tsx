import { useQuery } from "@tanstack/react-query";
import { type ComponentProps, lazy, Suspense, useMemo, useRef, useState } from "react";
import { countedAt } from "../../../core/climb/counted-at.ts";
import type { Climb } from "../../../core/climb/interval.ts";
import { goalWords } from "../../../core/explain/offer-sentence.ts";
import { optionNameOf } from "../../../core/explain/option-name.ts";
import { amountFor } from "../../../core/money/amount.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { orList } from "../../../core/phrases/phrase.ts";
import type { Market } from "../../../core/places/market.ts";
import { resolvePlace } from "../../../core/places/resolve.ts";
import { planOf } from "../../../core/plan/entities.ts";
import { type Plan, ratesOf } from "../../../core/plan/plan.ts";
import { storeCosts } from "../../../core/queries/store-costs.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import type { Draft } from "../../../server/draft/read-draft.ts";
import { spendGoal, withGoal } from "../../editors/amounts/with-goal.ts";
import { downloadText } from "../../fields/download-text.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { say, sayValue } from "../../language/say.ts";
import type { DraftState } from "../../state/draft-store.ts";
import { type Looked, useLooked } from "../../state/quote-context.ts";
import { releasedPlan } from "../../state/released-plan.ts";
import { keptStandpoints } from "../../state/server-queries.ts";
import type { Standpoint } from "../../state/standpoint.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { ClimbChart } from "./climb-chart.tsx";
import { messageStretches } from "./message-strip.ts";
import { useClimb } from "./use-climb.ts";

const OrdersUnderDraft = lazy(() =>
  import("./orders-under-draft.tsx").then((module) => ({ default: module.OrdersUnderDraft })),
);
const OrdersBehind = lazy(() => import("./orders-behind.tsx").then((module) => ({ default: module.OrdersBehind })));
const ClimbTable = lazy(() => import("./climb-table.tsx").then((module) => ({ default: module.ClimbTable })));

/** The climb of the standpoint, its flags to be dragged, beside another if one is chosen. */
export function ClimbPanel() {
  const state = useDraft();
  const { market } = useStandpoint();
  const { sample: request, requestAt, cursor, setCursor: onCursor } = useLooked();
  const { plan, compiled, draft } = state;
  /** Shelf value of the cart being looked at. */
  const cartValue = cursor ?? request.cart.lines.reduce((sum, line) => sum + line.unitPrice * line.quantity, 0);
  const { currency } = request;
  const unit = 10 ** (exponentOf(currency) ?? 2);
  const to = useClimbEnd(state, market, request, cartValue, unit);
  const sound = compiled?.plan ?? null;
  const { climb, failure } = useClimb("here", sound, request, to);
  const [against, setAgainst] = useState("");
  const { data: kept } = useQuery(keptStandpoints);
  const other = useOther(against, { plan: sound, request, draft, requestAt, standpoints: kept?.standpoints ?? [] });
  const { climb: otherClimb } = useClimb("beside", other?.plan ?? null, other?.request ?? null, to);
  const frame = useRef<HTMLElement>(null);
  const locale = request.locale ?? "en";
  const stretches = useMemo(
    () => (climb && plan && market ? messageStretches(climb, plan, locale, market.languages) : []),
    [climb, plan, market, locale],
  );
  if (!plan) return null;
  if (!climb || climb.currency !== currency) {
    return (
      <p className="mt-3 border border-base-300 bg-base-100 p-6 text-quiet">
        {market
          ? failure === null
            ? say("Drawing the climb…")
            : say("The climb could not be drawn: {failure}. It is tried again.", { failure })
          : say("Nobody delivers to this place: no zone of the plan has it. Choose another place above.")}
      </p>
    );
  }
  const names = climb.options.map((id) => optionNameOf(plan, id));
  const moveFlag = (flag: { offer: string; step: string }, x: number, done: boolean) => {
    const offer = plan.offers.find(({ id }) => id === flag.offer);
    const counted = compiled && countedAt(compiled, request, flag.offer, x);
    if (!offer || !market || counted === null) return;
    const body = withGoal(offer, flag.step, { zone: climb.zone, market: market.id, currency }, counted);
    if (done) draftStore.commit({ kind: "offer", id: offer.id, body });
    else draftStore.show({ kind: "offer", id: offer.id, body });
  };

  // By keyboard the goal itself moves: the climb may still be drawing the last move.
  const nudgeFlag = (flag: { offer: string; step: string }, by: number) => {
    const offer = plan.offers.find(({ id }) => id === flag.offer);
    const at = spendGoal(offer?.steps.find(({ id }) => id === flag.step));
    if (!at || !offer || !market) return;
    const place = { zone: climb.zone, market: market.id, currency };
    const goal = amountFor(at, { ...place, rates: ratesOf(plan) });
    if (goal === undefined) return;
    const body = withGoal(offer, flag.step, place, Math.max(0, goal + by));
    draftStore.commit({ kind: "offer", id: offer.id, body });
  };

  return (
    <section
      ref={frame}
      aria-label={say("The climb")}
      className="mt-3 border border-base-300 bg-base-100 px-1 pt-2 pb-3"
    >
      <ClimbChart
        climb={climb}
        against={other && otherClimb?.currency === currency ? otherClimb : null}
        to={climb.to}
        optionNames={names}
        costs={costsFor(compiled, request)}
        offerName={(id) => plan.offers.find((offer) => offer.id === id)?.name ?? id}
        stretches={stretches}
        behind={(edges) => <Silhouette market={market} currency={currency} to={climb.to} {...edges} />}
        cursor={Math.min(cartValue, climb.to)}
        unit={unit}
        onCursor={onCursor}
        onFlag={moveFlag}
        onFlagCancel={() => draftStore.cancel()}
        onFlagNudge={nudgeFlag}
      />
      <MeaningForOrders market={market} currency={currency} />
      <OtherScales climb={climb} offerName={(id) => plan.offers.find((offer) => offer.id === id)?.name ?? id} />
      {compiled && <PartlyKnown compiled={compiled} request={request} shown={climb.zone} />}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 text-[13px] text-quiet">
        <span className="flex items-center gap-1.5">
          <span aria-hidden>{say("Beside")}</span>
          <SelectField
            label={say("Beside")}
            look="word"
            value={against}
            choices={{
              "": say("nothing else"),
              ...(state.unsaved > 0 ? { saved: say("the plan as it is saved") } : {}),
              ...(draft?.release && draft.changes.length > 0 ? { released: say("what shops get now") } : {}),
              ...Object.fromEntries(kept?.standpoints.map(({ id, name }) => [`standpoint/${id}`, name]) ?? []),
            }}
            onCommit={setAgainst}
          />
        </span>
        {other && (
          <span>
            {say("thin lines: {words}", { words: other.words })}
            {otherClimb && otherClimb.currency !== currency && say(", in another currency: not drawn")}
          </span>
        )}
        <SaveClimb
          drawing={() => frame.current?.querySelector("svg") ?? null}
          csv={(climbCsv) => climbCsv(climb, names, stretches)}
        />
      </div>
      <AsTable climb={climb} optionNames={names} stretches={stretches} />
    </section>
  );
}

type Past = { market: Market | null; currency: string };

/** Past orders are looked at once the climb stands. */
const Silhouette = ({ market, ...more }: Past & Omit<ComponentProps<typeof OrdersBehind>, "market">) =>
  market && (
    <Suspense fallback={null}>
      <OrdersBehind market={market} {...more} />
    </Suspense>
  );

/** Not loaded before there is a change whose meaning could be told. */
function MeaningForOrders({ market, currency }: Past) {
  const { unsaved, draft } = useDraft();
  const isChanged = unsaved > 0 || (draft !== null && draft.changes.length > 0);
  return (
    market &&
    isChanged && (
      <Suspense fallback={null}>
        <OrdersUnderDraft market={market.id} currency={currency} />
      </Suspense>
    )
  );
}

/** The same as text: loaded and drawn when it is opened, and not with every key that is typed. */
function AsTable(props: ComponentProps<typeof ClimbTable>) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <details className="px-4 text-[13px]" onToggle={(event) => setIsOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer text-quiet">
        {say("As a table.")} <kbd className="kbd kbd-xs">[</kbd> <kbd className="kbd kbd-xs">]</kbd>{" "}
        {say("on the cart value jump from change to change.")}
      </summary>
      <Suspense>{isOpen && <ClimbTable {...props} />}</Suspense>
    </details>
  );
}

type SaveProps = {
  drawing: () => SVGSVGElement | null;
  csv: (climbCsv: typeof import("./climb-export.ts")["climbCsv"]) => string;
};

/** The climb as a picture and as figures, for elsewhere. */
const SaveClimb = ({ drawing, csv }: SaveProps) => (
  <span className="ml-auto flex gap-1">
    <button
      type="button"
      className="btn btn-ghost btn-xs"
      onClick={async () => {
        const svg = drawing();
        const { standaloneSvg } = await import("./climb-export.ts");
        if (svg) downloadText(standaloneSvg(svg), "image/svg+xml", "climb.svg");
      }}
    >
      {say("Save as SVG")}
    </button>
    <button
      type="button"
      className="btn btn-ghost btn-xs"
      onClick={async () => {
        const { climbCsv } = await import("./climb-export.ts");
        downloadText(csv(climbCsv), "text/csv", "climb.csv");
      }}
    >
      {say("as CSV")}
    </button>
  </span>
);

type OtherContext = {
  plan: Plan | null;
  request: QuoteRequest;
  draft: Draft | null;
  requestAt: Looked["requestAt"];
  standpoints: readonly { id: string; name: string; body: Standpoint }[];
};

/** What the climb is drawn beside: another plan at this standpoint, or this plan at another. */
function useOther(against: string, context: OtherContext): { plan: Plan; request: QuoteRequest; words: string } | null {
  const { plan, request, draft, requestAt, standpoints } = context;
  const before = useMemo(() => {
    if (!draft || (against !== "saved" && against !== "released")) return null;
    return against === "saved" ? planOf(draft.entities) : releasedPlan(draft);
  }, [against, draft]);
  const chosen = standpoints.find(({ id }) => against === `standpoint/${id}`);
  const there = useMemo(() => (chosen ? requestAt(chosen.body) : null), [chosen, requestAt]);
  if (before)
    return { plan: before, request, words: against === "saved" ? say("as it is saved") : say("what shops get now") };
  return plan && chosen && there ? { plan, request: there, words: chosen.name } : null;
}

/** Goals that stand nowhere on a scale of value: how far those are, the ladder and the message say. */
function OtherScales({ climb, offerName }: { climb: Climb; offerName: (id: string) => string }) {
  const goals = climb.steps.flatMap(({ offer, step, goal, measure }) =>
    goal === null || measure === "value"
      ? []
      : [{ key: `${offer}/${step}`, offer: offerName(offer), goal: goalWords(measure, goal, climb.currency) }],
  );
  if (goals.length === 0) return null;
  return (
    <ul aria-label={say("Goals that are not of value")} className="flex flex-wrap gap-x-4 px-4 text-[13px] text-quiet">
      {goals.map(({ key, offer, goal }) => (
        <li key={key}>
          {say("{offer}: at", { offer })} <strong className="text-base-content">{sayValue(goal)}</strong>
          {say(", whatever they are worth")}
        </li>
      ))}
    </ul>
  );
}

/** What options cost the store, as far as the plan is sound. */
const costsFor = (compiled: CompiledPlan | null, request: QuoteRequest): ReadonlyMap<string, number> =>
  compiled ? storeCosts(compiled, request) : new Map();

/** While the place is only partly known, the climb shows one of several zones: it says which. */
function PartlyKnown({ compiled, request, shown }: { compiled: CompiledPlan; request: QuoteRequest; shown: string }) {
  const { zones } = resolvePlace(compiled.places, request.destination);
  if (zones.length < 2) return null;
  const nameOf = (id: string) => compiled.plan.zones.find((zone) => zone.id === id)?.name ?? id;
  const others = zones.filter((id) => id !== shown).map(nameOf);
  return (
    <p className="px-4 text-[13px] text-quiet">
      {say("Drawn for")} <strong className="text-base-content">{nameOf(shown)}</strong>
      {say(". The place is only partly known; it may also be {zones}.", {
        zones: orList(others),
      })}
    </p>
  );
}

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
  const zones = state.compiled ? resolvePlace(state.compiled.places, request.destination).zones : [];
  const here = plan?.offers.filter((offer) => offer.zones.some((zone) => zones.includes(zone))) ?? [];
  const goals = here.flatMap(({ steps }) =>
    steps.map((step) => {
      const at = spendGoal(step);
      if (!at || !plan || !market) return 0;
      const place = { zone: zones[0] ?? null, market: market.id, currency: request.currency };
      return amountFor(at, { ...place, rates: ratesOf(plan) }) ?? 0;
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
