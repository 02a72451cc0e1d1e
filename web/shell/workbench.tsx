import { keepPreviousData, QueryClient, QueryClientProvider, useQuery } from "@tanstack/react-query";
import PanelRightClose from "lucide-react/icons/panel-right-close";
import PanelRightOpen from "lucide-react/icons/panel-right-open";
import { lazy, useCallback, useEffect, useMemo, useState } from "react";
import { Link } from "wouter";
import { acceptedReason, type Finding } from "../../core/checks/finding.ts";
import { cartAt } from "../../core/climb/cart-at.ts";
import type { Calendars, Location } from "../../core/places/location.ts";
import type { Market } from "../../core/places/market.ts";
import { resolvePlace } from "../../core/places/resolve.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { Progress, QuoteResult } from "../../core/quote/answer/quote.ts";
import { quote } from "../../core/quote/quote.ts";
import type { QuoteRequest } from "../../core/request/request.ts";
import { type CompiledPlan, compile } from "../../core/tariff/compile.ts";
import type { Section } from "../names/sections.ts";
import { ShopperView } from "../preview/shopper/shopper-view.tsx";
import { StartAPlan } from "../sections/plan-file/start-a-plan.tsx";
import { api } from "../state/api.ts";
import { FindingsContext } from "../state/findings-context.tsx";
import {
  cartLines,
  destinationOf,
  FIRST_STANDPOINT,
  isShownCart,
  isStandpoint,
  requestFor,
  type ShownCart,
  type Standpoint,
} from "../state/standpoint.ts";
import { useCarrierAnswers } from "../state/use-carrier-answers.ts";
import { useChecks } from "../state/use-checks.ts";
import { draftStore, useDraft } from "../state/use-draft.ts";
import { useStored } from "../state/use-stored.ts";
import { ConflictBar } from "./conflict-bar.tsx";
import { FaultBoundary } from "./fault-boundary.tsx";
import { PlanFaults } from "./plan-faults.tsx";
import { Rail } from "./rail.tsx";
import { SaveMark } from "./save-mark.tsx";
import { StandpointSentence } from "./standpoint-sentence.tsx";
import { useSection } from "./use-section.ts";
import { VisitedSections } from "./visited-sections.tsx";

// A section is loaded when it is first wanted.
const DeliveryView = lazy(() =>
  import("../sections/delivery/delivery-view.tsx").then((module) => ({ default: module.DeliveryView })),
);
const OffersView = lazy(() =>
  import("../sections/offers/offers-view.tsx").then((module) => ({ default: module.OffersView })),
);
const PlacesView = lazy(() =>
  import("../sections/places/places-view.tsx").then((module) => ({ default: module.PlacesView })),
);
const ReleaseView = lazy(() =>
  import("../sections/release/release-view.tsx").then((module) => ({ default: module.ReleaseView })),
);
const ChecksView = lazy(() =>
  import("../sections/checks/checks-view.tsx").then((module) => ({ default: module.ChecksView })),
);
const WordingView = lazy(() =>
  import("../sections/wording/wording-view.tsx").then((module) => ({ default: module.WordingView })),
);

const STANDPOINT_KEY = "summant.standpoint";
const CART_KEY = "summant.cart";
const LOOKED_FROM = [STANDPOINT_KEY, CART_KEY];

/** What was read a moment ago is not read again on the way from section to section. */
const FRESH_MS = 60_000;

const client = new QueryClient({
  defaultOptions: { queries: { refetchOnWindowFocus: false, retry: 5, staleTime: FRESH_MS } },
});

/** The whole app around one section: standpoint above, rail on the left, work in the middle, Shopper view on the right. */
export function Workbench({ section: first }: { section: Section }) {
  const { section, left } = useSection(first);
  return (
    <QueryClientProvider client={client}>
      <FaultBoundary what="Summant" watch={[section]} wayOut={FIRST_LOOK}>
        <Frame section={section} left={left} />
      </FaultBoundary>
    </QueryClientProvider>
  );
}

