import Monitor from "lucide-react/icons/monitor";
import Smartphone from "lucide-react/icons/smartphone";
import { lazy, memo, type ReactNode, Suspense, use, useState } from "react";
import type { OwnShopWords } from "../../../core/messages/shop-words.ts";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import type { AddressNote } from "../../../core/places/place.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { carrierQuestions } from "../../../core/quote/carriers/carrier-questions.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import { makersMoney } from "../../language/money.ts";
import { say, sayValue } from "../../language/say.ts";
import { useLooked } from "../../state/quote-context.ts";
import type { Standpoint } from "../../state/standpoint.ts";
import { useStandpoint } from "../../state/standpoint-context.ts";
import { useStored } from "../../state/use-stored.ts";
import { withOneMore } from "./cart-of-view.ts";
import { OfferSwitches } from "./offer-switches.tsx";
import { ProductFinder } from "./product-finder.tsx";
import { SampleChoice } from "./sample-choice.tsx";
import { SavedCartsMenu } from "./saved-carts-menu.tsx";
import { ShopPage } from "./shop-page.tsx";
import { type ShopPageName, ShopPageTabs } from "./shop-page-tabs.tsx";
import { hasShopWords, loadShopWords, ShopWordsContext, wordsIn } from "./shop-words.ts";
import { WhatReaches } from "./what-reaches.tsx";
import { WhyNoMessage } from "./why-no-message.tsx";

// Where a live carrier is asked.
const CarrierBehaviours = lazy(() =>
  import("./carrier-behaviours.tsx").then((module) => ({ default: module.CarrierBehaviours })),
);

const NO_WORDS: OwnShopWords = {};

/** Said beside the shop's page, to the people who look: shoppers are told nothing. */
const ADDRESS_WORDS: Readonly<Record<AddressNote, Phrase>> = {
  "postcode-unreadable": phrase("This postcode is none of its country: the address counts as not complete."),
  "region-contradicts-postcode": phrase("The postcode lies in another region than the one given, which is kept."),
};

/** The shop's front, cart and checkout as the shopper of the standpoint sees them now. */
export const ShopperView = memo(function ShopperView({ plan }: { plan: Plan }) {
  const { standpoint, setStandpoint, zones } = useStandpoint();
  const { compiled, request, carts, cart, setCart, cursor, witness, off, setOff, asking, quote } = useLooked();
  const [page, setPage] = useState<ShopPageName>("cart");
  const [wide, setWide] = useStored("summant.shopper-wide", false, (value) => typeof value === "boolean");
  if (!compiled) return null;
  const asked = [...new Set(carrierQuestions(compiled, { ...request, carriers: [] }).map(({ carrier }) => carrier))];
  const place = placeName(witness ? { ...standpoint, ...placeOfWitness(witness) } : standpoint);
  const locale = witness?.locale ?? standpoint.locale;
  return (
    <aside
      id="shopper-view"
      aria-label={say("Shopper view")}
      className={`${wide ? "w-[620px]" : "w-[360px]"} flex shrink-0 flex-col border-l border-base-300 bg-base-200 py-3.5 *:mx-3.5 [&>#shop-page]:mx-0 print:hidden max-[900px]:absolute max-[900px]:inset-y-0 max-[900px]:right-0 max-[900px]:z-20 max-[900px]:max-w-[calc(100vw-7.5rem)] max-[900px]:shadow-xl`}
    >
      <div className="mb-2.5 flex flex-wrap items-center gap-x-3 gap-y-1">
        <ShopPageTabs page={page} onPage={setPage} />
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square ml-auto"
          aria-pressed={wide}
          onClick={() => setWide(!wide)}
        >
          {wide ? <Smartphone size={15} aria-hidden /> : <Monitor size={15} aria-hidden />}
          <span className="sr-only">{wide ? say("As wide as a phone") : say("As wide as a desktop")}</span>
        </button>
        <span className="flex items-baseline gap-3">
          <SampleChoice />
          <SavedCartsMenu cart={cart} carts={carts} onCart={setCart} />
        </span>
      </div>
      <LookedElsewhere place={place} />
      <section
        id="shop-page"
        role="tabpanel"
        aria-labelledby={`tab-${page}`}
        lang={locale}
        dir={/^(ar|fa|he|ur)\b/.test(locale) ? "rtl" : "ltr"}
        className="@container relative flex min-h-0 flex-1 flex-col overflow-y-auto border-y border-base-300 bg-base-100 p-4"
      >
        <Notes />
        <Suspense>
          <InLanguage locale={locale} own={plan.store.words ?? NO_WORDS}>
            {quote && (
              <ShopPage plan={plan} compiled={compiled} quote={quote} page={page} placeName={place} locale={locale} />
            )}
          </InLanguage>
        </Suspense>
      </section>
      {asked.length > 0 && (
        <Suspense>
          <CarrierBehaviours
            asked={asked}
            moods={standpoint.moods}
            asking={asking}
            onMoods={(moods) => setStandpoint({ ...standpoint, moods })}
          />
        </Suspense>
      )}
      <OfferSwitches plan={plan} zones={zones} off={off} onOff={setOff} />
      <WhyNoMessage compiled={compiled} request={request} />
      {cursor === null && !witness && <WhatReaches onAdd={(skus) => setCart(skus.reduce(withOneMore, cart))} />}
      {cursor === null && !witness && (
        <ProductFinder currency={request.currency} onAdd={(sku) => setCart(withOneMore(cart, sku))} />
      )}
    </aside>
  );
});

