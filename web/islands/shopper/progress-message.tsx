import type { Quote } from "../../../core/quote/quote.ts";

/** What the shopper reads about each offer, with how far along the ladder they are. Silent where nothing can be promised. */
export function ProgressMessage({ quote, surface }: { quote: Quote; surface: "cart" | "checkout" }) {
  const offers = [...new Set(quote.messages.map(({ offer }) => offer))];
  return (
    <>
      {offers.map((offer) => {
        const messages = quote.messages.filter((message) => message.offer === offer && message.surface === surface);
        const ladder = quote.progress.filter((step) => step.offer === offer);
        const next = ladder.find(({ remaining }) => remaining !== null);
        const percent = next?.percent ?? (ladder.every(({ reached }) => reached) ? 100 : null);
        return (
          <div key={offer} className="mb-3" data-message={messages.map(({ state }) => state).join(" ")}>
            {messages.map(({ state, text }) => (
              <p
                key={`${state} ${text}`}
                aria-live="polite"
                className={`text-[15px] font-semibold ${state === "reached" ? "text-primary" : ""}`}
              >
                {text}
              </p>
            ))}
            {percent !== null && (
              <progress
                className="mt-2 block h-1.5 w-full appearance-none [&::-webkit-progress-bar]:bg-base-300 [&::-webkit-progress-value]:bg-primary"
                aria-label={messages.map(({ text }) => text).join(", ")}
                max={100}
                value={percent}
              />
            )}
          </div>
        );
      })}
    </>
  );
}