/** What is looked from is kept in this browser; without it the page begins as for a newcomer. */
const FIRST_LOOK = {
  words: "Look from the first standpoint",
  take: () => {
    for (const key of LOOKED_FROM) localStorage.removeItem(key);
    window.location.reload();
  },
};

const NO_CART: ShownCart = { sample: null, lines: [] };
const NO_PROGRESS: readonly Progress[] = [];
const NO_FINDINGS: readonly Finding[] = [];
const NO_POSITIONS: CompiledPlan["positions"] = new Map();
const NO_LOCATIONS: readonly Location[] = [];
const NO_OFFERS: Plan["offers"] = [];
const isBoolean = (value: unknown): value is boolean => typeof value === "boolean";

type FrameProps = ReturnType<typeof useSection>;

function Frame({ section, left }: FrameProps) {
  const state = useDraft();
  const [chosenStandpoint, setStandpoint] = useStored(STANDPOINT_KEY, FIRST_STANDPOINT, isStandpoint);
  const [storedCart, setStoredCart] = useStored<ShownCart | null>(
    CART_KEY,
    null,
    (value) => value === null || isShownCart(value),
  );
  const skus = [...new Set(storedCart?.lines.map(({ sku }) => sku))].sort();
  const catalogue = useQuery({
    queryKey: ["catalogue", skus],
    queryFn: () => api.catalogue(skus),
    placeholderData: keepPreviousData,
  });
  const [shopperOpen, setShopperOpen] = useStored("summant.shopper-open", window.innerWidth > 900, isBoolean);
  const [cursor, setCursor] = useState<number | null>(null);
  /** A made-up cart and standpoint that shows a finding or an edge, instead of the shopper's own. */
  const [witness, setWitness] = useState<QuoteRequest | null>(null);
  const [off, setOff] = useState<ReadonlySet<string>>(new Set());
  const [at] = useState(() => new Date().toISOString());
  useDraftKeys();

  const { compiled, plan } = state;
  const standpoint = useMemo(
    () => (compiled ? settled(chosenStandpoint, compiled) : chosenStandpoint),
    [chosenStandpoint, compiled],
  );
  const firstSample = catalogue.data?.carts[0];
  const cart = useMemo(
    () => storedCart ?? (firstSample ? { sample: firstSample.id, lines: firstSample.lines } : NO_CART),
    [storedCart, firstSample],
  );
  const setCart = (next: ShownCart) => {
    setStoredCart(next);
    setCursor(null);
    setWitness(null);
  };

  const products = useMemo(
    () => new Map((catalogue.data?.products ?? []).map((product) => [product.sku, product])),
    [catalogue.data],
  );
  const zones = useMemo(
    () => (compiled ? resolvePlace(compiled.places, destinationOf(standpoint, compiled.positions)).zones : []),
    [compiled, standpoint],
  );
  const market = marketOf(plan, zones[0]);
  const requestAt = useCallback(
    (from: Standpoint) => {
      const destination = destinationOf(from, compiled?.positions ?? NO_POSITIONS);
      const there = compiled ? resolvePlace(compiled.places, destination).zones : [];
      const codes = cart.codes?.length ? { codes: cart.codes } : {};
      const lines = cartLines(cart, products, from.currency);
      return requestFor(from, destination, marketOf(plan, there[0]), { lines, ...codes }, at);
    },
    [compiled, plan, cart, products, at],
  );
  const plainRequest = useMemo(() => requestAt(standpoint), [requestAt, standpoint]);
  const looked = useMemo(
    () => (compiled ? withoutOffers(compiled, state.draft?.calendars, off) : null),
    [compiled, state.draft, off],
  );
  const { request: sampleRequest, asking } = useCarrierAnswers(looked, plainRequest, standpoint.moods);
  const cartValue = sampleRequest.cart.lines.reduce((sum, line) => sum + line.unitPrice * line.quantity, 0);
  const request = useMemo(
    () => witness ?? (cursor === null ? sampleRequest : { ...sampleRequest, cart: cartAt(sampleRequest.cart, cursor) }),
    [sampleRequest, cursor, witness],
  );
  const result = useMemo(() => looked && quoteOrWhy(looked, request), [looked, request]);
  const checks = useChecks(plan, Date.parse(at));
  const show = useCallback(
    (next: QuoteRequest) => {
      setWitness(next);
      setShopperOpen(true);
    },
    [setShopperOpen],
  );
  const findingsShown = useMemo(
    () => ({ findings: checks.findings ?? NO_FINDINGS, plan, show }),
    [checks.findings, plan, show],
  );
  const openFindings = findingsShown.findings.filter(
    (finding) => finding.severity !== "odd" && acceptedReason(finding, plan?.store.accepted ?? []) === undefined,
  ).length;

  return (
    <FindingsContext value={findingsShown}>
      <div className="grid h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)] overflow-hidden">
        <header className="flex min-h-14 flex-wrap items-center gap-x-6 gap-y-1 border-b border-base-300 bg-base-100 px-5 py-2">
          <Link href="/offers" className="text-[17px] font-bold tracking-tight">
            Summant
          </Link>
          <FaultBoundary what="The standpoint" watch={[standpoint, plan]} wayOut={FIRST_LOOK}>
            <StandpointSentence
              standpoint={standpoint}
              market={market}
              offers={plan?.offers ?? NO_OFFERS}
              locations={plan?.locations ?? NO_LOCATIONS}
              onChange={setStandpoint}
            />
          </FaultBoundary>
          <div className="ml-auto flex flex-wrap items-center gap-x-4 gap-y-1">
            <SaveMark state={state} />
            {section !== "release" && (
              <Link href="/release" className="btn btn-neutral btn-sm">
                Review and release
              </Link>
            )}
            <button
              type="button"
              className="btn btn-ghost btn-sm btn-square"
              aria-expanded={shopperOpen}
              aria-controls="shopper-view"
              onClick={() => setShopperOpen(!shopperOpen)}
            >
              {shopperOpen ? <PanelRightClose size={18} aria-hidden /> : <PanelRightOpen size={18} aria-hidden />}
              <span className="sr-only">{shopperOpen ? "Fold the Shopper view" : "Open the Shopper view"}</span>
            </button>
          </div>
        </header>
        <div className="relative flex min-h-0">
          <Rail section={section} left={left} changes={state.draft?.changes.length ?? 0} findings={openFindings} />
          <main className="min-w-0 flex-1 overflow-y-auto px-5 py-4">
            {state.conflict && <ConflictBar conflict={state.conflict} plan={plan} market={market} />}
            {state.loadError && (
              <p role="alert" className="alert alert-error mb-4">
                The plan could not be loaded: {state.loadError}.
                <button type="button" className="btn btn-sm" onClick={() => void draftStore.load()}>
                  Try again
                </button>
              </p>
            )}
            <PlanFaults state={state} />
            {state.draft && !plan && <StartAPlan state={state} currency={standpoint.currency} />}
            <VisitedSections
              section={section}
              watch={[plan, request]}
              views={{
                places: plan && <PlacesView state={state} zones={zones} />,
                offers: (plan || !state.draft) && (
                  <OffersView
                    state={state}
                    market={market}
                    request={sampleRequest}
                    requestAt={requestAt}
                    quote={result && "quote" in result ? result.quote : null}
                    cartValue={cursor ?? cartValue}
                    productName={(sku) => products.get(sku)?.name ?? sku}
                    onCursor={setCursor}
                  />
                ),
                delivery: (plan || !state.draft) && (
                  <DeliveryView state={state} market={market} zones={zones} request={request} />
                ),
                wording: plan && (
                  <WordingView
                    state={state}
                    request={request}
                    progress={result && "quote" in result ? result.quote.progress : NO_PROGRESS}
                  />
                ),
                checks: plan && (
                  <ChecksView
                    state={state}
                    checks={checks}
                    request={request}
                    quote={result && "quote" in result ? result.quote : null}
                  />
                ),
                release: <ReleaseView state={state} market={market} currency={standpoint.currency} />,
              }}
            />
          </main>
          {shopperOpen && looked && plan && (
            <FaultBoundary what="The Shopper view" watch={[looked, request, plan]} wayOut={FIRST_LOOK}>
              <ShopperView
                plan={plan}
                compiled={looked}
                zones={zones}
                off={off}
                onOff={setOff}
                moods={standpoint.moods}
                asking={asking}
                onMoods={(moods) => setStandpoint({ ...standpoint, moods })}
                request={request}
                result={result}
                carts={catalogue.data?.carts ?? []}
                products={products}
                problem={catalogue.error?.message ?? null}
                cart={cart}
                cursor={cursor}
                witness={witness}
                onLeaveWitness={() => setWitness(null)}
                placeName={placeName(witness ? { ...standpoint, ...placeOfWitness(witness) } : standpoint)}
                locale={witness?.locale ?? standpoint.locale}
                onCart={setCart}
                onLeaveCursor={() => setCursor(null)}
              />
            </FaultBoundary>
          )}
        </div>
      </div>
    </FindingsContext>
  );
}

