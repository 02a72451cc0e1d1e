import { readFileSync } from "node:fs";
import fc from "fast-check";
import { XMLParser, XMLValidator } from "fast-xml-parser";
import { IntlMessageFormat } from "intl-messageformat";
import { describe, expect, it } from "vitest";
import { contrast } from "../messages/display.ts";
import { missingPlurals, placeholdersOf } from "../messages/wording.ts";
import { english } from "../phrases/speak.ts";
import { entitiesOf, entityKey, planOf } from "../plan/entities.ts";
import type { Plan } from "../plan/plan.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import { inEnglish } from "../tests/in-english.ts";
import { plainTexts } from "./plain-texts.ts";
import { isOutdated, translationUnits, withText, withTexts } from "./translation-units.ts";
import { translatorsTexts, withTranslatorsTexts } from "./translators-texts.ts";
import { readXliff, xliffOf } from "./xliff.ts";

const plan: Plan = JSON.parse(readFileSync("demo/plan.json", "utf8"));
const units = translationUnits(plan);

describe("texts for translators", () => {
  // Rules of XLIFF 2.0, OASIS Standard, 2014, sections 2.2 to 4.3 (from memory): the root is `xliff` in its namespace with
  // `version` and `srcLang`, and `trgLang` where there are targets; a `file` holds one unit at least; ids of units are
  // NMTOKENs, each once in the file; a unit holds one segment at least; a segment has one `source` and at most one
  // `target`; a `ph` has an id that is its own within the source; a `dataRef` names a `data` of the unit's `originalData`.
  it("follow XLIFF 2.0", () => {
    const xml = xliffOf(units, "en", "pt");
    expect(XMLValidator.validate(xml)).toBe(true);
    const parser = new XMLParser({
      ignoreAttributes: false,
      isArray: (name) => ["unit", "data", "ph", "segment"].includes(name),
    });
    const { xliff } = parser.parse(xml);
    expect(xliff).toMatchObject({
      "@_xmlns": "urn:oasis:names:tc:xliff:document:2.0",
      "@_version": "2.0",
      "@_srcLang": "en",
      "@_trgLang": "pt",
    });
    const ids = xliff.file.unit.map((unit: { "@_id": string }) => unit["@_id"]);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.length).toBeGreaterThan(20);
    for (const unit of xliff.file.unit) {
      expect(unit["@_id"]).toMatch(/^[\w.:-]+$/);
      expect(unit.segment).toHaveLength(1);
      const [{ source, target }] = unit.segment;
      expect(source).toBeDefined();
      const data = new Set((unit.originalData?.data ?? []).map((one: { "@_id": string }) => one["@_id"]));
      for (const part of [source, target]) {
        const phs: { "@_id": string; "@_dataRef": string }[] = part?.ph ?? [];
        expect(new Set(phs.map((ph) => ph["@_id"])).size).toBe(phs.length);
        for (const ph of phs) expect(data).toContain(ph["@_dataRef"]);
      }
    }
  });

  it("come back as they went out, whatever they say", () => {
    const text = fc
      .array(
        fc.oneof(
          fc.constantFrom("{remaining}", "{ goal }", "{remaining, plural, one {# <b>} other {# & {goal}}}", "''", " "),
          fc.stringMatching(/^[a-zà-ü <>&"0-9]{0,12}$/),
        ),
        { minLength: 1, maxLength: 6 },
      )
      .map((parts) => parts.join(""))
      .filter((joined) => joined.trim() !== "" && placeholdersOf(joined) !== undefined);
    fc.assert(
      fc.property(text, text, (en, pt) => {
        const unit = {
          id: "plan:empty",
          offer: null,
          step: null,
          surface: null,
          state: "empty" as const,
          texts: { en, pt },
          translatedFrom: {},
        };
        const normal = (one: string) => one.replaceAll(/\{\s*(\w+)\s*\}/g, "{$1}");
        const back = readXliff(xliffOf([unit], "en", "pt"));
        expect("texts" in back && back.texts.map((one) => [normal(one.source ?? ""), normal(one.text)])).toEqual([
          [normal(en), normal(pt)],
        ]);
      }),
      { numRuns: 300, seed: 20261124 },
    );
  });

  it("are read with characters by number and text that is taken as it is, and refused where one stands for none", () => {
    const file = (target: string) =>
      `<xliff xmlns="urn:oasis:names:tc:xliff:document:2.0" version="2.0" srcLang="en" trgLang="pt"><file id="f">\n<unit id="u"><segment><source>a</source><target>${target}</target></segment></unit></file></xliff>`;
    const textOf = (target: string) => {
      const read = readXliff(file(target));
      return "texts" in read ? read.texts[0]?.text : read.problems.map(({ path, message }) => [path, english(message)]);
    };
    // XML 1.0, 4.1: &#xE9; and &#233; are é; what a reference makes is not read again.
    expect(textOf("caf&#xE9; caf&#233; &#128512; &lt;b&gt; &amp;#233; &quot;&apos;")).toBe(
      "café café 😀 <b> &#233; \"'",
    );
    expect(textOf("<![CDATA[a &#233; & <b>]]> &#233;<!-- &nothing; -->")).toBe("a &#233; & <b> é");
    for (const reference of ["&#0;", "&#xD800;", "&#x110000;", "&nbsp;", "&;"])
      expect(textOf(`x ${reference}`)).toEqual([["line 2", `${reference} stands for no character`]]);
  });

  it("are refused in time when they are huge or deep", () => {
    const began = performance.now();
    const deep = "<mrk id='m'>".repeat(200_000);
    const huge = " ".repeat(10_000_001);
    for (const text of [deep, huge]) {
      const file = `<xliff version="2.0" trgLang="pt"><file id="f"><unit id="u"><segment><target>${text}</target></segment></unit></file></xliff>`;
      const closed = file.replace("</target>", `${"</mrk>".repeat(text === deep ? 200_000 : 0)}</target>`);
      expect(readXliff(closed)).toHaveProperty("problems");
    }
    expect(performance.now() - began).toBeLessThan(5000);
  });

  it("are taken whole or not at all: no placeholder lost, none made up, nothing on an older source", () => {
    const unit = "offer:free-standard:free-standard:on-the-way";
    const taken = withTexts(plan, [{ unit, locale: "fr", text: "Encore {remaining} !" }]);
    expect("entities" in taken && taken.entities.map(({ id }) => id)).toEqual(["free-standard"]);
    const problems = (text: string, source?: string) => {
      const result = withTexts(plan, [{ unit, locale: "fr", text, ...(source === undefined ? {} : { source }) }]);
      return "problems" in result ? result.problems.map(({ message }) => english(message)) : [];
    };
    expect(problems("Encore un peu !")).toEqual(["the placeholder {remaining} of the source is missing"]);
    expect(problems("Encore {remaining} {montant}")[0]).toContain("nothing fills the placeholder {montant}");
    expect(problems("Encore {remaining")[0]).toContain("cannot be read as an ICU message");
    expect(problems("Encore {remaining}", "Add a little more")).toEqual([
      "the source text has changed since the file was made",
    ]);
    expect(inEnglish(readXliff("<xliff version='1.2'></xliff>"))).toMatchObject({
      problems: [{ message: expect.stringMatching(/2\.0/) }],
    });
    expect(inEnglish(readXliff("<!DOCTYPE x [<!ENTITY a 'b'>]><xliff/>"))).toMatchObject({
      problems: [{ message: expect.stringMatching(/document type/) }],
    });
    expect(inEnglish(readXliff("<xliff"))).toMatchObject({
      problems: [{ message: expect.stringMatching(/is not XML/) }],
    });
  });

  it("are names, notes, addresses and notices too, which come back into what they stand in", () => {
    const [option, ...options] = plan.options;
    const [location, ...locations] = plan.locations ?? [];
    if (!option || !location) throw new Error("the demo has neither");
    const notice = { id: "snow", position: 1, name: "Snow", on: true, zones: [], surfaces: ["cart" as const] };
    const filled: Plan = {
      ...plan,
      markets: plan.markets.map((market) => ({ ...market, languages: [...market.languages, "fr"] })),
      options: [
        {
          ...option,
          note: {
            en: [
              { text: "See ", bold: true },
              { text: "{price}", link: "/prices" },
            ],
          },
        },
        ...options,
      ],
      locations: [{ ...location, address: { en: "5 Bobbin Street" } }, ...locations],
      notices: [{ ...notice, texts: { en: "Two days late." }, link: { to: "/snow", texts: { en: "Why" } } }],
    };
    const ids = plainTexts(filled).map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining([`option:${option.id}:note`, "notice:snow:text", "notice:snow:link"]));
    // Translated by a tool that keeps placeholders: every text is said twice.
    const xml = xliffOf(translatorsTexts(filled), "en", "fr");
    const sent = xml.replaceAll(/<source>(.*)<\/source>/g, "$&<target>$1</target>");
    const back = readXliff(sent);
    if (!("texts" in back)) throw new Error(JSON.stringify(back.problems));
    expect(back.texts).toHaveLength(translatorsTexts(filled).filter(({ texts }) => texts.en !== undefined).length);
    const taken = withTranslatorsTexts(filled, back.texts);
    if (!("entities" in taken)) throw new Error(JSON.stringify(taken.problems));
    const written = new Map([...entitiesOf(filled), ...taken.entities].map((entity) => [entityKey(entity), entity]));
    const after = planOf([...written.values()]);
    if (!after) throw new Error("the store is gone");
    for (const { id, texts } of translatorsTexts(after)) expect([id, texts.fr]).toEqual([id, texts.en]);
    expect(after.options.find(({ id }) => id === option.id)?.note?.fr).toEqual(filled.options[0]?.note?.en);
    expect(withTranslatorsTexts(after, back.texts)).toEqual({ entities: [] });
    // All or nothing, over both sorts of text.
    const refused = (text: string, unit = `option:${option.id}:note`) => {
      const good = { unit: "notice:snow:text", locale: "fr", text: "Deux jours de retard." };
      const result = withTranslatorsTexts(filled, [good, { unit, locale: "fr", text }]);
      return "problems" in result ? result.problems.map(({ message }) => english(message)) : [];
    };
    expect(refused("Voir [{price}](/prices)")).toEqual([]);
    expect(refused("Voir {price}")).toEqual(["the link to /prices of the source is missing"]);
    expect(refused("[{prix}](/prices)")[0]).toContain("nothing fills the placeholder {prix}");
    expect(refused("x", "option:gone:name")).toEqual(["the plan has no such text"]);
    expect(inEnglish(withTranslatorsTexts(filled, [{ unit: "notice:snow:text", locale: "xx", text: "x" }]))).toEqual({
      problems: [{ path: "xx", message: "is a language of no market" }],
    });
  });

  it("tell which translations an edit has left behind", () => {
    const place = { surface: null, state: "empty" as const };
    const english = withText({}, place, "en", "From {goal}", "en");
    const both = withText(english, place, "pt", "A partir de {goal}", "en");
    const unitOf = (wording: typeof both) =>
      translationUnits({ ...plan, offers: [], store: { ...plan.store, wording } }).find(
        ({ state }) => state === "empty",
      );
    const [before, after] = [unitOf(both), unitOf(withText(both, place, "en", "Already from {goal}", "en"))];
    expect(before && isOutdated(before, "pt", "en")).toBe(false);
    expect(after && isOutdated(after, "pt", "en")).toBe(true);
    expect(withText(english, place, "en", "", "en")).toEqual({});
  });
});

