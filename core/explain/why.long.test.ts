import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { ReadersNames } from "../money/amount.ts";
import { add, compare, type Rational, roundHalfAway, ZERO } from "../money/rational.ts";
import { english } from "../phrases/speak.ts";
import type { Why } from "../quote/answer/why.ts";
import { quote } from "../quote/quote.ts";
import { anyCase } from "../tests/arbitrary.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { whySentences } from "./why-words.ts";

/** Reads an exact amount back: "489.5" or "1000/3". */
function exact(text: string): Rational {
  const [n = "0", d] = text.split("/");
  if (d !== undefined) return { n: BigInt(n), d: BigInt(d) };
  const [units = "0", fraction = ""] = n.split(".");
  return { n: BigInt(units + fraction), d: 10n ** BigInt(fraction.length) };
}

const NOTHING: Why = { zone: "", options: [], withoutAmount: [] };

const NAMES: ReadersNames = {
  locationName: (id) => `«${id}»`,
  carrierNames: (carrier, service) => ({ carrier: `«${carrier}»`, service: `«${service}»` }),
};

describe("why", () => {
  it("never changes the answer, and its lines add up to the price, for whole random plans", () => {
    let priced = 0;
    let withNames = 0;
    const uses = new Set<string>();
    fc.assert(
      fc.property(anyCase(9000), ({ plan, request }) => {
        const compiled = compiledPlan(plan);
        const explained = quote(compiled, request, { why: true });
        if ("problems" in explained) throw new Error(JSON.stringify(explained.problems));
        const { why, ...rest } = explained.quote;
        expect(rest).toEqual(quoteOf(compiled, request));
        for (const option of why?.[0]?.options ?? []) {
          const quoted = rest.options.find(({ id }) => id === option.option);
          expect(option.reason).toBe(quoted?.reason);
          for (const { offer, use } of option.offers) {
            uses.add(use);
            expect(use === "used").toBe(quoted?.offers.includes(offer) === true);
          }
          // Each kind of charge, condition and use has its words; none is left as a key.
          const sentences = whySentences(plan, why?.[0] ?? NOTHING, option.option, request.currency);
          expect(sentences.length).toBeGreaterThan(0);
          for (const { text } of sentences) expect(english(text)).toMatch(/^[^{}]+\.$/);
          // By name they say the same.
          const named = whySentences(plan, why?.[0] ?? NOTHING, option.option, request.currency, NAMES);
          expect(named.map(({ text }) => english(text).replaceAll("«", "").replaceAll("»", ""))).toEqual(
            sentences.map(({ text }) => english(text)),
          );
          for (const { text } of named) if (english(text).includes("«")) withNames += 1;
          if (option.price === null) continue;
          priced += 1;
          const sum = option.lines.reduce((total, { amount }) => add(total, exact(amount)), ZERO);
          expect(compare(sum, exact(option.price))).toBe(0);
          expect(Number(roundHalfAway(sum))).toBe(quoted?.price);
        }
      }),
      { numRuns: 400 },
    );
    expect(priced).toBeGreaterThan(300);
    expect(withNames).toBeGreaterThan(0);
    expect([...uses]).toEqual(expect.arrayContaining(["used", "another-is-better", "not-earned", "condition"]));
  });
});
