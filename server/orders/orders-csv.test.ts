import * as fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import { isPriceable, type PastOrder } from "../../core/evidence/past-order.ts";
import { majorIn } from "../../core/money/decimal.ts";
import { harmless } from "../../core/schema/formula-cells.ts";
import "../../core/tests/seed.ts";
import { inEnglish } from "../../core/tests/in-english.ts";
import { checkOrderIn } from "./check-order.ts";
import { type Layout, layoutOf, orderFromRows, orderOfRow, type Row } from "./orders-csv.ts";

const HEADER = [
  ..."order,at,currency,country,postcode,channel,shopper,groups,buyer,option,delivery,delivery_cost,order_discount".split(
    ",",
  ),
  ..."codes,cancelled,sku,quantity,unit_price,line_discount,categories,weight,weight_unit".split(","),
];

const name = fc
  .stringMatching(/^[A-Za-z=+@'"][\w ,;"'=+-]{0,12}[A-Za-z0-9]$/)
  .filter((text) => !text.includes(";") && text.trim() === text);
const amount = fc.integer({ min: 0, max: 900_000 });
const optional = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
const given = (parts: Readonly<Record<string, unknown>>) =>
  Object.fromEntries(Object.entries(parts).filter(([, value]) => value !== undefined));

const line = fc
  .record({
    sku: name,
    quantity: fc.integer({ min: 1, max: 40 }),
    unitPrice: amount,
    discount: optional(fc.integer({ min: 0, max: 50 })),
    categories: optional(fc.uniqueArray(name, { minLength: 1, maxLength: 3 })),
    weight: optional(fc.record({ value: fc.constantFrom("250", "1.5"), unit: fc.constantFrom("g", "kg") })),
  })
  .map(given);

const order = fc
  .record({
    number: name,
    currency: fc.constantFrom("EUR", "JPY", "KWD"),
    lines: fc.array(line, { minLength: 1, maxLength: 4 }),
    charged: amount,
    cost: optional(amount),
    buyer: optional(fc.constantFrom("new", "returning")),
    cancelled: optional(fc.constant(true)),
    channel: optional(name),
    shopper: optional(name),
    groups: optional(fc.uniqueArray(name, { minLength: 1, maxLength: 2 })),
    codes: optional(fc.uniqueArray(name, { minLength: 1, maxLength: 2 })),
    off: optional(fc.integer({ min: 1, max: 99 })),
  })
  .map(({ number, currency, lines, charged, cost, buyer, cancelled, channel, shopper, groups, codes, off }) => {
    const who = given({ id: shopper, groups });
    return {
      ...given({ order: number, charged, cost, buyer, cancelled, option: "standard" }),
      request: {
        at: "2026-11-02T10:00:00+01:00",
        currency,
        ...given({ channel }),
        destination: { country: "PT", postcode: "3000-001" },
        ...(Object.keys(who).length > 0 ? { shopper: who } : {}),
        cart: { lines, ...given({ codes, discounts: off === undefined ? undefined : [{ amount: off }] }) },
      },
    };
  });

/** An order as a shop's export would write it: what is of the whole order in the first row alone, or in each. */
function rowsOf(one: PastOrder, repeats: boolean): string[][] {
  const { request, order: number, charged, cost, buyer, cancelled, option } = one;
  const { cart, currency, shopper, channel, destination } = request;
  const major = (minor: number | undefined) => (minor === undefined ? "" : majorIn(minor, currency));
  const [off] = cart.discounts ?? [];
  const whole = [
    ...[request.at, currency, destination.country ?? "", destination.postcode ?? "", channel ?? "", shopper?.id ?? ""],
    ...[(shopper?.groups ?? []).join(";"), buyer ?? "", option, major(charged), major(cost)],
    ...[major(off && "amount" in off ? off.amount : undefined), (cart.codes ?? []).join(";"), cancelled ? "yes" : ""],
  ];
  return cart.lines.map(({ sku, quantity, unitPrice, discount, categories, weight }, i) =>
    [
      ...[number, ...(i === 0 || repeats ? whole : whole.map(() => ""))],
      ...[sku, String(quantity), major(unitPrice), major(discount), (categories ?? []).join(";")],
      ...[weight?.value ?? "", weight?.unit ?? ""],
    ].map((cell) => String(harmless(cell))),
  );
}

function layout(): Layout {
  const found = layoutOf(HEADER);
  if ("faults" in found) throw new Error(JSON.stringify(found.faults));
  return found.layout;
}

describe("orders in a file", () => {
  it("come back as they were, whatever is in their names, through a spreadsheet's own CSV", () => {
    fc.assert(
      fc.property(order, fc.boolean(), (made, repeats) => {
        const checked = checkOrderIn(made);
        if ("problems" in checked || !isPriceable(checked.value)) throw new Error(JSON.stringify(checked));
        const one = checked.value;
        const text = Papa.unparse(rowsOf(one, repeats));
        const rows = Papa.parse<string[]>(text).data.map((cells, i): Row => ({ row: i + 2, cells }));
        for (const row of rows) expect(orderOfRow(layout(), row)).toEqual({ order: one.order, fault: null });
        expect(orderFromRows(layout(), rows)).toEqual({ order: one });
      }),
      { numRuns: 200 },
    );
  });

  it("whose cells are rubbish are refused with the cell, and never read as something else", () => {
    const [first] = rowsOf(SOUND, true);
    if (!first) throw new Error("it has a line");
    const told = (column: string, cell: string) => {
      const cells = first.map((known, i) => (HEADER[i] === column ? cell : known));
      const read = orderFromRows(layout(), [{ row: 2, cells }]);
      return "faults" in read
        ? read.faults.map((fault) => [HEADER[(fault.column ?? 0) - 1], inEnglish(fault.message)])
        : read;
    };
    expect(told("currency", "XYZ")).toEqual([["currency", "XYZ is not an active ISO 4217 currency"]]);
    expect(told("delivery", "")).toEqual([["delivery", "is missing"]]);
    expect(told("delivery", "-1.00")).toEqual([["delivery", '"-1.00" is no amount in EUR']]);
    expect(told("unit_price", "1e3")).toEqual([["unit_price", '"1e3" is no amount in EUR']]);
    expect(told("quantity", "1.5")).toEqual([["quantity", '"1.5" is no whole number']]);
    expect(told("quantity", "0")).toEqual([["quantity", "must be >= 1"]]);
    expect(told("buyer", "old")).toEqual([["buyer", '"old" is neither new nor returning']]);
    expect(told("cancelled", "perhaps")).toEqual([["cancelled", '"perhaps" is neither yes nor no']]);
    expect(told("at", "yesterday")).toEqual([["at", expect.stringContaining("date-time")]]);
    expect(told("at", "")).toEqual([["at", "is missing"]]);
    expect(told("option", "Standard delivery")).toEqual([["option", expect.stringContaining("must")]]);
  });
});

const SOUND: PastOrder = {
  ...{ order: "o-1", charged: 490, option: "standard" },
  request: {
    ...{ at: "2026-11-02T10:00:00Z", currency: "EUR", destination: { country: "PT", postcode: "3000-001" } },
    cart: { lines: [{ sku: "ink", quantity: 1, unitPrice: 980 }] },
  },
};
