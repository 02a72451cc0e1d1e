import { readdirSync, readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Progress, Quote, QuotedMessage, QuotedOption } from "../../core/quote/answer/quote.ts";
import { quote } from "../../core/quote/quote.ts";
import { compile } from "../../core/tariff/compile.ts";
import { checkPlan } from "../../core/validation/documents.ts";
import { octetsOf } from "./quote-octets.ts";

/** What whoever asked reads, octet by octet. */
function sent(answer: Quote): string {
  const octets = octetsOf(answer);
  const bytes = Buffer.from(octets, "latin1");
  expect(bytes.byteLength, "the length that is told before").toBe(octets.length);
  return new TextDecoder("utf-8", { fatal: true, ignoreBOM: true }).decode(bytes);
}

// What JSON escapes, what UTF-8 writes with two to four octets, and what is no whole character.
const text = fc.oneof(
  fc.string({ unit: "binary", maxLength: 20 }),
  fc.string({ unit: "grapheme", maxLength: 400 }),
  fc.array(fc.integer({ min: 0, max: 0xffff }), { maxLength: 8 }).map((units) => String.fromCharCode(...units)),
  fc.constantFrom("", '"', "\\", "\u007f", "\u2028", "€", "\u{1d11e}", "\ud800", "</script>"),
);
const minor = fc.oneof(fc.nat(1_000_000), fc.constantFrom(0, Number.MAX_SAFE_INTEGER));
const orNull = <T>(one: fc.Arbitrary<T>) => fc.option(one, { nil: null });

/** Every key of a type: with one more in it, this does not compile until that one is drawn too. */
type Drawn<T> = { [K in keyof Required<T>]: fc.Arbitrary<Exclude<T[K], undefined>> };

const option: Drawn<QuotedOption> = {
  id: text,
  name: text,
  available: fc.boolean(),
  shown: fc.boolean(),
  way: fc.constantFrom("shipped", "local", "collected"),
  price: orNull(minor),
  fullPrice: orNull(minor),
  total: orNull(minor),
  tax: orNull(minor),
  offers: fc.array(text, { maxLength: 3 }),
  grants: fc.array(
    fc.record({ offer: text, step: text, kind: fc.constant("gift" as const), sku: text, quantity: minor }),
    { maxLength: 2 },
  ),
  chosen: fc.boolean(),
  certain: fc.boolean(),
  from: fc.boolean(),
  note: text,
  noteRuns: fc.array(fc.record({ text, bold: fc.constant(true as const), link: text }, { requiredKeys: ["text"] }), {
    maxLength: 2,
  }),
  picture: fc.record({ source: text, width: minor, height: minor, alt: text }),
  code: text,
  location: text,
  pickup: fc.record({ address: text, instructions: text }, { requiredKeys: ["address"] }),
  promise: fc.record({ earliest: text, latest: text, readyAt: text }, { requiredKeys: ["earliest", "latest"] }),
  asks: fc.subarray<"phone" | "entry-code" | "delivery-window">(["phone", "entry-code", "delivery-window"]),
  reason: fc.constantFrom("condition", "weight-unknown"),
  windows: fc.array(
    fc.record(
      { slot: text, day: text, from: text, until: text, left: minor },
      { requiredKeys: ["slot", "day", "from", "until"] },
    ),
    { maxLength: 3 },
  ),
  picked: fc.record({ slot: text, day: text, open: fc.boolean() }),
};
const ALWAYS = [
  ...(["id", "name", "available", "shown", "way", "price", "fullPrice", "total", "tax"] as const),
  ...(["offers", "grants", "chosen", "certain", "from"] as const),
];
const NOT_TO_BE_HAD = { price: null, fullPrice: null, total: null, tax: null };
/** What an option does not have is not there, or is undefined. */
const UNDEFINED: Partial<Record<keyof QuotedOption, undefined>> = Object.fromEntries(
  Object.keys(option).map((key) => [key, undefined]),
);
const anyOption = fc
  .tuple(fc.record(option, { requiredKeys: ALWAYS }), fc.boolean())
  .map(([one, isWhole]) => (isWhole ? { ...UNDEFINED, ...one } : one))
  // As the type says of it: a price where it can be had, and then it is shown.
  .map((one) => (one.available ? { ...one, shown: true } : { ...one, ...NOT_TO_BE_HAD }));

