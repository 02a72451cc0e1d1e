import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { checkPlan, checkQuoteRequest } from "../validation/documents.ts";

/** An example as docs/semantics.md writes it, before it is checked as a plan and a request. */
type Example = {
  options: Record<string, object>;
  locations?: Record<string, object>;
  offers?: Record<string, { steps: Record<string, Rung> }>;
  lines?: object[];
  request?: object;
  prices?: Record<string, number | string>;
  from?: Record<string, number>;
  used?: Record<string, string[]>;
  progress?: Record<string, object>;
  messages?: string[];
  zone?: string | null;
  addressNote?: string;
};
type Rung = { goal?: unknown; edge?: string; trigger?: object; wording?: object };

const BASIS = { lineDiscounts: "in", orderDiscounts: "in", tax: "with" };
const page = readFileSync(new URL("../../docs/semantics.md", import.meta.url), "utf8");

/** "€4.90" as the plan format writes it. */
const inFull = (_: string, value: unknown): unknown =>
  typeof value === "string" && /^€[\d.]+$/.test(value) ? { byCurrency: { EUR: value.slice(1) } } : value;

const examples = [...page.matchAll(/^## (.+)\n([\s\S]*?)(?=^## |$(?![\s\S]))/gm)].flatMap(([, rule = "", text = ""]) =>
  [...text.matchAll(/```json\n([\s\S]*?)```/g)].map(([, json = ""], i): [string, Example] => [
    `${rule} (${i + 1})`,
    JSON.parse(json, inFull),
  ]),
);

function planOf({ options, locations = {}, offers = {} }: Example) {
  const listed = (entries: Record<string, object>, more: object) =>
    Object.entries(entries).map(([id, entry], position) => ({ id, position, ...more, ...entry }));
  const steps = (rungs: Record<string, Rung>) =>
    listed(rungs, { wording: {} }).map(({ goal, edge = "from", ...rest }: Rung & { id: string }) => ({
      trigger: goal === undefined ? { kind: "nothing" } : { kind: "goal", goal: { at: goal, edge } },
      ...rest,
    }));
  const checked = checkPlan({
    ...oneZonePlan({ options: [] }),
    locations: listed(locations, { country: "PT", timeZone: "Europe/Lisbon" }).map((one) => ({
      name: { en: one.id },
      ...one,
    })),
    options: listed(options, { zones: ["z"] }).map((option) => ({ name: { en: option.id }, ...option })),
    offers: listed(offers, { on: true, zones: ["z"], counts: { kind: "value", basis: BASIS } }).map((offer) => ({
      name: offer.id,
      ...offer,
      steps: steps(offers[offer.id]?.steps ?? {}),
    })),
  });
  if ("problems" in checked) throw new Error(JSON.stringify(checked.problems));
  return checked.value;
}

function requestOf({ lines = [{}], request = {} }: Example) {
  const checked = checkQuoteRequest({
    at: "2026-11-28T10:00:00Z",
    currency: "EUR",
    locale: "en",
    destination: { country: "PT", postcode: "3000-001" },
    cart: { lines: lines.map((line) => ({ sku: "goods", quantity: 1, unitPrice: 1000, ...line })) },
    ...request,
  });
  if ("problems" in checked) throw new Error(JSON.stringify(checked.problems));
  return checked.value;
}

describe("the rules of docs/semantics.md", () => {
  it("each have an example", () => {
    const rules = [...page.matchAll(/^## /gm)].length;
    expect(new Set(examples.map(([name]) => name.replace(/ \(\d+\)$/, ""))).size).toBe(rules);
    expect(rules).toBeGreaterThan(12);
  });

  it.each(examples)("%s", (_, example) => {
    const quote = quoteOf(compiledPlan(planOf(example)), requestOf(example));
    const by = <T>(read: (option: (typeof quote.options)[number]) => T) =>
      Object.fromEntries(quote.options.map((option) => [option.id, read(option)]));
    const { prices, from, used, progress = {}, messages, zone, addressNote } = example;
    if (prices) expect(by(({ price, reason }) => price ?? reason)).toEqual(prices);
    if (prices) expect(quote.options.some((option) => option.from)).toBe(false);
    if (from) expect(by(({ price, from: isFrom }) => (isFrom ? price : "settled"))).toEqual(from);
    if (used) expect(by(({ offers }) => offers)).toEqual(used);
    for (const [key, expected] of Object.entries(progress))
      expect(quote.progress.find(({ offer, step }) => `${offer}/${step}` === key)).toMatchObject(expected);
    if (messages) {
      const cart = quote.messages.filter(({ surface }) => surface === "cart");
      expect(cart.map(({ text }) => text)).toEqual(messages);
    }
    if (zone !== undefined) expect(quote.zone).toBe(zone);
    expect(quote.addressNote).toBe(addressNote);
  });
});