describe("wording", () => {
  it("says which plural forms a language has and a text leaves out", () => {
    const text = "{remaining, plural, one {one more} other {# more}}";
    expect(missingPlurals(text, "en")).toEqual([]);
    // Arabic has six categories, Japanese one: CLDR plural rules, as Intl.PluralRules carries them.
    expect(missingPlurals(text, "ar")).toEqual(
      [{ placeholder: "remaining", forms: ["few", "many", "two", "zero"] }].map((one) => ({
        ...one,
        forms: expect.arrayContaining(one.forms),
      })),
    );
    expect(missingPlurals("{n, plural, =1 {x} other {y}}", "en")).toEqual([]);
    expect(missingPlurals("{n, plural, other {y}}", "ja")).toEqual([]);
  });

  it("agrees with intl-messageformat used directly, and falls back to what the whole plan says", () => {
    const said = "{remaining} left until {option} is free";
    const bare = {
      ...plan,
      store: { ...plan.store, wording: { "on-the-way": { en: said } } },
      offers: plan.offers.map((offer) => ({ ...offer, steps: offer.steps.map((step) => ({ ...step, wording: {} })) })),
    };
    const quote = quoteOf(compiledPlan(bare), {
      at: "2026-11-24T12:00:00Z",
      currency: "EUR",
      locale: "en",
      destination: { country: "PT", postcode: "3000-001" },
      cart: { lines: [{ sku: "x", quantity: 1, unitPrice: 3860 }] },
    });
    const [message] = quote.messages.filter(({ surface, offer }) => surface === "cart" && offer === "free-standard");
    const direct = new IntlMessageFormat(said, "en").format({ remaining: "€6.40", option: "Standard" });
    expect(message?.text).toBe(direct);
  });

  it("measures contrast as WCAG 2.2 does", () => {
    // Black on white is 21:1; #767676 is the lightest grey of 4.54:1 on white (W3C, Understanding SC 1.4.3).
    expect(contrast("#000000", "#ffffff")).toBeCloseTo(21, 5);
    expect(contrast("#767676", "#ffffff")).toBeCloseTo(4.54, 2);
  });
});
