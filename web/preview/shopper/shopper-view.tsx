import Monitor from "lucide-react/icons/monitor";
import Smartphone from "lucide-react/icons/smartphone";
import { useState } from "react";
import { FILLER_SKU } from "../../../core/cart/read-cart.ts";
import { formatMoney } from "../../../core/money/format.ts";
import type { AddressNote } from "../../../core/places/place.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { Quote, QuoteResult } from "../../../core/quote/answer/quote.ts";
import { carrierQuestions } from "../../../core/quote/carriers/carrier-questions.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import type { CarrierBehaviour } from "../../../server/carriers/simulated.ts";
import type { CatalogueProduct } from "../../../server/catalogue/catalogue.ts";
import type { SampleCart } from "../../../server/catalogue/product.ts";
import type { ShownCart } from "../../state/standpoint.ts";
import { useStored } from "../../state/use-stored.ts";
import { CarrierBehaviours } from "./carrier-behaviours.tsx";
import { CartLines } from "./cart-lines.tsx";
import { CodeField } from "./code-field.tsx";
import { DeliveryChoice } from "./delivery-choice.tsx";
import { OfferSwitches } from "./offer-switches.tsx";
import { ProductFinder } from "./product-finder.tsx";
import { ProgressMessage } from "./progress-message.tsx";
import { SavedCartsMenu } from "./saved-carts-menu.tsx";
import { shopWord } from "./shop-words.ts";

const PAGES = { banner: "Front", cart: "Cart", checkout: "Checkout" } as const;
type ShopPageName = keyof typeof PAGES;
const PAGE_NAMES: readonly ShopPageName[] = ["banner", "cart", "checkout"];

/** Said beside the shop's page, to the people who look: shoppers are told nothing. */
const ADDRESS_WORDS: Readonly<Record<AddressNote, string>> = {
  "postcode-unreadable": "This postcode is none of its country: the address counts as not complete.",
  "region-contradicts-postcode": "The postcode lies in another region than the one given, which is kept.",
};

type Props = {
  /** The plan as it is; `compiled` has offers switched off for the look. */
  plan: Plan;
  compiled: CompiledPlan;
  zones: readonly string[];
  off: ReadonlySet<string>;
  onOff: (off: ReadonlySet<string>) => void;
  moods: Readonly<Record<string, CarrierBehaviour>>;
  asking: boolean;
  onMoods: (moods: Record<string, CarrierBehaviour>) => void;
  /** The cart as shown: the sample, or the sample moved along the climb. */
  request: QuoteRequest;
  result: QuoteResult | null;
  carts: readonly SampleCart[];
  products: ReadonlyMap<string, CatalogueProduct>;
  problem: string | null;
  cart: ShownCart;
  cursor: number | null;
  /** A made-up cart and standpoint shown instead of the shopper's own. */
  witness: QuoteRequest | null;
  onLeaveWitness: () => void;
  placeName: string;
  locale: string;
  onCart: (cart: ShownCart) => void;
  onLeaveCursor: () => void;
};

