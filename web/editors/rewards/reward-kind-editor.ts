import type { FunctionComponent } from "react";
import type { Phrase } from "../../../core/phrases/phrase.ts";
import type { Reward } from "../../../core/rewards/reward.ts";

export type RewardOf<Kind extends Reward["kind"]> = Extract<Reward, { kind: Kind }>;

/** Takes a reward as it shall be: kept when `done`, else only shown. */
export type OnReward<One extends Reward = Reward> = (reward: One, done: boolean) => void;

export type RewardFieldsProps<One extends Reward> = { reward: One; onReward: OnReward<One> };

/** How one kind of reward is edited. */
export type RewardKindEditor<Kind extends Reward["kind"]> = {
  readonly words: Phrase;
  /** A reward of this kind in the place of another: it keeps what it can. @param options that it could be given on */
  readonly instead: (former: Reward, options: readonly string[]) => RewardOf<Kind>;
  /** What stands beside its kind. */
  readonly Fields?: FunctionComponent<RewardFieldsProps<RewardOf<Kind>>>;
};