const progress: Drawn<Progress> = {
  offer: text,
  step: text,
  measure: fc.constantFrom("value", "items", "weight"),
  goal: minor,
  counted: orNull(minor),
  percent: fc.nat(100),
  reached: fc.boolean(),
  state: fc.constantFrom("on-the-way", "covered"),
  remaining: orNull(minor),
  remainingSaid: orNull(minor),
};
// Often the same as the one before, or the same but for one thing.
const message: Drawn<QuotedMessage> = {
  surface: fc.constantFrom("banner", "cart"),
  offer: fc.oneof(fc.constantFrom("a", "b"), text),
  step: fc.constantFrom("a", "b"),
  state: fc.constantFrom("on-the-way", "covered"),
  text: fc.oneof(fc.constantFrom("a", "b"), text),
};
const answer: Drawn<Omit<Quote, "why">> = {
  market: orNull(text),
  zone: orNull(text),
  zonesPossible: fc.array(text, { maxLength: 3 }),
  orNowhere: fc.boolean(),
  addressNote: fc.constantFrom("postcode-unreadable", "region-contradicts-postcode"),
  currency: text,
  totals: fc.record({
    shelf: minor,
    lineDiscounts: minor,
    orderDiscounts: minor,
    goods: minor,
    lines: fc.array(minor, { maxLength: 3 }),
  }),
  options: fc.array(anyOption, { maxLength: 3 }),
  progress: fc.array(fc.record(progress), { maxLength: 3 }),
  messages: fc.array(fc.record(message), { maxLength: 6 }),
  notices: fc.array(
    fc.record(
      { surface: fc.constantFrom("banner", "cart"), notice: text, text, link: fc.record({ to: text, text }) },
      { requiredKeys: ["surface", "notice", "text"] },
    ),
    { maxLength: 2 },
  ),
};

const folder = new URL("../../demo/", import.meta.url);
const read = (name: string) => JSON.parse(readFileSync(new URL(name, folder), "utf8"));

describe("a quote as it is sent", () => {
  it("is what JSON.stringify says, in UTF-8, with any texts and any of its keys", () => {
    const requiredKeys = ["market", "zone", "currency", "totals", "options", "progress", "messages"] as const;
    fc.assert(
      fc.property(fc.record(answer, { requiredKeys: [...requiredKeys] }), (drawn) => {
        // Twice: what was kept of the first is taken for the second.
        for (const one of [drawn, structuredClone(drawn)])
          expect(JSON.parse(sent(one))).toEqual(JSON.parse(JSON.stringify(one)));
      }),
      { numRuns: 400 },
    );
  });

  it("is the same text to the letter for what the demo is asked, in every language and with its reasons", () => {
    const checked = checkPlan(read("plan.json"));
    const made = "problems" in checked ? checked : compile(checked.value);
    if ("problems" in made) throw new Error(JSON.stringify(made.problems));
    const asked = readdirSync(new URL("requests/", folder)).map((name) => read(`requests/${name}`));
    let compared = 0;
    for (const request of asked) {
      for (const locale of ["en", "de", "pt", "ja", "ar"]) {
        for (const why of [false, true]) {
          const result = quote(made.compiled, { ...request, locale }, { why });
          if ("problems" in result) continue;
          const written = JSON.stringify(result.quote);
          // Of several zones' answers put together, keys come in another order.
          if (result.quote.zone !== null) expect(sent(result.quote)).toBe(written);
          else expect(JSON.parse(sent(result.quote))).toEqual(JSON.parse(written));
          compared += 1;
        }
      }
    }
    expect(compared).toBeGreaterThan(100);
  });
});
