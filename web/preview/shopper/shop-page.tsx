import { lazy, Suspense } from "react";
import { FILLER_SKU } from "../../../core/cart/read-cart.ts";
import { formatMoney } from "../../../core/money/format.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { Quote } from "../../../core/quote/answer/quote.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { useLooked } from "../../state/quote-context.ts";
import { CartLines } from "./cart-lines.tsx";
import { withOneMore } from "./cart-of-view.ts";
import { CodeField } from "./code-field.tsx";
import { DeliveryChoice } from "./delivery-choice.tsx";
import { OrderDiscounts } from "./order-discounts.tsx";
import { ProgressMessage } from "./progress-message.tsx";
import type { ShopPageName } from "./shop-page-tabs.tsx";
import { useShopWords } from "./shop-words.ts";

// Loaded when the front is looked at.
const FrontGoods = lazy(() => import("./front-goods.tsx").then((module) => ({ default: module.FrontGoods })));

// Loaded once a code is entered.
const IdleCodesNote = lazy(() => import("./idle-codes-note.tsx").then((module) => ({ default: module.IdleCodesNote })));

type Props = {
  plan: Plan;
  compiled: CompiledPlan;
  quote: Quote;
  page: ShopPageName;
  placeName: string;
  locale: string;
};

/** A page of the shop as its shopper sees it: the front with goods, the cart, the checkout. */
export function ShopPage({ plan, compiled, quote, page, placeName, locale }: Props) {
  const { request, products, cart, setCart, cursor, witness } = useLooked();
  const shopSays = useShopWords();
  const { lines } = request.cart;
  const isOwn = cursor === null && !witness;
  const money = (minor: number) => formatMoney(minor, quote.currency, locale);
  const nameOf = (sku: string) => (sku === FILLER_SKU ? shopSays("otherGoods") : (products.get(sku)?.name ?? sku));
  const chosen = quote.options.find((option) => option.chosen);
  const { totals } = quote;
  const { display } = plan.store;
  const progress = <ProgressMessage quote={quote} surface={page} display={display} />;
  const pieces = lines.reduce((sum, { quantity }) => sum + quantity, 0);
  return (
    <>
      <header className="-mx-4 -mt-4 mb-3 flex items-baseline justify-between gap-3 border-b border-base-300 px-4 py-2.5">
        <span className="min-w-0 truncate text-[17px] font-semibold">{plan.store.name}</span>
        <span className="text-[13px] text-quiet">
          {shopSays("cart")} ({pieces})
        </span>
      </header>
      {page === "banner" && (
        <>
          <div className="-mx-4 -mt-3 mb-3 bg-base-200 px-4 pt-2 empty:hidden">{progress}</div>
          <Suspense>
            <FrontGoods
              currency={quote.currency}
              money={money}
              onAdd={isOwn ? (sku) => setCart(withOneMore(cart, sku)) : undefined}
            />
          </Suspense>
        </>
      )}
      {page !== "banner" && display?.position !== "below" && progress}
      {page === "cart" && (
        <CartLines
          lines={lines.map((line) => ({
            ...line,
            name: nameOf(line.sku),
            categories: products.get(line.sku)?.categories ?? [],
          }))}
          currency={quote.currency}
          money={money}
          cart={cart.lines}
          onLine={
            isOwn
              ? (changed) =>
                  setCart({
                    ...cart,
                    lines: cart.lines
                      .map((line) => (line.sku === changed.sku ? changed : line))
                      .filter(({ quantity }) => quantity > 0),
                  })
              : undefined
          }
        />
      )}
      {page !== "banner" && display?.position === "below" && progress}
      {page !== "banner" && isOwn && (
        <>
          <CodeField codes={cart.codes ?? []} onCodes={(codes) => setCart({ ...cart, codes })} />
          {(cart.codes ?? []).length > 0 && (
            <Suspense>
              <IdleCodesNote compiled={compiled} request={request} />
            </Suspense>
          )}
          <OrderDiscounts
            discounts={cart.discounts ?? []}
            currency={quote.currency}
            onDiscounts={(discounts) => setCart({ ...cart, discounts })}
          />
        </>
      )}
      {page === "checkout" && lines.length > 0 && (
        <dl className="mb-2 grid grid-cols-[1fr_auto] gap-y-1 border-b border-base-300 pb-2">
          <dt>{shopSays("goods")}</dt>
          <dd className="text-right">{money(totals.shelf)}</dd>
          {totals.lineDiscounts + totals.orderDiscounts > 0 && (
            <>
              <dt>{shopSays("discount")}</dt>
              <dd className="text-right">−{money(totals.lineDiscounts + totals.orderDiscounts)}</dd>
            </>
          )}
        </dl>
      )}
      {page === "banner" ? null : quote.zone === null && !quote.zonesPossible ? (
        <p className="mt-3 text-warning">{shopSays("notServed", { place: placeName })}</p>
      ) : (
        <DeliveryChoice
          quote={quote}
          compiled={compiled}
          request={request}
          placeName={placeName}
          locale={locale}
          money={money}
          choose={page === "checkout"}
        />
      )}
      {page === "cart" && chosen?.total != null && lines.length > 0 && (
        <p className="mt-auto flex justify-between pt-4 text-[17px] font-bold">
          <span>{shopSays("total")}</span>
          <span data-total>{money(chosen.total)}</span>
        </p>
      )}
    </>
  );
}
