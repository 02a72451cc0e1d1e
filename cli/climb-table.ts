import { type Climb, priceAt } from "../core/climb/interval.ts";
import { measured } from "../core/measures/measure-spec.ts";
import { makersMoney } from "../core/money/format.ts";
import { textTable } from "./text-table.ts";

/** A climb as a table of text: a row for each stretch, with the prices and what remains at its start. */
export function climbTable(climb: Climb): string {
  const money = (minor: number) => makersMoney(minor, climb.currency);
  const short = (count: number, measure: Climb["steps"][number]["measure"] | undefined) =>
    measured(measure ?? "value", count, climb.currency, "en");
  const header = ["cart from", "to", ...climb.options, ...climb.steps.map(({ offer, step }) => `${offer}/${step}`)];
  const rows = climb.intervals.map((interval) => [
    money(interval.from),
    money(interval.to),
    ...interval.prices.map((_, option) => {
      const [first, last] = [priceAt(interval, option, interval.from), priceAt(interval, option, interval.to)];
      if (typeof first === "string" || typeof last === "string") return String(first);
      return first === last ? money(first) : `${money(first)} to ${money(last)}`;
    }),
    ...interval.steps.map(({ state, remaining }, i) =>
      remaining ? `${state}, ${short(remaining.start, climb.steps[i]?.measure)} short` : state,
    ),
  ]);
  return textTable([header, ...rows]);
}
