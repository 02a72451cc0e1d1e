import type { Terms } from "../../evaluate/evaluation.ts";
import { freeWord } from "../../messages/free-word.ts";
import { goodsName } from "../../messages/goods-name.ts";
import { pickText } from "../../messages/locale.ts";
import type { StepState } from "../../messages/states.ts";
import type { MessageValues } from "../../messages/variable.ts";
import { amountFor } from "../../money/amount.ts";
import { formatMoney } from "../../money/format.ts";
import { numberFormat } from "../../phrases/intl-formats.ts";
import { type Reward, rewardKind, rewardOptions } from "../../rewards/reward.ts";
import type { Tariff } from "../../tariff/tariff.ts";
import type { TariffOffer, TariffStep } from "../../tariff/tariff-offer.ts";
import type { Progress } from "../answer/quote.ts";

type Figures = Pick<Progress, "counted" | "remainingSaid" | "percent">;

/** A step that something is said about: how it stands, with which figures. */
export type FiguredStep = {
  readonly offer: TariffOffer;
  readonly step: TariffStep;
  readonly state: StepState;
  readonly shown: Figures | null;
};

/** Everything that a text about a step may mention, as it stands; what takes longer is worked out when it is mentioned. */
export class StepFigures implements MessageValues {
  readonly state: StepState;
  readonly locale: string;
  private readonly tariff: Tariff;
  private readonly at: number;
  private readonly offer: TariffOffer;
  private readonly step: TariffStep;
  private readonly shown: Figures | null;
  constructor(
    { tariff, facts }: Pick<Terms, "tariff" | "facts">,
    { offer, step, state, shown }: FiguredStep,
    locale: string,
  ) {
    this.state = state;
    this.locale = locale;
    this.tariff = tariff;
    this.at = facts.at;
    this.offer = offer;
    this.step = step;
    this.shown = shown;
  }
  get currency() {
    return this.tariff.currency;
  }
  get measure() {
    return this.offer.offer.counts.kind;
  }
  get goal() {
    return this.step.goal?.at ?? null;
  }
  get counted() {
    return this.shown?.counted ?? null;
  }
  get remaining() {
    return this.shown?.remainingSaid ?? null;
  }
  get percent() {
    return this.shown?.percent ?? 0;
  }
  get reward() {
    return rewardText(this.step.step.reward, this.tariff, this.locale);
  }
  get option() {
    return optionText(this.step.step.reward, this.tariff, this.locale);
  }
  get deadline() {
    return deadlineOf(this.offer, this.at);
  }
  get timeZone() {
    return this.tariff.market.timeZone;
  }
  get place() {
    const { called, name } = this.tariff.zone;
    return (called && pickText(called, this.locale, this.tariff.market.languages)?.text) ?? name;
  }
  get goods() {
    return goodsName(this.offer.offer.counts.only, this.locale, this.tariff.market.languages);
  }
}

const PERCENT = { style: "percent", maximumFractionDigits: 6 } as const;

/** What sentences call a reward: money, a percent, a gift, free delivery, another option's price. */
function rewardText(reward: Reward, tariff: Tariff, locale: string): string {
  const { zone, market, currency, rates } = tariff;
  return rewardKind(reward).figure(reward, {
    percent: (text) => numberFormat(locale, PERCENT).format(Number(text) / 100),
    money: (amount) => {
      const minor = amountFor(amount, { zone: zone.id, market: market.id, currency, rates });
      return minor === undefined ? "" : formatMoney(minor, currency, locale, "short");
    },
    free: () => freeWord(locale, tariff.store.words, market.languages),
    option: (id) => optionName(id, tariff, locale) || id,
  });
}

/** The first option a reward is given on, by the name the shopper knows it by; one with figures in it goes without. */
function optionText(reward: Reward, tariff: Tariff, locale: string): string {
  const [first] = rewardOptions(reward);
  return first === undefined ? "" : optionName(first, tariff, locale);
}

function optionName(option: string, tariff: Tariff, locale: string): string {
  const name = tariff.options.find(({ id }) => id === option)?.option.name;
  const text = name && pickText(name, locale, tariff.market.languages)?.text;
  return text && !text.includes("{") ? text : "";
}

/** The end of the stretch of an offer's schedule that is now; null when there is none. */
function deadlineOf({ schedule }: TariffOffer, at: number): number | null {
  const stretch = schedule?.find(([start, end]) => start <= at && at < end);
  return stretch && Number.isFinite(stretch[1]) ? stretch[1] : null;
}
