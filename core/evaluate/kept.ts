import type { Horizon } from "../money/linear-amount.ts";
import type { Truth } from "../situation/truth.ts";
import type { Earned } from "../tariff/earnable.ts";

type Stretch<T> = { readonly from: number; readonly to: number; readonly answer: T };

/** Answers about a cart as goods are added, by number, each with the stretch of units over which it stands. */
export class Kept<T> {
  private readonly stretches: (Stretch<T> | undefined)[] = [];

  /** The answer after so many units, where it is known; tells the horizon how long it stands. */
  known(number: number, units: number, horizon: Horizon): T | undefined {
    const stretch = this.stretches[number];
    if (!stretch || units < stretch.from || units > stretch.to) return undefined;
    horizon.limit(stretch.to - units);
    return stretch.answer;
  }

  keep(number: number, answer: T, from: number, to: number): void {
    this.stretches[number] = { from, to, answer };
  }
}

/** What is kept of a cart that grows, by number. It holds for one cart and one shopper: whoever changes either begins anew. */
export class KeptAnswers {
  /** Whether offers hold. */
  readonly holds = new Kept<Truth>();
  /** Whether steps are reached. */
  readonly reached = new Kept<boolean>();
  /** What has been earned of offers for one option; null: nothing. */
  readonly earned = new Kept<Earned | null>();
}
