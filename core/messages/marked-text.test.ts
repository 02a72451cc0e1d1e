import fc from "fast-check";
import { fromMarkdown } from "mdast-util-from-markdown";
import { describe, expect, it } from "vitest";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { oneZonePlan } from "../tests/one-zone.ts";
import { checkPlan } from "../validation/documents.ts";
import { markedText, readMarked } from "./marked-text.ts";
import { plainText, runsOf, type TextRun } from "./rich-text.ts";

type Node = { type: string; value?: string; url?: string; children?: Node[] };

/** The stretches that CommonMark finds, by mdast-util-from-markdown. */
function runsByReference(typed: string): TextRun[] {
  const stretches = (node: Node, look: Omit<TextRun, "text">): TextRun[] => {
    if (node.type === "text") return [{ text: node.value ?? "", ...look }];
    const inner = {
      ...look,
      ...(node.type === "strong" ? { bold: true as const } : {}),
      ...(node.type === "link" ? { link: node.url ?? "" } : {}),
    };
    return (node.children ?? []).flatMap((child) => stretches(child, inner));
  };
  return joined(stretches(fromMarkdown(typed) as Node, {}));
}

/** Neighbours that look alike are one stretch. */
function joined(runs: readonly TextRun[]): TextRun[] {
  const result: TextRun[] = [];
  for (const run of runs) {
    const last = result.at(-1);
    if (last && last.bold === run.bold && last.link === run.link) last.text += run.text;
    else result.push({ ...run });
  }
  return result;
}

const word = fc.stringMatching(/^[a-zà-ü€0-9{}*[\]\\]{1,8}$/);
const run = fc.record(
  {
    text: word,
    bold: fc.constant(true as const),
    link: fc.constantFrom("/club", "https://example.com/a?b=c", "/d/e.html"),
  },
  { requiredKeys: ["text"] },
);

describe("a text with bold and links", () => {
  it("comes back from its marks as it was, whatever marks its words hold", () => {
    fc.assert(
      fc.property(fc.array(run, { minLength: 1, maxLength: 6 }), (runs) => {
        const back = joined(runsOf(readMarked(markedText(runs))));
        expect(back).toEqual(joined(runs));
        expect(plainText(readMarked(markedText(plainText(runs))))).toBe(plainText(runs));
      }),
      { numRuns: 2000, seed: 20261126 },
    );
  });

  // Source: CommonMark 0.31, as mdast-util-from-markdown 2 reads it, over what is typed with words between the marks.
  it("reads its marks as CommonMark does", () => {
    const part = fc.oneof(
      fc.constantFrom(
        "**so**",
        "[to](/a)",
        "[**to**](/a)",
        "**[to](/b)**",
        "**[to](/b) it**",
        "\\*",
        "\\[",
        "\\]",
        "\\\\",
      ),
      fc.stringMatching(/^[a-z]{1,5}$/),
    );
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 7 }), (parts) => {
        const typed = parts.join(" ");
        expect(joined(runsOf(readMarked(typed)))).toEqual(runsByReference(typed));
      }),
      { numRuns: 2000, seed: 20261126 },
    );
  });

  it("takes marks that are not closed for themselves", () => {
    expect(readMarked("5 ** 3")).toBe("5 ** 3");
    expect(readMarked("[no address]")).toBe("[no address]");
    expect(readMarked("**a** and ** b")).toEqual([{ text: "a", bold: true }, { text: " and ** b" }]);
    expect(readMarked("[bad](java script:x)")).toBe("[bad](java script:x)");
  });
});

describe("a note beside an option", () => {
  const option = (note: unknown, picture?: unknown) => ({
    ...{ id: "bike", position: 1, name: { en: "By bicycle" }, zones: ["z"] },
    ...{ charge: { kind: "flat", amount: { byCurrency: { EUR: "4.00" } } } },
    ...{ note, ...(picture ? { picture } : {}) },
  });
  const REQUEST = {
    ...{
      at: "2026-11-26T12:00:00Z",
      currency: "EUR",
      locale: "en",
      destination: { country: "PT", postcode: "4000-123" },
    },
    cart: { lines: [{ sku: "a", quantity: 1, unitPrice: 1000 }] },
  };
  /** Read by the schema first, as from a file. */
  const answerTo = (note: unknown, picture?: unknown) => {
    const checked = checkPlan({ ...oneZonePlan({ options: [] }), options: [option(note, picture)] });
    if ("problems" in checked) throw new Error(JSON.stringify(checked.problems));
    return quoteOf(compiledPlan(checked.value), REQUEST).options[0];
  };
  const PNG = `iVBORw0KGgo${"A".repeat(25)}`;

  it("is answered as it reads, and in stretches with their figures filled in", () => {
    const note = {
      en: [{ text: "Only " }, { text: "{price}", bold: true }, { text: " – " }, { text: "how", link: "/how" }],
      pt: "Só {price}",
    };
    expect(answerTo(note)).toMatchObject({
      note: "Only €4.00 – how",
      noteRuns: [{ text: "Only " }, { text: "€4.00", bold: true }, { text: " – " }, { text: "how", link: "/how" }],
    });
    expect(answerTo({ en: "Only {price}" })).toMatchObject({ note: "Only €4.00", noteRuns: undefined });
  });

  it("has its picture along, with what is said instead of it in the shopper's language", () => {
    const picture = { type: "image/png", data: PNG, width: 48, height: 24, alt: { en: "A bicycle" } };
    expect(answerTo({ en: "x" }, picture)).toMatchObject({
      picture: { source: `data:image/png;base64,${PNG}`, width: 48, height: 24, alt: "A bicycle" },
    });
  });

  it.each([
    [{ en: [{ text: "a", link: "javascript:alert(1)" }] }, undefined, /link/],
    [{ en: [{ text: "a", html: "<b>" }] }, undefined, /note/],
    [{ en: [{ text: "{nothing}" }] }, undefined, /nothing fills the placeholder/],
    [{ en: "a" }, { type: "image/svg+xml", data: PNG, width: 1, height: 1 }, /picture\/type/],
    [{ en: "a" }, { type: "image/jpeg", data: PNG, width: 1, height: 1 }, /is no picture of image\/jpeg/],
    [{ en: "a" }, { type: "image/png", data: `${PNG}"`, width: 1, height: 1 }, /picture\/data/],
  ])("is refused as %j with %j", (note, picture, why) => {
    expect(() => answerTo(note, picture)).toThrow(why);
  });
});
