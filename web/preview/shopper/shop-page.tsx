import { FILLER_SKU } from "../../../core/cart/read-cart.ts";
import { formatMoney } from "../../../core/money/format.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { Quote } from "../../../core/quote/answer/quote.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { useLooked } from "../../state/quote-context.ts";
import { CartLines } from "./cart-lines.tsx";
import { CodeField } from "./code-field.tsx";
import { DeliveryChoice } from "./delivery-choice.tsx";
import { OrderDiscounts } from "./order-discounts.tsx";
import { ProgressMessage } from "./progress-message.tsx";
import type { ShopPageName } from "./shop-page-tabs.tsx";
import { shopWord } from "./shop-words.ts";

type Props = {
  plan: Plan;
  compiled: CompiledPlan;
  quote: Quote;
  page: ShopPageName;
  placeName: string;
  locale: string;
};

/** A page of the shop as its shopper sees it. */
export function ShopPage({ plan, compiled, quote, page, placeName, locale }: Props) {
  const { request, products, cart, setCart, cursor, witness } = useLooked();
  const { lines } = request.cart;
  const isOwn = cursor === null && !witness;
  const money = (minor: number) => formatMoney(minor, quote.currency, locale);
  const nameOf = (sku: string) =>
    sku === FILLER_SKU ? shopWord("otherGoods", locale) : (products.get(sku)?.name ?? sku);
  const chosen = quote.options.find((option) => option.chosen);
  const { totals } = quote;
  const { display } = plan.store;
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
          currency={quote.currency}
          money={money}
          locale={locale}
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
          <CodeField codes={cart.codes ?? []} locale={locale} onCodes={(codes) => setCart({ ...cart, codes })} />
          <OrderDiscounts
            discounts={cart.discounts ?? []}
            currency={quote.currency}
            onDiscounts={(discounts) => setCart({ ...cart, discounts })}
          />
        </>
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
          <span>{shopWord("total", locale)}</span>
          <span data-total>{money(chosen.total)}</span>
        </p>
      )}
    </>
  );
}
