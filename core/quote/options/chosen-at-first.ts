import type { Promised } from "../../delivery/promise.ts";
import type { PricedOption } from "../../evaluate/evaluation.ts";
import { rounded } from "../../money/linear-amount.ts";
import type { Tariff } from "../../tariff/tariff.ts";

/** The number of the option chosen for the shopper at first, or undefined when none has a price. */
export function chosenAtFirst(
  tariff: Tariff,
  priced: readonly PricedOption[],
  promises: readonly (Promised | null)[],
): number | undefined {
  const available: { number: number; price: number; earned: boolean }[] = [];
  const { chosenAtFirst: rule, choosesEarned } = tariff.store;
  priced.forEach((option, number) => {
    const { price } = option;
    if (typeof price === "string") return;
    available.push({ number, price: rounded(price), earned: choosesEarned === true && option.used.length > 0 });
  });
  const earned = choosesEarned ? available.filter((option) => option.earned) : [];
  const among = earned.length > 0 ? earned : available;
  const cheapest = () => among.reduce((least, one) => (one.price < least.price ? one : least), among[0] ?? NONE).number;
  switch (rule.rule) {
    case "first":
      return among[0]?.number;
    case "cheapest":
      return cheapest();
    case "fastest-under": {
      const limit = tariff.fastestUnder ?? -1;
      const fast = among.flatMap(({ number, price }) => {
        const promise = promises[number];
        return promise && price <= limit ? [{ number, latest: promise.latest, price }] : [];
      });
      fast.sort((a, b) => compareText(a.latest, b.latest) || a.price - b.price || a.number - b.number);
      return fast[0]?.number ?? cheapest();
    }
  }
}

const NONE = { number: undefined, price: Number.POSITIVE_INFINITY };

const compareText = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
