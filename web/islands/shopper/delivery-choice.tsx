import { useState } from "react";
import type { Quote, QuotedOption } from "../../../core/quote/quote.ts";
import { shopWord } from "./shop-words.ts";

type Props = { quote: Quote; placeName: string; locale: string; money: (minor: number) => string; choose: boolean };

/** The delivery options with their prices; in the checkout the shopper picks one and sees what it comes to. */
export function DeliveryChoice({ quote, placeName, locale, money, choose }: Props) {
  const [picked, setPicked] = useState<string | null>(null);
  const available = quote.options.filter((option) => option.available);
  const current = available.find(({ id }) => id === picked) ?? available.find(({ chosen }) => chosen);
  return (
    <>
      <h3 className="mt-3 mb-1 text-[13px] text-quiet">{shopWord("delivery", locale, { place: placeName })}</h3>
      <ul>
        {quote.options.map((option) => (
          <li key={option.id} className="border-b border-base-300 py-2" data-option={option.id}>
            <label className={`flex items-baseline gap-2.5 ${choose && option.available ? "cursor-pointer" : ""}`}>
              {choose && (
                <input
                  type="radio"
                  name="delivery"
                  className="radio radio-xs translate-y-0.5"
                  checked={current?.id === option.id}
                  disabled={!option.available}
                  onChange={() => setPicked(option.id)}
                />
              )}
              <span className={option.available ? "" : "text-quiet"}>{option.name}</span>
              <span className="ml-auto text-right">
                <Price option={option} money={money} locale={locale} />
              </span>
            </label>
          </li>
        ))}
      </ul>
      {choose && current?.total != null && (
        <div className="mt-auto pt-4">
          <p className="flex justify-between text-[17px] font-bold">
            <span>{shopWord("total", locale)}</span>
            <span data-total>{money(current.total)}</span>
          </p>
          <p className="text-right text-[13px] text-quiet">{shopWord("taxIncluded", locale, { tax: money(current.tax ?? 0) })}</p>
        </div>
      )}
    </>
  );
}

function Price({ option, money, locale }: { option: QuotedOption; money: (minor: number) => string; locale: string }) {
  const { price, fullPrice } = option;
  if (price === null || fullPrice === null) return <span className="text-[13px] text-quiet">{shopWord("notAvailable", locale)}</span>;
  const reduced = price < fullPrice;
  return (
    <>
      {reduced && <s className="mr-2 text-[13px] text-quiet">{money(fullPrice)}</s>}
      <span className={reduced ? "font-semibold text-primary" : ""} data-price>
        {price === 0 ? shopWord("free", locale) : money(price)}
      </span>
    </>
  );
}
