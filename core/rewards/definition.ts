import type { FullPrice, Parts } from "../delivery/full-price.ts";
import type { GoodsFilter } from "../measures/goods-filter.ts";
import type { PickedGoods } from "../measures/only-goods.ts";
import type { Amount, AmountContext, AmountReferences } from "../money/amount.ts";
import type { Horizon } from "../money/linear-amount.ts";
import type { Rational } from "../money/rational.ts";
import type { Phrase, PhraseValue } from "../phrases/phrase.ts";
import { type KindSchema, ownKind } from "../schema/kinds.ts";
import type { Problem } from "../schema/problem.ts";
import type { Static, TSchema } from "../schema/type.ts";

/** A reward of any kind, told apart by `kind`. */
export type AnyReward = { readonly kind: string };

/** Which parts of a full price a reward is given on, besides the charge. */
export type Covers = { readonly handling: boolean; readonly surcharges: boolean; readonly own: boolean };

/** What a reward on delivery looks at besides the parts it changes. */
export type RewardTools = {
  /** Another option's full price. */
  readonly fullPriceOf: (option: string) => FullPrice;
  readonly horizon: Horizon | null;
  /** What the option would cost in full without some goods. */
  readonly fullPriceWithout: (goods: PickedGoods) => FullPrice;
};

/** A change of an option's price, for one market and currency. No part ever rises, none falls below zero. */
export type PriceChange = (parts: Parts, covers: Covers, tools: RewardTools) => Parts;

/** What a reward on the order comes to there: a gift, a part of some goods, or a sum. */
export type CompiledOrderReward =
  | { readonly kind: "gift"; readonly sku: string; readonly quantity: number }
  | { readonly kind: "percent"; readonly part: Rational; readonly of: GoodsFilter; readonly key: string }
  | { readonly kind: "money"; readonly amount: number };

/** How rewards are put into words, in one market and currency. */
export type RewardSpeech = {
  readonly amount: (amount: Amount) => PhraseValue;
  readonly optionName: (id: string) => string;
  /** The options it is given on. */
  readonly options: PhraseValue;
  /** Whether it begins a sentence. */
  readonly first: boolean;
};

/** How the figure of a reward is written for a shopper. */
export type RewardFigure = {
  readonly money: (amount: Amount) => string;
  readonly percent: (text: string) => string;
  /** "free delivery", in the shopper's language. */
  readonly free: () => string;
  /** The name of a delivery option as the shopper knows it. */
  readonly option: (id: string) => string;
};

type Common<Schema extends KindSchema> = {
  readonly kind: Static<Schema>["kind"];
  readonly schema: Schema;
  readonly example: Static<Schema>;
  readonly problems: (reward: Static<Schema>, path: string, references: AmountReferences) => Problem[];
  /** What edits and new releases are refused for, though older ones go on: see `brokenRules`. Paths within the reward. */
  readonly rules: (reward: Static<Schema>) => Problem[];
  /** What it gives, without where or when: "Standard at a flat price". */
  readonly title: (reward: Static<Schema>, speech: Omit<RewardSpeech, "amount" | "first">) => Phrase;
  /** The same with its figures: "Standard for €4.90". */
  readonly words: (reward: Static<Schema>, speech: RewardSpeech) => Phrase;
  /** What texts call it: an amount, a percent, a gift, free delivery. Never empty where it is given. */
  readonly figure: (reward: Static<Schema>, write: RewardFigure) => string;
};

/** One kind of reward on the price of delivery options. */
export type DeliveryRewardDefinition<Schema extends KindSchema> = Common<Schema> & {
  /** When it takes its turn: another option's price, flat prices, percents, money off, allowances. */
  readonly turn: number;
  /** Whether it is given on all parts of a price, whatever the reward says. */
  readonly coversAll?: true;
  /** Delivery options it names besides those it is given on, with the key that names each. */
  readonly namesOptions?: (reward: Static<Schema>) => readonly { readonly key: string; readonly id: string }[];
  /** Undefined where an amount is missing. */
  readonly compile: (reward: Static<Schema>, context: AmountContext) => PriceChange | undefined;
};

/** One kind of reward on the order, for the shop to apply. */
export type OrderRewardDefinition<Schema extends KindSchema> = Common<Schema> & {
  /** Undefined where an amount is missing. */
  readonly compile: (reward: Static<Schema>, context: AmountContext) => CompiledOrderReward | undefined;
};

/** Makes the parts that both families share answer to rewards of any kind. */
function registered<Schema extends KindSchema>(definition: Common<Schema>) {
  const own = ownKind<Schema>(definition.kind, "reward");
  const { kind, schema, example } = definition;
  return {
    own,
    common: {
      kind,
      schema,
      example,
      problems: (reward: AnyReward, path: string, references: AmountReferences) =>
        definition.problems(own(reward), path, references),
      rules: (reward: AnyReward) => definition.rules(own(reward)),
      title: (reward: AnyReward, speech: Omit<RewardSpeech, "amount" | "first">) =>
        definition.title(own(reward), speech),
      words: (reward: AnyReward, speech: RewardSpeech) => definition.words(own(reward), speech),
      figure: (reward: AnyReward, write: RewardFigure) => definition.figure(own(reward), write),
    },
  };
}

/**
 * Makes a kind of reward on delivery ready for the registry.
 *
 * @example defineDeliveryReward({ kind: "free", schema, example, turn: 1, compile, problems, rules, title, words, figure })
 */
export function defineDeliveryReward<Schema extends KindSchema>(definition: DeliveryRewardDefinition<Schema>) {
  const { own, common } = registered(definition);
  return {
    ...common,
    turn: definition.turn,
    coversAll: definition.coversAll === true,
    namesOptions: (reward: AnyReward) => definition.namesOptions?.(own(reward)) ?? [],
    compile: (reward: AnyReward, context: AmountContext) => definition.compile(own(reward), context),
  };
}

/** Makes a kind of reward on the order ready for the registry. */
export function defineOrderReward<Schema extends KindSchema>(definition: OrderRewardDefinition<Schema>) {
  const { own, common } = registered(definition);
  return {
    ...common,
    compile: (reward: AnyReward, context: AmountContext) => definition.compile(own(reward), context),
  };
}

export type RegisteredDeliveryReward = Omit<ReturnType<typeof defineDeliveryReward>, "schema" | "example"> & {
  readonly schema: TSchema;
  readonly example: AnyReward;
};
export type RegisteredOrderReward = Omit<ReturnType<typeof defineOrderReward>, "schema" | "example"> & {
  readonly schema: TSchema;
  readonly example: AnyReward;
};
