import { amountOf } from "../../measures/measure-spec.ts";
import { plainText } from "../../messages/rich-text.ts";
import { type Amount, amountFor } from "../../money/amount.ts";
import { amountsIn } from "../../money/amounts-in.ts";
import { type FigureInText, figureReader } from "../../money/figures-in-text.ts";
import type { Offer } from "../../offers/offer.ts";
import { goalOf } from "../../offers/trigger.ts";
import { phrase } from "../../phrases/phrase.ts";
import { STORE_ID } from "../../plan/entities.ts";
import { isOnOrder, rewardOptions } from "../../rewards/reward.ts";
import { translationUnits } from "../../translation/translation-units.ts";
import { type Check, type CheckContext, type FoundFault, onOffer, onOption } from "../check.ts";

/** An amount typed into a text by hand that matches no amount of what the text is about any more. */
export const amountTypedInText: Check = {
  code: "amount-typed-in-text",
  severity: "wrong",
  isSlow: true,
  *find(context) {
    const { plan } = context;
    const read = figureReader(
      [...new Set(plan.markets.flatMap(({ currencies }) => currencies))],
      [...new Set(plan.markets.flatMap(({ languages }) => languages))],
    );
    yield* inMessages(context, read);
    yield* inOptions(context, read);
  },
};

type Read = ReturnType<typeof figureReader>;

/** Figures of a text that are none of these, each `currency minor`. */
function strayIn(text: string, read: Read, knownThere: () => ReadonlySet<string>): FigureInText[] {
  const found = read(text);
  if (found.length === 0) return found;
  const known = knownThere();
  return found.filter(({ means }) => !means.some(({ currency, minor }) => known.has(`${currency} ${minor}`)));
}

/** Texts of offers, and those of the whole plan, which stand for every offer that is on. */
function* inMessages(context: CheckContext, read: Read): Generator<FoundFault> {
  const { plan } = context;
  const offers = new Map(plan.offers.filter(({ on }) => on).map((offer) => [offer.id, offer]));
  const figures = new Map<Offer, Set<string>>();
  // Most texts have no figures in them: what they may be is looked for once one has.
  const figuresIn = (offer: Offer): Set<string> => {
    const known = figures.get(offer) ?? figuresOf(context, offer);
    figures.set(offer, known);
    return known;
  };
  const common = (): Set<string> => {
    const [first, ...others] = [...offers.values()].map(figuresIn);
    return new Set([...(first ?? [])].filter((figure) => others.every((known) => known.has(figure))));
  };
  for (const { offer: id, step, state, texts } of translationUnits(plan)) {
    const offer = offers.get(id ?? "");
    if (id !== null && !offer) continue;
    for (const text of Object.values(texts))
      for (const { shown } of strayIn(text, read, () => (offer ? figuresIn(offer) : common()))) {
        if (offer) {
          const index = offer.steps.findIndex((one) => one.id === step);
          yield {
            step: index,
            sentence: () =>
              phrase("A text of “{name}” says {shown}, which is none of its amounts: “{text}”.", {
                name: offer.name,
                shown,
                text,
              }),
            at: onOffer(offer, `/steps/${index}/wording/${state}`),
            witness: null,
          };
        } else
          yield {
            sentence: phrase(
              "A text for the whole plan says {shown}, which is not an amount of every offer: “{text}”.",
              { shown, text },
            ),
            at: { kind: "store", id: STORE_ID, path: `/wording/${state}` },
            witness: null,
          };
      }
  }
}

/** What shoppers read of options: names and notes, of what they cost and of offers on them. */
function* inOptions(context: CheckContext, read: Read): Generator<FoundFault> {
  for (const option of context.plan.options) {
    if (option.on === false) continue;
    const texts = [
      ...Object.entries(option.name).map(([locale, text]) => ({ path: `/name/${locale}`, text })),
      ...Object.entries(option.note ?? {}).map(([locale, text]) => ({
        path: `/note/${locale}`,
        text: plainText(text),
      })),
    ];
    if (!texts.some(({ text }) => read(text).length > 0)) continue;
    const offered = context.plan.offers.filter(
      ({ on, steps }) => on && steps.some(({ reward }) => rewardOptions(reward).includes(option.id)),
    );
    const known = new Set([
      ...inContexts(context, option.zones, amountsIn(option)),
      ...offered.flatMap((offer) => [...figuresOf(context, offer)]),
    ]);
    for (const { path, text } of texts)
      for (const { shown } of strayIn(text, read, () => known))
        yield {
          sentence: phrase("{option} says {shown}, which is none of its amounts nor of an offer on it: “{text}”.", {
            option: context.optionName(option.id),
            shown,
            text,
          }),
          at: onOption(option, path),
          witness: null,
        };
  }
}

/** Every amount an offer has, in every currency of its zones. */
function figuresOf(context: CheckContext, offer: Offer): Set<string> {
  const amounts = offer.steps.flatMap(({ trigger, reward }): Amount[] => {
    const goal = goalOf(trigger);
    const mark = goal && amountOf(goal.at);
    return [
      ...(mark ? [mark] : []),
      ...("amount" in reward ? [reward.amount] : []),
      ...(!isOnOrder(reward) && reward.limit ? [reward.limit] : []),
    ];
  });
  return new Set(inContexts(context, offer.zones, amounts));
}

const inContexts = (context: CheckContext, zones: readonly string[], amounts: readonly Amount[]): string[] =>
  context.contextsOf(zones).flatMap((where) =>
    amounts.flatMap((amount) => {
      const minor = amountFor(amount, context.amountContext(where));
      return minor === undefined ? [] : [`${where.currency} ${minor}`];
    }),
  );
