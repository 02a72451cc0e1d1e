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
      <h3 className="mt-3 mb-1 text-[13px] text-quiet">
        {placeName === "" ? shopWord("deliverySomewhere", locale) : shopWord("delivery", locale, { place: placeName })}
      </h3>
      <ul>
        {quote.options
          .filter(({ shown }) => shown)
          .map((option) => (
            <li key={option.id} className="border-b border-base-300 py-2" data-option={option.id}>
              {choose ? (
                <label className="flex cursor-pointer items-baseline gap-2.5 has-disabled:cursor-default">
                  <input
                    type="radio"
                    name="delivery"
                    className="radio radio-xs translate-y-0.5"
                    checked={current?.id === option.id}
                    disabled={!option.available}
                    onChange={() => setPicked(option.id)}
                  />
                  <Offered option={option} money={money} locale={locale} />
                </label>
              ) : (
                <p className="flex items-baseline gap-2.5">
                  <Offered option={option} money={money} locale={locale} />
                </p>
              )}
            </li>
          ))}
      </ul>
      {choose && current?.total != null && (
        <div className="mt-auto pt-4">
          <p className="flex justify-between text-[17px] font-bold">
            <span>{shopWord("total", locale)}</span>
            <span data-total>{money(current.total)}</span>
          </p>
          <p className="text-right text-[13px] text-quiet">
            {shopWord("taxIncluded", locale, { tax: money(current.tax ?? 0) })}
          </p>
        </div>
      )}
    </>
  );
}

type OfferedProps = { option: QuotedOption; money: (minor: number) => string; locale: string };

function Offered({ option, money, locale }: OfferedProps) {
  const { name, note, price, fullPrice, from } = option;
  const reduced = price !== null && fullPrice !== null && price < fullPrice;
  return (
    <>
      <span className={option.available ? "" : "text-quiet"}>
        {name}
        {note && <span className="block text-[13px] text-quiet">{note}</span>}
      </span>
      <span className="ms-auto text-end">
        {reduced && <s className="me-2 text-[13px] text-quiet">{money(fullPrice)}</s>}
        {price === null ? (
          <span className="text-[13px] text-quiet">{shopWord("notAvailable", locale)}</span>
        ) : (
          <span className={reduced ? "font-semibold text-primary" : ""} data-price>
            {shownPrice(price, from, money, locale)}
          </span>
        )}
      </span>
    </>
  );
}

function shownPrice(price: number, from: boolean, money: (minor: number) => string, locale: string): string {
  const text = price === 0 && !from ? shopWord("free", locale) : money(price);
  return from ? shopWord("from", locale, { price: text }) : text;
}
