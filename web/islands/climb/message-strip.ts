import type { Climb } from "../../../core/climb/climb.ts";
import { pickText } from "../../../core/messages/locale.ts";
import { speakValues } from "../../../core/messages/speak.ts";
import { formatMoney } from "../../../core/money/format.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { told } from "../../../core/quote/quote.ts";

/** A stretch of the climb over which shoppers read the same messages. `gained` counts the steps reached. */
export type MessageStretch = { from: number; to: number; texts: string[]; gained: number };

/** Which messages appear over which stretch; an amount that changes within a stretch is shown as an ellipsis. */
export function messageStretches(
  climb: Climb,
  plan: Plan,
  locale: string,
  languages: readonly string[],
): MessageStretch[] {
  const stretches: (MessageStretch & { key: string })[] = [];
  for (const { from, to, steps } of climb.intervals) {
    const entries = climb.steps.map((step, i) => ({ ...step, state: steps[i]?.state ?? "blocked" }));
    const offers = [...new Set(entries.map(({ offer }) => offer))];
    const messages = offers.flatMap((id) => told(entries.filter(({ offer }) => offer === id)));
    const key = JSON.stringify(messages.map(({ offer, step, state }) => [offer, step, state]));
    const last = stretches.at(-1);
    if (last?.key === key) {
      last.to = to;
      continue;
    }
    const texts = messages.flatMap(({ offer, step, state, goal }) => {
      const text = textOf(
        plan.offers.find(({ id }) => id === offer),
        step,
        state,
        locale,
        languages,
      );
      if (!text) return [];
      const money = formatMoney(goal, climb.currency, text.locale, "short");
      return [speakValues(text, { goal: money, counted: "…", remaining: "…", percent: "…" })];
    });
    stretches.push({ from, to, texts, gained: messages.filter(({ state }) => state === "reached").length, key });
  }
  return stretches.map(({ key: _, ...stretch }) => stretch);
}

function textOf(offer: Offer | undefined, step: string, state: string, locale: string, languages: readonly string[]) {
  if (state !== "empty" && state !== "on-the-way" && state !== "reached") return undefined;
  const wording = offer?.steps.find(({ id }) => id === step)?.wording[state];
  return wording && pickText(wording, locale, languages);
}