/** The cart and the checkout as the shopper of the standpoint sees them now. */
export function ShopperView(props: Props) {
  const { request, result, carts, problem, cart, cursor, onCart, onLeaveCursor } = props;
  const [page, setPage] = useState<ShopPageName>("cart");
  const [wide, setWide] = useStored("summant.shopper-wide", false, (value) => typeof value === "boolean");
  const asked = [
    ...new Set(carrierQuestions(props.compiled, { ...request, carriers: [] }).map(({ carrier }) => carrier)),
  ];
  const money = (minor: number) => formatMoney(minor, request.currency, "en");
  const add = (sku: string) => {
    const held = cart.lines.find((line) => line.sku === sku);
    const lines = held
      ? cart.lines.map((line) => (line === held ? { ...line, quantity: line.quantity + 1 } : line))
      : [...cart.lines, { sku, quantity: 1 }];
    onCart({ ...cart, lines });
  };
  return (
    <aside
      id="shopper-view"
      aria-label="Shopper view"
      className={`${wide ? "w-[620px]" : "w-[340px]"} flex shrink-0 flex-col border-l border-base-300 bg-base-200 p-3.5 max-[900px]:absolute max-[900px]:inset-y-0 max-[900px]:right-0 max-[900px]:z-20 max-[900px]:max-w-[calc(100vw-6.5rem)] max-[900px]:shadow-xl`}
    >
      <div className="mb-2.5 flex flex-wrap items-center gap-x-3 gap-y-1">
        <div role="tablist" aria-label="Page of the shop" className="flex gap-4">
          {PAGE_NAMES.map((name) => (
            <button
              key={name}
              type="button"
              role="tab"
              id={`tab-${name}`}
              aria-selected={page === name}
              aria-controls="shop-page"
              tabIndex={page === name ? 0 : -1}
              className="cursor-pointer border-b-2 border-transparent pb-1 text-quiet aria-selected:border-neutral aria-selected:font-semibold aria-selected:text-base-content"
              onClick={() => setPage(name)}
              onKeyDown={(event) => {
                if (event.key !== "ArrowLeft" && event.key !== "ArrowRight") return;
                const step = event.key === "ArrowRight" ? 1 : PAGE_NAMES.length - 1;
                const other = PAGE_NAMES[(PAGE_NAMES.indexOf(name) + step) % PAGE_NAMES.length] ?? name;
                setPage(other);
                document.getElementById(`tab-${other}`)?.focus();
              }}
            >
              {PAGES[name]}
            </button>
          ))}
        </div>
        <button
          type="button"
          className="btn btn-ghost btn-xs btn-square ml-auto"
          aria-pressed={wide}
          onClick={() => setWide(!wide)}
        >
          {wide ? <Smartphone size={15} aria-hidden /> : <Monitor size={15} aria-hidden />}
          <span className="sr-only">{wide ? "As wide as a phone" : "As wide as a desktop"}</span>
        </button>
        <label className="flex items-center gap-1 text-[13px] text-quiet">
          <span className="sr-only">Sample</span>
          <select
            className="max-w-28 cursor-pointer bg-transparent font-medium text-base-content"
            value={cart.sample ?? ""}
            onChange={(event) => {
              const chosen = carts.find(({ id }) => id === event.target.value);
              if (chosen) onCart({ sample: chosen.id, lines: chosen.lines });
            }}
          >
            {cart.sample === null && <option value="">your own</option>}
            {carts.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <SavedCartsMenu cart={cart} carts={carts} onCart={onCart} />
      </div>
      {props.witness && (
        <p className="mb-2 text-[13px]">
          A made-up cart, <strong>{props.placeName}</strong>, {witnessWords(props.witness)}.{" "}
          <button type="button" className="link" onClick={props.onLeaveWitness}>
            Back to the shopper
          </button>
        </p>
      )}
      {cursor !== null && (
        <p className="mb-2 text-[13px]">
          Looking at a cart of <strong>{money(cursor)}</strong>.{" "}
          <button type="button" className="link" onClick={onLeaveCursor}>
            Back to the sample
          </button>
        </p>
      )}
      <section
        id="shop-page"
        role="tabpanel"
        aria-labelledby={`tab-${page}`}
        lang={props.locale}
        dir={/^(ar|fa|he|ur)\b/.test(props.locale) ? "rtl" : "ltr"}
        className="flex min-h-0 flex-1 flex-col overflow-y-auto bg-base-100 p-4"
      >
        {problem && (
          <p role="alert" className="text-warning">
            The catalogue could not be loaded: {problem}
          </p>
        )}
        {result && "problems" in result && (
          <p role="alert" className="text-warning">
            {result.problems.map(({ message }) => message).join("; ")}
          </p>
        )}
        {result && "quote" in result && result.quote.addressNote && (
          <p role="status" className="mb-2 text-[13px] text-warning">
            {ADDRESS_WORDS[result.quote.addressNote]}
          </p>
        )}
        {result && "quote" in result && <ShopPage {...props} quote={result.quote} page={page} />}
      </section>
      <CarrierBehaviours asked={asked} moods={props.moods} asking={props.asking} onMoods={props.onMoods} />
      <OfferSwitches plan={props.plan} zones={props.zones} off={props.off} onOff={props.onOff} />
      {cursor === null && !props.witness && <ProductFinder currency={request.currency} onAdd={add} />}
    </aside>
  );
}

/** Who and when, in a few words. */
function witnessWords({ shopper, at, cart }: QuoteRequest): string {
  const who = [
    shopper?.signedIn ? "signed in" : "not signed in",
    ...(shopper?.groups ?? []).map((group) => `in ${group}`),
    ...(shopper?.business ? ["a company"] : []),
    ...(cart.codes ?? []).map((code) => `with the code ${code}`),
  ];
  return `${who.join(", ")}, ${new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" }).format(new Date(at))}`;
}

function ShopPage(props: Props & { quote: Quote; page: ShopPageName }) {
  const { quote, request, products, cart, cursor, locale, placeName, page, onCart } = props;
  const { lines } = request.cart;
  const money = (minor: number) => formatMoney(minor, quote.currency, locale);
  const nameOf = (sku: string) =>
    sku === FILLER_SKU ? shopWord("otherGoods", locale) : (products.get(sku)?.name ?? sku);
  const chosen = quote.options.find((option) => option.chosen);
  const { totals } = quote;
  const { display } = props.plan.store;
  const progress = <ProgressMessage quote={quote} surface={page} display={display} locale={locale} />;
  return (
    <>
      {page === "banner" && (
        <>
          {progress}
          <p className="mt-2 text-[13px] text-quiet">{shopWord("front", locale)}</p>
        </>
      )}
      {page !== "banner" && display?.position !== "below" && progress}
      {page === "cart" && (
        <CartLines
          lines={lines.map((line) => ({ ...line, name: nameOf(line.sku) }))}
          money={money}
          locale={locale}
          onQuantity={
            cursor === null && !props.witness
              ? (sku, quantity) =>
                  onCart({
                    ...cart,
                    lines: cart.lines.flatMap((line) =>
                      line.sku === sku ? (quantity > 0 ? [{ sku, quantity }] : []) : [line],
                    ),
                  })
              : undefined
          }
        />
      )}
      {page !== "banner" && display?.position === "below" && progress}
      {page !== "banner" && cursor === null && !props.witness && (
        <CodeField codes={cart.codes ?? []} locale={locale} onCodes={(codes) => onCart({ ...cart, codes })} />
      )}
      {page === "checkout" && lines.length > 0 && (
        <dl className="mb-2 grid grid-cols-[1fr_auto] gap-y-1 border-b border-base-300 pb-2">
          <dt>{shopWord("goods", locale)}</dt>
          <dd className="text-right">{money(totals.shelf)}</dd>
          {totals.lineDiscounts + totals.orderDiscounts > 0 && (
            <>
              <dt>{shopWord("discount", locale)}</dt>
              <dd className="text-right">−{money(totals.lineDiscounts + totals.orderDiscounts)}</dd>
            </>
          )}
        </dl>
      )}
      {page === "banner" ? null : quote.zone === null && !quote.zonesPossible ? (
        <p className="mt-3 text-warning">{shopWord("notServed", locale, { place: placeName })}</p>
      ) : (
        <DeliveryChoice
          quote={quote}
          compiled={props.compiled}
          request={request}
          placeName={placeName}
          locale={locale}
          money={money}
          choose={page === "checkout"}
        />
      )}
      {page === "cart" && chosen?.total != null && lines.length > 0 && (
        <p className="mt-auto flex justify-between pt-4 text-[17px] font-bold">
          <span>{shopWord("total", locale)}</span>
          <span data-total>{money(chosen.total)}</span>
        </p>
      )}
    </>
  );
}
