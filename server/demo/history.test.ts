import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { exponentOf } from "../../core/money/currency.ts";
import { minorUnits } from "../../core/money/decimal.ts";
import { quote } from "../../core/quote/quote.ts";
import { compile } from "../../core/tariff/compile.ts";
import { checkPlan } from "../../core/validation/documents.ts";
import type { CatalogueProduct } from "../catalogue/catalogue.ts";
import { checkOrderIn } from "../orders/check-order.ts";
import { checkCatalogue } from "../validation/documents.ts";
import { demoHistory } from "./history.ts";

const read = checkPlan(JSON.parse(readFileSync("demo/plan.json", "utf8")));
const sold = checkCatalogue(JSON.parse(readFileSync("demo/catalogue.json", "utf8")));
if ("problems" in read || "problems" in sold) throw new Error("the demo cannot be read");
const { value: plan } = read;
const minor = (amounts: Readonly<Record<string, string>>) =>
  Object.fromEntries(
    Object.entries(amounts).map(([code, text]) => {
      const amount = minorUnits(text, exponentOf(code) ?? 2);
      return [code, "minor" in amount ? amount.minor : 0];
    }),
  );
const products = sold.value.map(
  ({ prices, categories = [], tags = [], delivery, ...rest }): CatalogueProduct => ({
    ...rest,
    ...{ prices: minor(prices), categories, tags },
    ...(delivery && "amounts" in delivery
      ? { delivery: { ...delivery, amounts: minor(delivery.amounts) } }
      : delivery
        ? { delivery }
        : {}),
  }),
);

describe("the demo's history", () => {
  const orders = [...demoHistory(plan, products, 2000)];

  it("is the same every time, of sound orders over fourteen months and all markets", () => {
    expect([...demoHistory(plan, products, 2000)]).toEqual(orders);
    expect(Math.abs(orders.length - 2000)).toBeLessThan(100);
    expect(orders.flatMap((order) => ("problems" in checkOrderIn(order) ? [order.order] : []))).toEqual([]);
    const days = orders.map(({ request }) => request.at.slice(0, 10)).sort();
    expect([days[0], days.at(-1)]).toEqual(["2025-09-24", "2026-11-23"]);
    expect(new Set(orders.map(({ request }) => request.currency))).toEqual(
      new Set(["EUR", "GBP", "USD", "JPY", "KWD"]),
    );
    expect(orders.some(({ cancelled }) => cancelled)).toBe(true);
  });

  it("charges what the plan of its time says, but for a few that somebody changed by hand", () => {
    const result = compile(plan);
    if ("problems" in result) throw new Error("the demo does not compile");
    const since = orders.filter(({ request }) => request.at >= "2026-08-01");
    const other = since.filter(({ request, option, charged }) => {
      const answer = quote(result.compiled, request, { text: false });
      return !("quote" in answer) || answer.quote.options.find(({ id }) => id === option)?.price !== charged;
    });
    expect(since.length).toBeGreaterThan(400);
    expect(other.length / since.length).toBeLessThan(0.03);
  });
});