/** The answer, or why there is none, also where the engine itself fails: the rest of the page goes on. */
function quoteOrWhy(compiled: CompiledPlan, request: QuoteRequest): QuoteResult {
  try {
    return quote(compiled, request);
  } catch (error) {
    return { problems: [{ path: "", message: error instanceof Error ? error.message : String(error) }] };
  }
}

/** A standpoint in a currency and language its market takes: the market's first where it does not take the one at hand. */
function settled(standpoint: Standpoint, { places, plan, positions }: CompiledPlan): Standpoint {
  const markets = resolvePlace(places, destinationOf(standpoint, positions)).zones.map(
    (id) => plan.zones.find((zone) => zone.id === id)?.market,
  );
  const market = plan.markets.find(({ id }) => id === markets[0]);
  const several = new Set(markets).size > 1;
  if (!market || several || market.currencies.includes(standpoint.currency)) return standpoint;
  return {
    ...standpoint,
    currency: market.currencies[0] ?? standpoint.currency,
    locale: market.languages[0] ?? standpoint.locale,
  };
}

const marketOf = (plan: Plan | null, zone: string | undefined): Market | null =>
  plan?.markets.find(({ id }) => id === plan.zones.find((candidate) => candidate.id === zone)?.market) ?? null;

/** The plan as it would be with some offers switched off, for the look only. */
function withoutOffers(
  compiled: CompiledPlan,
  calendars: Calendars | undefined,
  off: ReadonlySet<string>,
): CompiledPlan {
  if (off.size === 0) return compiled;
  const { plan } = compiled;
  const result = compile(
    { ...plan, offers: plan.offers.map((offer) => (off.has(offer.id) ? { ...offer, on: false } : offer)) },
    calendars,
  );
  return "compiled" in result ? result.compiled : compiled;
}

const placeOfWitness = ({ destination }: QuoteRequest) => ({
  country: destination.country ?? destination.region?.slice(0, 2) ?? "",
  postcode: destination.postcode ?? "",
});

function placeName({ country, postcode, locale }: Standpoint): string {
  if (country === "") return "";
  const name = new Intl.DisplayNames([locale], { type: "region" }).of(country) ?? country;
  return postcode === "" ? name : `${postcode}, ${name}`;
}

/** Loads the draft, looks again when the window is returned to, and gives undo and redo their keys. */
function useDraftKeys(): void {
  useEffect(() => {
    void draftStore.load();
    const onFocus = () => void draftStore.load();
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z") return;
      // Inside a field the browser's own undo works on the text being typed.
      if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
      event.preventDefault();
      if (event.shiftKey) draftStore.redo();
      else draftStore.undo();
    };
    window.addEventListener("focus", onFocus);
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("focus", onFocus);
      window.removeEventListener("keydown", onKey);
    };
  }, []);
}
