import * as fc from "fast-check";
import { IntlMessageFormat } from "intl-messageformat";
import { describe, expect, it } from "vitest";
import { icuMessage } from "./icu-message.ts";

const LOCALES = ["en", "pt-PT", "de", "fr", "ja", "ar", "pl"];
const VALUES: Readonly<Record<string, string | number>> = { name: "<b>Ana</b> {x}", kind: "two", none: "" };

/** Messages of every form, some within each other. */
const message = fc.letrec<{ text: string; inner: string; whole: string }>((tie) => ({
  text: fc.constantFrom("", " ", "go on", "''", "'{x}'", "<b>now</b>", "#", "’", "a, b"),
  inner: fc.oneof(
    { maxDepth: 3 },
    tie("text"),
    fc.constantFrom("{name}", "{kind}", "{none}", "{n}"),
    fc.constantFrom("{n, number}", "{n, number, integer}", "{n, number, percent}", "{n, number, ::.00}"),
    fc.constantFrom(
      "{n, number, ::percent scale/100}",
      "{n, date}",
      "{n, date, full}",
      "{n, time}",
      "{n, time, short}",
    ),
    fc
      .tuple(
        fc.constantFrom("plural", "selectordinal"),
        fc.constantFrom("", "offset:1 "),
        tie("whole"),
        tie("whole"),
        tie("whole"),
      )
      .map(
        ([form, offset, zero, one, other]) =>
          `{n, ${form}, ${offset}=0 {${zero}} one {${one}} few {# f} other {${other} #}}`,
      ),
    fc.tuple(tie("whole"), tie("whole")).map(([two, other]) => `{kind, select, two {${two}} other {${other}}}`),
  ),
  whole: fc.array(tie("inner"), { minLength: 1, maxLength: 3 }).map((parts) => parts.join("")),
})).whole;

describe("an ICU message", () => {
  it("says what intl-messageformat says, in every form and language", () => {
    const forms = new Set<string>();
    fc.assert(
      fc.property(
        message,
        fc.constantFrom(...LOCALES),
        fc.constantFrom(0, 1, 2, 5, 21, 1234.5, 1e6),
        (text, locale, n) => {
          const values = { ...VALUES, n };
          const other = new IntlMessageFormat(text, locale, undefined, { ignoreTag: true });
          const here = icuMessage(text, locale);
          expect(here.say((name) => values[name as keyof typeof values])).toBe(String(other.format(values)));
          for (const [form] of text.matchAll(/plural|selectordinal|select,|number|date|time|#/g)) forms.add(form);
        },
      ),
      { numRuns: 1500 },
    );
    expect(forms.size).toBe(7);
  });

  it("asks only for what it comes to, and fails where nothing fills that", () => {
    const asked: string[] = [];
    const { say } = icuMessage("{kind, select, a {{left}} other {{right}}}", "en");
    const values = (name: string) => {
      asked.push(name);
      return name === "kind" ? "a" : name === "left" ? "here" : undefined;
    };
    expect(say(values)).toBe("here");
    expect(asked).toEqual(["kind", "left"]);
    expect(() => say((name) => (name === "kind" ? "b" : undefined))).toThrow("nothing fills {right}");
    expect(() => icuMessage("{open", "en")).toThrow(SyntaxError);
  });
});
