import { useState } from "react";
import type { QuotedOption } from "../../../core/quote/answer/quote.ts";
import { windowWords } from "../../names/moment-words.ts";
import { useShopWords } from "./shop-words.ts";

type Props = { option: QuotedOption; locale: string; timeZone: string };

/** The windows of an option as the shopper picks one. */
export function WindowChoice({ option, locale, timeZone }: Props) {
  const shopSays = useShopWords();
  const [picked, setPicked] = useState("");
  const { windows = [] } = option;
  if (windows.length === 0 || !option.available) return null;
  return (
    <select
      aria-label={`${shopSays("delivery-window")}, ${option.name}`}
      className="select select-xs mt-1 w-full"
      value={picked}
      onChange={(event) => setPicked(event.target.value)}
    >
      <option value="">{shopSays("delivery-window")}…</option>
      {windows.map(({ slot, day, from, until }) => (
        <option key={`${day} ${slot}`} value={`${day} ${slot}`}>
          {windowWords(Date.parse(from), Date.parse(until), timeZone, locale)}
        </option>
      ))}
    </select>
  );
}
