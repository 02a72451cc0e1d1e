import { freeDeliveryTexts, TEXT_PATTERNS } from "../../../core/messages/house-texts.ts";
import { MESSAGE_STATES } from "../../../core/messages/states.ts";
import type { StepWording } from "../../../core/messages/step-wording.ts";
import type { Step } from "../../../core/offers/offer.ts";
import { goalOf } from "../../../core/offers/trigger.ts";
import type { exampleMessages } from "../../../core/queries/example-messages.ts";
import { PatternList } from "../../fields/pattern-list.tsx";
import { say } from "../../language/say.ts";

type Props = {
  example: ReturnType<typeof exampleMessages>;
  offer: string;
  step: Step;
  languages: readonly string[];
  source: string;
  onWording: (wording: StepWording) => void;
};

/** Texts that ship for a step of free delivery, as they would read here; taken, they fill what is empty and replace nothing. */
export default function TextPatterns({ example, offer, step, languages, source, onWording }: Props) {
  const hasGoal = goalOf(step.trigger) !== undefined;
  const patterns = TEXT_PATTERNS.map(({ id, name }) => {
    const texts = freeDeliveryTexts(languages, source, { pattern: id, hasGoal });
    return {
      id,
      name: say(name),
      says: readings(example, offer, step.id, texts),
      onTake: () => onWording(filled(step.wording, texts)),
    };
  });
  return <PatternList label={say("Common texts")} patterns={patterns} />;
}

/** Each state in its first language, with the figures of the standpoint. */
const readings = (example: Props["example"], offer: string, step: string, wording: StepWording): string[] =>
  MESSAGE_STATES.flatMap((state) => {
    const [first] = Object.entries(wording[state] ?? {});
    if (!first) return [];
    const [locale, text] = first;
    const read = example({ offer, step, state }, { text, locale });
    return "text" in read ? [read.text] : [];
  });

/** A wording with the texts of another where it has none of its own. */
export function filled(own: StepWording, other: StepWording): StepWording {
  const states = MESSAGE_STATES.flatMap((state) => {
    const texts = { ...other[state], ...own[state] };
    return Object.keys(texts).length > 0 ? [[state, texts] as const] : [];
  });
  const from = Object.entries(other.translatedFrom ?? {}).filter(([key]) => {
    const [state = "", locale = ""] = key.split("/");
    const before = MESSAGE_STATES.find((one) => one === state);
    // What stays one's own was made from something else, or nothing that is known.
    return before !== undefined && own[before]?.[locale] === undefined;
  });
  const translatedFrom = { ...own.translatedFrom, ...Object.fromEntries(from) };
  return {
    ...own,
    ...Object.fromEntries(states),
    ...(Object.keys(translatedFrom).length > 0 ? { translatedFrom } : {}),
  };
}
