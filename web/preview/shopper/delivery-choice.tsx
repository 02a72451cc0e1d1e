import { lazy, Suspense, useState } from "react";
import type { Quote, QuotedOption } from "../../../core/quote/answer/quote.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { say, theReader } from "../../language/say.ts";
import { useLooked } from "../../state/quote-context.ts";
import { promiseText } from "./promise-text.ts";
import { RichNote } from "./rich-note.tsx";
import { type SayWord, useShopWords } from "./shop-words.ts";

// Loaded when it is asked for.
const WindowChoice = lazy(() => import("./window-choice.tsx").then((module) => ({ default: module.WindowChoice })));
const WhyPanel = lazy(() => import("./why-panel.tsx").then((module) => ({ default: module.WhyPanel })));

type Props = {
  quote: Quote;
  compiled: CompiledPlan;
  request: QuoteRequest;
  placeName: string;
  locale: string;
  money: (minor: number) => string;
  choose: boolean;
};

/** The delivery options with their prices; in the checkout the shopper picks one and sees what it comes to. */
export function DeliveryChoice({ quote, compiled, request, placeName, locale, money, choose }: Props) {
  const shopSays = useShopWords();
  const [picked, setPicked] = useState<string | null>(null);
  const [explained, setExplained] = useState<string | null>(null);
  const available = quote.options.filter((option) => option.available);
  const current = available.find(({ id }) => id === picked) ?? available.find(({ chosen }) => chosen);
  const hidden = quote.options.filter(({ shown }) => !shown);
  const row = (option: QuotedOption) => (
    <li key={option.id} className="border-b border-base-300 py-2" data-option={option.id}>
      {choose && option.shown ? (
        <label className="flex cursor-pointer items-baseline gap-2.5 has-disabled:cursor-default">
          <input
            type="radio"
            name="delivery"
            className="radio radio-xs translate-y-0.5"
            checked={current?.id === option.id}
            disabled={!option.available}
            onChange={() => setPicked(option.id)}
          />
          <Offered option={option} compiled={compiled} money={money} locale={locale} choose={choose} />
        </label>
      ) : (
        <div className="flex items-baseline gap-2.5">
          <Offered option={option} compiled={compiled} money={money} locale={locale} choose={choose} />
        </div>
      )}
      {choose && option.shown && option.windows && (
        <Suspense>
          <WindowChoice option={option} locale={locale} timeZone={zoneOfWindows(compiled, option.id)} />
        </Suspense>
      )}
      <button
        type="button"
        className="min-h-6 min-w-6 cursor-pointer text-[13px] text-quiet underline decoration-dotted underline-offset-2 hover:text-base-content"
        aria-expanded={explained === option.id}
        onClick={() => setExplained(explained === option.id ? null : option.id)}
      >
        {say("why")}
        <span className="sr-only"> {option.name}</span>
      </button>
      <Suspense>
        {explained === option.id && <WhyPanel compiled={compiled} request={request} option={option.id} />}
      </Suspense>
    </li>
  );
  return (
    <>
      <h3 className="mt-3 mb-1 text-[13px] text-quiet">
        {placeName === "" ? shopSays("deliverySomewhere") : shopSays("delivery", { place: placeName })}
      </h3>
      <ul>{quote.options.filter(({ shown }) => shown).map(row)}</ul>
      {hidden.length > 0 && (
        <details className="mt-2 text-[13px] text-quiet" dir="ltr" lang={theReader().locale}>
          <summary className="cursor-pointer">
            {say("{count, plural, one {One option} other {# options}} this shopper does not see", {
              count: hidden.length,
            })}
          </summary>
          <ul>{hidden.map(row)}</ul>
        </details>
      )}
      {choose && current?.total != null && (
        <div className="mt-auto pt-4">
          <p className="flex justify-between text-[17px] font-bold">
            <span>{shopSays("total")}</span>
            <span data-total>{money(current.total)}</span>
          </p>
          <p className="text-end text-[13px] text-quiet">{shopSays("taxIncluded", { tax: money(current.tax ?? 0) })}</p>
        </div>
      )}
    </>
  );
}

/** The time zone that an option's windows go by. */
function zoneOfWindows({ plan }: CompiledPlan, id: string): string {
  const at = plan.options.find((option) => option.id === id)?.windows?.at;
  return plan.locations?.find((location) => location.id === at)?.timeZone ?? "UTC";
}

type OfferedProps = {
  choose: boolean;
  option: QuotedOption;
  compiled: CompiledPlan;
  money: (minor: number) => string;
  locale: string;
};

function Offered({ option, compiled, money, locale, choose }: OfferedProps) {
  const { products } = useLooked();
  const shopSays = useShopWords();
  const { name, pickup, price, fullPrice, from, asks, grants } = option;
  const reduced = price !== null && fullPrice !== null && price < fullPrice;
  const location = compiled.plan.locations?.find(({ id }) => id === option.location);
  const promise = promiseText(option, locale, location?.timeZone ?? "UTC", shopSays);
  return (
    <>
      <span className={option.available ? "min-w-0" : "min-w-0 text-quiet"}>
        {name}
        {promise && (
          <span className="block text-[13px] text-quiet" data-promise>
            {promise}
          </span>
        )}
        <RichNote {...option} />
        {pickup && option.available && (
          <span className="block text-[13px] text-quiet" data-pickup>
            {pickup.address}
            {choose && pickup.instructions && <span className="block">{pickup.instructions}</span>}
          </span>
        )}
        {asks && option.available && choose && (
          <span className="block text-[13px] text-quiet">
            {shopSays("asks", {
              what: new Intl.ListFormat(locale).format(asks.map((what) => shopSays(what))),
            })}
          </span>
        )}
        {grants.map((grant) => (
          <span key={`${grant.offer} ${grant.step}`} className="block text-[13px] text-primary">
            {grant.kind === "gift"
              ? `+ ${grant.quantity} × ${products.get(grant.sku)?.name ?? grant.sku}`
              : `− ${money(grant.amount)}`}
          </span>
        ))}
      </span>
      <span className="ms-auto text-end">
        {reduced && <s className="me-2 text-[13px] text-quiet">{money(fullPrice)}</s>}
        {price === null ? (
          <span className="text-[13px] text-quiet">{shopSays("notAvailable")}</span>
        ) : (
          <span className={reduced ? "font-semibold text-primary" : ""} data-price>
            {shownPrice(price, from, money, shopSays)}
          </span>
        )}
      </span>
    </>
  );
}

function shownPrice(price: number, from: boolean, money: (minor: number) => string, shopSays: SayWord): string {
  if (price === 0) return shopSays(from ? "freeSomewhere" : "free");
  return from ? shopSays("from", { price: money(price) }) : money(price);
}
