import type { Climb } from "../../../core/climb/interval.ts";
import { goalText } from "../../../core/measures/measure-spec.ts";
import { formatOpen, OPEN } from "../../../core/messages/format-message.ts";
import { pickText } from "../../../core/messages/locale.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { stepsToMention, textSources } from "../../../core/quote/messages/mentioned.ts";
import { textsFor } from "../../../core/quote/messages/step-messages.ts";

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
    const entries = climb.steps.map((step, i) => ({
      ...step,
      state: steps[i]?.state ?? "blocked",
      remaining: steps[i]?.remaining?.start ?? null,
    }));
    const offers = [...new Set(entries.map(({ offer }) => offer))];
    const messages = offers.flatMap((id) => stepsToMention(entries.filter(({ offer }) => offer === id)));
    const key = JSON.stringify(messages.map(({ offer, step, state }) => [offer, step, state]));
    const last = stretches.at(-1);
    if (last?.key === key) {
      last.to = to;
      continue;
    }
    const texts = messages.flatMap((entry) => {
      const offer = plan.offers.find(({ id }) => id === entry.offer);
      const ladder = entries.filter((other) => other.offer === entry.offer);
      const [said] = textSources(entry, ladder, offer?.nearlyThere, () => 0).flatMap(({ entry: one, states }) => {
        const step = offer?.steps.find(({ id }) => id === one.step);
        const wording = step && textsFor(step.wording, plan.store.wording, "cart", states);
        const text = wording && pickText(wording, locale, languages);
        return text ? [{ text, of: one }] : [];
      });
      if (!said) return [];
      const { text, of } = said;
      const goal = of.goal === null ? "" : goalText(of.measure, of.goal, climb.currency, text.locale);
      const open = ["counted", "remaining", "percent", "reward", "option", "deadline", "place"].map((name) => [
        name,
        OPEN,
      ]);
      return formatOpen(text, { goal, ...Object.fromEntries(open) }) ?? [];
    });
    stretches.push({ from, to, texts, gained: messages.filter(({ state }) => state === "reached").length, key });
  }
  return stretches.map(({ key: _, ...stretch }) => stretch);
}
