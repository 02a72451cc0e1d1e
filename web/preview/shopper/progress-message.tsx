import X from "lucide-react/icons/x";
import { useState } from "react";
import { type Display, PLAIN_DISPLAY } from "../../../core/messages/display.ts";
import type { Surface } from "../../../core/messages/states.ts";
import type { Quote } from "../../../core/quote/answer/quote.ts";
import { ProgressDisplay } from "./progress-display.tsx";
import { ShopLink } from "./shop-link.tsx";
import { useShopWords } from "./shop-words.ts";

type Props = { quote: Quote; surface: Surface; display: Display | undefined };

/** What the shopper reads about each offer, with how far along the ladder they are. Silent where nothing can be promised. */
export function ProgressMessage({ quote, surface, display = PLAIN_DISPLAY }: Props) {
  const shopSays = useShopWords();
  const [closed, setClosed] = useState<readonly string[]>([]);
  const speaking = [...new Set(quote.messages.map(({ offer }) => offer))].filter((offer) => !closed.includes(offer));
  const offers = display.several === "nearest" ? nearest(quote, speaking) : speaking;
  const notices = (quote.notices ?? []).filter((notice) => notice.surface === surface);
  return (
    <>
      {notices.map(({ notice, text, link }) => (
        <p key={notice} dir="auto" className="mb-2 border-s-2 border-quiet ps-2 text-[14px]" data-notice={notice}>
          {text}
          {link && (
            <>
              {" "}
              <ShopLink to={link.to}>{link.text}</ShopLink>
            </>
          )}
        </p>
      ))}
      {offers.map((offer) => {
        const messages = quote.messages.filter((message) => message.offer === offer && message.surface === surface);
        const ladder = quote.progress.filter((step) => step.offer === offer);
        const shows = messages.length > 0 && ladder.some(({ remaining, reached }) => remaining !== null || reached);
        return (
          <div key={offer} className="relative mb-3" data-message={messages.map(({ state }) => state).join(" ")}>
            {display.closable && messages.length > 0 && (
              <button
                type="button"
                className="btn btn-ghost btn-xs btn-square absolute end-0 top-0"
                onClick={() => setClosed([...closed, offer])}
              >
                <X size={14} aria-hidden />
                <span className="sr-only">{shopSays("close")}</span>
              </button>
            )}
            {messages.map(({ state, text }) => (
              <p
                key={`${state} ${text}`}
                aria-live="polite"
                className={`text-[15px] font-semibold ${display.closable ? "pe-7" : ""} ${state === "reached" ? "text-primary" : ""}`}
              >
                {text}
              </p>
            ))}
            {shows && (
              <ProgressDisplay display={display} ladder={ladder} label={messages.map(({ text }) => text).join(", ")} />
            )}
          </div>
        );
      })}
    </>
  );
}

/** The offer that is furthest along and still open, else the first that says something. */
function nearest(quote: Quote, offers: readonly string[]): string[] {
  const open = quote.progress.filter(({ offer, remaining }) => remaining !== null && offers.includes(offer));
  const [best] = [...open].sort((a, b) => b.percent - a.percent);
  const chosen = best?.offer ?? offers[0];
  return chosen === undefined ? [] : [chosen];
}
