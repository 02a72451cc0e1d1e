import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Charge } from "../charges/charge.ts";
import { runChecks } from "../checks/run-checks.ts";
import type { Condition } from "../conditions/condition.ts";
import type { DeliveryOption } from "../delivery/option.ts";
import { engineFor } from "../engine.ts";
import { offerSentence, wholeSentence } from "../explain/offer-sentence.ts";
import type { Offer, Step } from "../offers/offer.ts";
import { english } from "../phrases/speak.ts";
import type { Plan } from "../plan/plan.ts";
import { postcodePattern } from "../postcodes/postcode.ts";
import type { CartLine, QuoteRequest } from "../request/request.ts";
import type { Reward } from "../rewards/reward.ts";
import { compile } from "../tariff/compile.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { inEnglish } from "../tests/in-english.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { quote } from "./quote.ts";

const AROUND = { at: Date.UTC(2026, 10, 24), products: [], uses: {}, addresses: [] };

const EUR = (amount: string) => ({ byCurrency: { EUR: amount } });
const flat = (amount: string): Charge => ({ kind: "flat", amount: EUR(amount) });
const option = (id: string, charge: Charge, more: Partial<DeliveryOption> = {}): DeliveryOption => ({
  id,
  position: 1,
  name: { en: id },
  zones: ["z"],
  charge,
  ...more,
});
const VALUE: Offer["counts"] = { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } };
const offer = (id: string, step: Omit<Step, "id" | "position" | "wording">, more: Partial<Offer> = {}): Offer => ({
  id,
  position: 1,
  name: id,
  on: true,
  zones: ["z"],
  counts: VALUE,
  steps: [{ id: "step", position: 1, wording: {}, ...step }],
  ...more,
});
const always: Step["trigger"] = { kind: "nothing" };
const line: CartLine = { sku: "goods", quantity: 1, unitPrice: 1000 };
const request = (more: Partial<QuoteRequest> = {}): QuoteRequest => ({
  at: "2026-11-28T10:00:00Z",
  currency: "EUR",
  destination: { country: "PT", postcode: "3000-001" },
  cart: { lines: [line] },
  ...more,
});
const quoted = (plan: Pick<Plan, "options"> & Partial<Plan>, asked: Partial<QuoteRequest> = {}) =>
  quoteOf(compiledPlan(oneZonePlan(plan)), request(asked));
const pricesOf = (...args: Parameters<typeof quoted>) =>
  quoted(...args).options.map(({ price, reason }) => price ?? reason);

