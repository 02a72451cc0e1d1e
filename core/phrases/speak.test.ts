import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { andList, asWritten, joined, orList, type PhraseValue, phrase } from "./phrase.ts";
import { ENGLISH, english, type Reader, speak, speakValue } from "./speak.ts";

const OWN: Readonly<Record<string, string>> = {
  "{name} costs {money}.": "{name} custa {money}.",
  "{count, plural, one {# item} other {# items}}": "{count, plural, one {# artigo} other {# artigos}}",
  " and ": " e ",
};
const PORTUGUESE: Reader = { locale: "pt-PT", clock: "pt-PT", messageFor: (message) => OWN[message] };
const money = (number: number): PhraseValue => ({ number, options: { style: "currency", currency: "EUR" } });

describe("phrases", () => {
  it("are spoken in the reader's language, with what it writes in its own way, to any depth", () => {
    const inner = phrase("{count, plural, one {# item} other {# items}}", { count: 1 });
    const outer = phrase("{name} costs {money}.", { name: joined([inner, "Ink"], phrase(" and ")), money: money(4.9) });
    expect(english(outer)).toBe("1 item and Ink costs €4.90.");
    expect(speak(outer, PORTUGUESE)).toBe("1 artigo e Ink custa 4,90\u00a0€.");
    // Without a message of its own a language says the English one.
    expect(speak(phrase("{count} left", { count: 2 }), PORTUGUESE)).toBe("2 left");
  });

  // Against Intl itself, which is what each kind of value stands for.
  it("write numbers, days, moments, lists and codes as Intl does", () => {
    for (const reader of [ENGLISH, PORTUGUESE]) {
      const { locale, clock } = reader;
      fc.assert(
        fc.property(
          fc.double({ min: 0, max: 1e9, noNaN: true }),
          fc.date({ min: new Date(0), max: new Date(4e12), noInvalidDate: true }),
          (number, date) => {
            const options = { style: "unit", unit: "kilogram", maximumFractionDigits: 3 } as const;
            expect(speakValue({ number, options }, reader)).toBe(new Intl.NumberFormat(locale, options).format(number));
            const day = date.toISOString().slice(0, 10);
            const medium = { dateStyle: "medium" } as const;
            expect(speakValue({ moment: day, options: medium }, reader)).toBe(
              new Intl.DateTimeFormat(clock, { ...medium, timeZone: "UTC" }).format(new Date(`${day}T00:00:00Z`)),
            );
            const there = { dateStyle: "medium", timeStyle: "short", timeZone: "Asia/Tokyo" } as const;
            expect(speakValue({ moment: date.getTime(), options: there }, reader)).toBe(
              new Intl.DateTimeFormat(clock, there).format(date),
            );
          },
        ),
        { numRuns: 200 },
      );
      expect(speakValue(andList(["a", "b", "c"]), reader)).toBe(
        new Intl.ListFormat(locale, { type: "conjunction" }).format(["a", "b", "c"]),
      );
      expect(speakValue(orList(["a", money(1)]), reader)).toBe(
        new Intl.ListFormat(locale, { type: "disjunction" }).format(["a", speakValue(money(1), reader)]),
      );
      expect(speakValue({ code: "JP", type: "region" }, reader)).toBe(
        new Intl.DisplayNames([locale], { type: "region" }).of("JP"),
      );
    }
  });

  it("say what people wrote to the letter, braces, tags and quotes included, also after a worker or an answer has carried them", () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom("a", "{", "}", "'", "<", "b", ">", "#", "“", " ", "1") }),
        (words) => {
          const said = phrase("{first} and {rest}", { first: asWritten(words), rest: joined([words, words], "{") });
          const carried: typeof said = JSON.parse(JSON.stringify(structuredClone(said)));
          // Nothing is joined to nothing.
          expect(english(said)).toBe(`${words} and ${words === "" ? "" : `${words}{${words}`}`);
          expect(english(carried)).toBe(english(said));
        },
      ),
    );
  });
});