/** Waits for the shop's words in the shopper's language. */
function InLanguage({ locale, own, children }: { locale: string; own: OwnShopWords; children: ReactNode }) {
  if (!hasShopWords(locale)) use(loadShopWords(locale));
  return <ShopWordsContext value={wordsIn(locale, own)}>{children}</ShopWordsContext>;
}

/** Said while something else is looked at than the shopper's own cart, with the way back. */
function LookedElsewhere({ place }: { place: string }) {
  const { witness, setWitness, cursor, setCursor, request } = useLooked();
  return (
    <>
      {witness && (
        <p className="mb-2 text-[13px]">
          {say("Another cart,")} <strong>{place}</strong>, {witnessWords(witness)}.{" "}
          <button type="button" className="btn btn-xs" onClick={() => setWitness(null)}>
            {say("Back to the shopper")}
          </button>
        </p>
      )}
      {cursor !== null && (
        <p className="mb-2 text-[13px]">
          {say("Looking at a cart of")} <strong>{makersMoney(cursor, request.currency)}</strong>.{" "}
          <button type="button" className="btn btn-xs" onClick={() => setCursor(null)}>
            {say("Back to the sample")}
          </button>
        </p>
      )}
    </>
  );
}

/** What is wrong with what is looked at. */
function Notes() {
  const { catalogueProblem, result, quote } = useLooked();
  return (
    <>
      {catalogueProblem && (
        <p role="alert" className="text-warning">
          {say("The catalogue could not be loaded: {problem}", { problem: catalogueProblem })}
        </p>
      )}
      {result && "problems" in result && (
        <p role="alert" className="text-warning">
          {result.problems.map(({ message }) => say(message)).join("; ")}
        </p>
      )}
      {quote?.addressNote && (
        <p role="status" className="mb-2 text-[13px] text-warning">
          {say(ADDRESS_WORDS[quote.addressNote])}
        </p>
      )}
    </>
  );
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

/** Who and when, in a few words. */
function witnessWords({ shopper, at, cart }: QuoteRequest): string {
  const who = [
    shopper?.signedIn ? say("signed in") : say("not signed in"),
    ...(shopper?.groups ?? []).map((group) => say("in {group}", { group })),
    ...(shopper?.business ? [say("a company")] : []),
    ...(cart.codes ?? []).map((code) => say("with the code {code}", { code })),
  ];
  return [...who, sayValue({ moment: Date.parse(at), options: { dateStyle: "medium", timeStyle: "short" } })].join(
    ", ",
  );
}