describe("small cases in which the answer was another", () => {
  it("another option's price is never more than what that option costs, own charges and handling included", () => {
    const own: CartLine = { ...line, delivery: { kind: "own-charge", amount: 200, per: "line" } };
    const options = [
      option("s", flat("4.90")),
      option("t", flat("9.90"), { position: 2, handling: { fixed: EUR("1") } }),
    ];
    const reward: Reward = { kind: "option-price", options: ["t"], of: "s" };
    const lines = { cart: { lines: [line, own] } };
    expect(pricesOf({ options, offers: [offer("f", { trigger: always, reward })] }, lines)).toEqual([690, 690]);
    const uncovered: Reward = { ...reward, covers: { handling: false, surcharges: false } };
    expect(pricesOf({ options, offers: [offer("f", { trigger: always, reward: uncovered })] }, lines)).toEqual([
      690, 690,
    ]);
  });

  it("a channel left out matches no channel", () => {
    const app: Condition = { kind: "channel", channels: ["app"] };
    const charge: Charge = {
      kind: "conditional",
      take: "first",
      entries: [
        { position: 1, when: app, charge: flat("2") },
        { position: 2, charge: flat("4") },
      ],
    };
    expect(pricesOf({ options: [option("s", charge)] })).toEqual([400]);
    expect(pricesOf({ options: [option("s", charge)] }, { channel: "app" })).toEqual([200]);
    expect(pricesOf({ options: [option("s", flat("3"), { when: { kind: "not", of: app } })] })).toEqual([300]);
  });

  it("the lowest of several charges needs all of them told, but not those that are not offered", () => {
    const byWeight: Charge = {
      kind: "bands",
      by: { kind: "weight" },
      first: EUR("1"),
      edges: [{ edge: "above", at: { weight: { value: "1", unit: "kg" } }, price: "not-offered" }],
    };
    const lowest = (...charges: Charge[]): Charge => ({
      kind: "conditional",
      take: "lowest",
      entries: charges.map((charge, position) => ({ position, charge })),
    });
    const weighing = (value: string) => ({ cart: { lines: [{ ...line, weight: { value, unit: "kg" as const } }] } });
    const options = [option("s", lowest(flat("4"), byWeight))];
    expect(pricesOf({ options })).toEqual(["weight-unknown"]);
    expect(pricesOf({ options }, weighing("0.5"))).toEqual([100]);
    expect(pricesOf({ options }, weighing("5"))).toEqual([400]);
    const dollars: Charge = { kind: "flat", amount: { byCurrency: { USD: "1" } } };
    expect(pricesOf({ options: [option("s", lowest(flat("4"), dollars))] })).toEqual(["no-amount"]);
  });

  it("the share of some goods is not known while a carrier has yet to say what the rest costs to an address", () => {
    const charge: Charge = { kind: "carrier", carrier: "road", service: "parcel", fallback: flat("4") };
    const reward: Reward = { kind: "money-off", options: ["s"], amount: EUR("5"), goods: { categories: ["paper"] } };
    const plan = { options: [option("s", charge)], offers: [offer("f", { trigger: always, reward })] };
    const grams = (value: string) => ({ value, unit: "g" as const });
    const paper: CartLine = { ...line, categories: ["paper"], weight: grams("1000") };
    const asked: Partial<QuoteRequest> = {
      cart: { lines: [paper, { ...line, weight: grams("500") }] },
      carriers: [{ carrier: "road", service: "parcel", weight: 1_500_000, price: 600 }],
    };
    expect(pricesOf(plan, asked)).toEqual([400]);
    // It may turn out to be all of the price: what is said is the least there could be.
    const somewhere = quoted(plan, { ...asked, destination: { country: "PT" } });
    expect(somewhere.options.map(({ price, from }) => [price, from])).toEqual([[100, true]]);
  });

  it("a reward up to a limit compares it with the price as stated", () => {
    const limited = (limit: string): Reward => ({ kind: "free", options: ["s"], limit: EUR(limit) });
    const priced = (charge: string, limit: string) =>
      pricesOf({
        options: [option("s", flat(charge), { handling: { percentOfCharge: "0.1" } })],
        offers: [offer("f", { trigger: always, reward: limited(limit) })],
      });
    // 3.003 is stated as 3.00; 5.005 as 5.01, half away from zero.
    expect([priced("3.00", "3.00"), priced("3.00", "2.99"), priced("5.00", "5.00")]).toEqual([[0], [300], [501]]);
  });

  it("nothing is promised that the shopper has already, though another offer's gift comes along", () => {
    const free: Reward = { kind: "free", options: ["s"] };
    const gift: Reward = { kind: "gift", sku: "bookmark", quantity: 1 };
    const goal: Step["trigger"] = { kind: "goal", goal: { at: EUR("20"), edge: "from" } };
    const any = { stacking: { kind: "any" as const } };
    const here = quoted({
      options: [option("s", flat("4.90"))],
      offers: [
        offer("a", { trigger: always, reward: free }),
        offer("b", { trigger: goal, reward: free }, { ...any, position: 2 }),
        offer("c", { trigger: always, reward: gift }, { ...any, position: 3 }),
      ],
    });
    expect(here.options.map(({ price }) => price)).toEqual([0]);
    expect(here.progress.map(({ offer: id, state, remaining }) => [id, state, remaining])).toEqual([
      ["b", "covered", null],
    ]);
  });

  it("a leap second is the second before it", () => {
    const offers = [
      offer(
        "f",
        { trigger: always, reward: { kind: "free", options: ["s"] } },
        { schedule: [{ until: "2016-12-31" }] },
      ),
    ];
    const plan = { options: [option("s", flat("4.90"))], offers };
    expect(pricesOf(plan, { at: "2016-12-31T23:59:60Z" })).toEqual([0]);
    expect(pricesOf(plan, { at: "2017-01-01T00:00:00Z" })).toEqual([490]);
  });

  it("postcodes are read in full-width digits and with their country in front", () => {
    const zones = (country: string, postcodes: string[]): Plan["zones"] => [
      { id: "wide", position: 1, market: "m", name: "W", destinations: [{ country }], standardTaxRate: "10" },
      { id: "z", position: 2, market: "m", name: "Z", destinations: [{ country, postcodes }], standardTaxRate: "10" },
    ];
    const zoneOf = (country: string, patterns: string[], postcode: string) =>
      quoted(
        { options: [option("s", flat("4.90"))], zones: zones(country, patterns) },
        {
          destination: { country, postcode },
        },
      ).zone;
    expect(zoneOf("JP", ["900..907"], "９００－０００１")).toBe("z");
    for (const typed of ["D-10115", "DE-10115", "de 10115", "１０１１５"])
      expect(zoneOf("DE", ["10*"], typed)).toBe("z");
    expect(zoneOf("PT", ["9000..9399"], "PT-9000-123")).toBe("z");
    expect(zoneOf("PT", ["PT-9*"], "9000-123")).toBe("z");
    expect(zoneOf("GB", ["SW1A 1AA"], "GB-SW1A 1AA")).toBe("z");
    expect(zoneOf("LV", ["1010"], "LV-1010")).toBe("z");
  });

  it("saved conditions are asked once, however often they are named", () => {
    // Twice in each of forty: taken apart there would be a million million.
    const conditions: NonNullable<Plan["conditions"]> = Array.from({ length: 40 }, (_, i) => ({
      id: `c${i}`,
      name: "C",
      when:
        i === 0
          ? { kind: "business" }
          : { kind: "any", of: [`c${i - 1}`, `c${i - 1}`].map((id): Condition => ({ kind: "saved", id })) },
    }));
    const options = [option("s", flat("4.90"), { when: { kind: "saved", id: "c39" } })];
    expect(pricesOf({ options, conditions })).toEqual(["condition"]);
    expect(pricesOf({ options, conditions }, { shopper: { business: true } })).toEqual([490]);
    const result = quote(compiledPlan(oneZonePlan({ options, conditions })), request(), { why: true });
    expect(JSON.stringify(result).length).toBeLessThan(20_000);
    const found = [...runChecks(compiledPlan(oneZonePlan({ options, conditions })), AROUND)].flatMap(
      (one) => one.findings,
    );
    expect(found.map(({ code }) => code)).toContain("breaks-a-rule");
  });

  it("figures beyond what can be counted are refused with their place", () => {
    const heavy: CartLine = {
      ...line,
      quantity: 100_000,
      delivery: { kind: "own-charge", amount: 1e11, per: "piece" },
    };
    const refused = (cart: QuoteRequest["cart"]) => {
      const result = quote(compiledPlan(oneZonePlan({ options: [option("s", flat("4.90"))] })), request({ cart }));
      return "problems" in result ? result.problems.map(({ path }) => path) : [];
    };
    expect(refused({ lines: [heavy] })).toContain("/options/0/price");
    const weight = { value: "99999999999", unit: "kg" } as const;
    expect(refused({ lines: [{ ...line, weight }] })).toEqual(["/cart/lines/0/weight"]);
  });

  it("conditions too deep to be read are a problem, of whatever depth", () => {
    for (const depth of [70, 100, 100_000]) {
      const when = Array.from({ length: depth }).reduce<Condition>((of) => ({ kind: "not", of }), { kind: "business" });
      const plan = oneZonePlan({ options: [option("s", flat("4.90"), { when })] });
      for (const problems of [compile(plan), engineFor(plan)])
        expect(JSON.stringify(inEnglish(problems))).toContain("lies in more than 64 others");
    }
  });

  it("an offer goes together with others only where both sides allow it, and says so only then", () => {
    const free: Reward = { kind: "free", options: ["s"] };
    const sentence = (other: Partial<Offer>) => {
      const offers = [
        offer("a", { trigger: always, reward: free }, { stacking: { kind: "any" } }),
        offer("b", { trigger: always, reward: free }, { position: 2, ...other }),
      ];
      const plan = oneZonePlan({ options: [option("s", flat("4.90"))], offers });
      return english(wholeSentence(offers[0] ? offerSentence(plan, offers[0], "m", "EUR") : []));
    };
    expect(sentence({ stacking: { kind: "any" } })).toContain("together with b");
    expect(sentence({ stacking: { kind: "with", offers: ["a"] } })).toContain("together with b");
    expect(sentence({})).not.toContain("together");
    expect(sentence({ stacking: { kind: "any" }, schedule: [{ until: "2020-01-01" }] })).toContain("together with b");
  });

  it("wildcards match as an expression does, and take no time however many there are", () => {
    const part = fc.constantFrom("9", "A", "1", "?", "*");
    fc.assert(
      fc.property(fc.array(part, { maxLength: 6 }), fc.stringMatching(/^[A19]{0,8}$/), (parts, code) => {
        const text = `9${parts.join("")}*`;
        const expected = new RegExp(`^${text.replaceAll("?", "[A-Z0-9]").replaceAll("*", "[A-Z0-9]*")}$`).test(code);
        expect(postcodePattern("ZZ", text)?.matches(code)).toBe(expected);
      }),
      { numRuns: 2000 },
    );
    const stars = `A${"*?".repeat(15)}Z`;
    for (let i = 0; i < 10_000; i += 1) expect(postcodePattern("ZZ", stars)?.matches("A".repeat(16))).toBe(false);
  });
});
