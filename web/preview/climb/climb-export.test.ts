import { readFileSync } from "node:fs";
import { parse } from "csv-parse/sync";
import { describe, expect, it } from "vitest";
import { cartAt } from "../../../core/climb/cart-at.ts";
import { climb } from "../../../core/climb/climb.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { minorUnits } from "../../../core/money/decimal.ts";
import { quote } from "../../../core/quote/quote.ts";
import { compile } from "../../../core/tariff/compile.ts";
import { checkPlan, checkQuoteRequest } from "../../../core/validation/documents.ts";
import demo from "../../../demo/plan.json" with { type: "json" };
import { climbCsv } from "./climb-export.ts";
import { messageStretches } from "./message-strip.ts";

const plan = checkPlan(demo);
if ("problems" in plan) throw new Error("the demo plan is broken");
const result = compile(plan.value);
if ("problems" in result) throw new Error("the demo plan does not compile");
const { compiled } = result;

describe("the climb as CSV", () => {
  // csv-parse reads it back by RFC 4180.
  it.each(["below-goal", "kuwait"])("has in each row what a cart of that value is charged: %s", (name) => {
    const url = new URL(`../../../demo/requests/${name}.json`, import.meta.url);
    const request = checkQuoteRequest(JSON.parse(readFileSync(url, "utf8")));
    if ("problems" in request) throw new Error("the request is broken");
    const drawn = climb(compiled, request.value, 60_000);
    if (!("climb" in drawn) || !drawn.climb) throw new Error("nobody delivers there");
    const names = drawn.climb.options.map((id) => `${id}, "as drawn"`);
    const stretches = messageStretches(drawn.climb, plan.value, "en", ["en"]);
    // Every value of a cart is in one stretch, and the stretches are in order.
    expect(stretches.map(({ from }) => from)).toEqual([0, ...stretches.slice(0, -1).map(({ to }) => to + 1)]);

    const rows: Record<string, string>[] = parse(climbCsv(drawn.climb, names, stretches), { columns: true });
    expect(rows).toHaveLength(drawn.climb.intervals.length);
    const { currency } = request.value;
    const minor = (text = "") => {
      const read = minorUnits(text, exponentOf(currency) ?? 2);
      return "minor" in read ? read.minor : text;
    };
    for (const row of rows) {
      for (const end of ["from", "to"]) {
        const value = minor(row[`${end} ${currency}`]);
        if (typeof value !== "number") throw new Error(`no value in ${JSON.stringify(row)}`);
        // An empty cart is charged nothing at all, whatever the climb begins with.
        if (value === 0) continue;
        const answer = quote(compiled, { ...request.value, cart: cartAt(request.value.cart, value) });
        if (!("quote" in answer)) throw new Error("no quote");
        for (const [i, id] of drawn.climb.options.entries()) {
          const charged = answer.quote.options.find((option) => option.id === id)?.price;
          const written = minor(row[`${names[i]} at ${end}`]);
          if (typeof written === "number") expect(written, `${id} at ${value}`).toBe(charged);
          else expect(charged ?? null, `${id} at ${value}`).toBeNull();
        }
      }
    }
  });
});
