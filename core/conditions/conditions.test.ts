import * as fc from "fast-check";
import jsonLogic from "json-logic-js";
import { DateTime } from "luxon";
import { describe, expect, it } from "vitest";
import { readCart } from "../cart/read-cart.ts";
import { measureKey } from "../measures/measure-spec.ts";
import { english } from "../phrases/speak.ts";
import { placeOf } from "../places/place.ts";
import { factsOf, nextNumber, type Situation } from "../situation/situation.ts";
import type { Truth } from "../situation/truth.ts";
import { anyCondition, anyShopper } from "../tests/arbitrary.ts";
import { inJsonLogic } from "../tests/json-logic.ts";
import { DAY } from "../time/instant.ts";
import { interval } from "../time/local.ts";
import { momentOf, nextDay, zoneClock } from "../time/zone-clock.ts";
import { compileCondition } from "./compile.ts";
import type { Condition } from "./condition.ts";
import type { ConditionContext } from "./definition.ts";
import { circleProblems } from "./problems.ts";
import { CONDITION_KINDS } from "./registry.ts";
import { conditionWords } from "./words.ts";

const AT = "2026-11-28T10:00:00Z";

function contextOf(keys: string[] = []): ConditionContext {
  return {
    zone: null,
    market: "m",
    currency: "EUR",
    rates: new Map(),
    timeZone: "Europe/Lisbon",
    measureNumber: (spec, scope) => {
      const key = spec.kind === "lines" ? "lines" : measureKey(spec, scope);
      if (!keys.includes(key)) keys.push(key);
      return keys.indexOf(key);
    },
  };
}

type Asked = Parameters<typeof factsOf>[0];

/** What a request looks like to conditions, with counts made up by number of measure. */
function facts(request: Partial<Asked> = {}, counts: readonly number[] = []): Situation {
  const asked: Asked = {
    at: AT,
    currency: "EUR",
    destination: { country: "PT", postcode: "9000-001" },
    cart: { lines: [] },
    ...request,
  };
  const cart = readCart(asked.cart, "/cart");
  if ("problems" in cart) throw new Error(JSON.stringify(cart.problems));
  const count = (measure: number) => counts[measure] ?? null;
  return {
    number: nextNumber(),
    facts: factsOf(asked, new Map(), placeOf(asked.destination)),
    lines: cart.lines,
    linesAs: nextNumber(),
    unknownAs: false,
    horizon: null,
    count,
    reaches: (measure, least) => (counts[measure] === undefined ? null : counts[measure] >= least),
    moving: count,
    goods: () => 0,
    begun: () => 0,
    lineReaches: (line, figure, least) => (figure === "weight" ? null : line[figure] >= least),
  };
}

function truthOf(condition: Condition, about: Situation): Truth {
  return compileCondition(condition, contextOf(), new Map()).test(about);
}

describe("conditions", () => {
  it("agree with json-logic-js on random trees, shoppers and carts, where everything is known", () => {
    const truths = { true: 0, false: 0 };
    const tagged = fc.array(fc.subarray(["gift-card", "paper", "ink"]), { maxLength: 3 });
    const knownShopper = anyShopper.map((drawn) => ({ orderCount: 1, lastOrderAt: "2026-11-20T00:00:00Z", ...drawn }));
    fc.assert(
      fc.property(
        anyCondition("EUR", 9000),
        knownShopper,
        tagged,
        fc.array(fc.nat(9000), { minLength: 20, maxLength: 20 }),
        fc.constantFrom("9000-001", "1000-001"),
        (condition, shopper, tags, counted, postcode) => {
          const keys: string[] = [];
          const context = contextOf(keys);
          const rule = inJsonLogic(condition, context);
          const lines = tags.map((names, i) => {
            const [quantity, unitPrice] = [1 + ((counted[i] ?? 0) % 4), counted[i + 3] ?? 0];
            return { sku: "x", quantity, unitPrice, tags: names, discount: i % 2 === 0 ? 0 : Math.min(1, unitPrice) };
          });
          const about = facts({ shopper, cart: { lines }, destination: { country: "PT", postcode } }, counted);
          const compiled = compileCondition(condition, context, new Map());
          const actual = compiled.test(about);
          expect(compiled.explain(about).truth).toBe(actual);
          const data = {
            signedIn: shopper.signedIn === true,
            business: shopper.business === true,
            groups: shopper.groups ?? [],
            orders: shopper.orderCount,
            daysSinceOrder: (Date.parse(AT) - Date.parse(shopper.lastOrderAt)) / 86_400_000,
            lines: lines.map((line) => ({ ...line, reduced: line.discount > 0 })),
            counted,
            postcode,
          };
          expect(actual).toBe(Boolean(jsonLogic.apply(rule, data)));
          truths[actual ? "true" : "false"] += 1;
        },
      ),
      { numRuns: 2000 },
    );
    expect(Math.min(truths.true, truths.false)).toBeGreaterThan(300);
  });

  it("answer alike whatever they were asked before, of other shoppers, goods or figures", () => {
    let turned = 0;
    const tagged = fc.array(fc.subarray(["gift-card", "paper", "ink"]), { maxLength: 2 });
    const two = <T>(one: fc.Arbitrary<T>) => fc.tuple(one, one);
    const which = fc.record({ shopper: fc.nat(1), goods: fc.nat(1), counts: fc.nat(1) });
    fc.assert(
      fc.property(
        anyCondition("EUR", 9000),
        two(anyShopper),
        two(tagged),
        two(fc.array(fc.nat(9000), { minLength: 20, maxLength: 20 })),
        fc.array(which, { minLength: 8, maxLength: 8 }),
        (condition, shoppers, tags, counts, asked) => {
          const context = contextOf([]);
          const saved = new Map([["kept", { id: "kept", name: "Kept", when: condition }]]);
          const known = compileCondition({ kind: "saved", id: "kept" }, context, saved);
          const knownFacts = shoppers.map((shopper) => facts({ shopper }).facts);
          const carts = tags.map((all) =>
            facts({ cart: { lines: all.map((names) => ({ sku: "x", quantity: 1, unitPrice: 1, tags: names })) } }),
          );
          const truths = asked.map(({ shopper, goods, counts: of }) => {
            const [about, cart] = [knownFacts[shopper], carts[goods]];
            if (!about || !cart) throw new Error("nobody is asked about");
            const situation = { ...facts({}, counts[of]), facts: about, lines: cart.lines, linesAs: cart.linesAs };
            const truth = known.test(situation);
            expect(truth).toBe(compileCondition(condition, context, new Map()).test(situation));
            return truth;
          });
          if (new Set(truths).size > 1) turned += 1;
        },
      ),
      { numRuns: 1000 },
    );
    expect(turned).toBeGreaterThan(150);
  });

  it("follow the three-valued truth table, written out by hand", () => {
    const known: Record<string, Condition> = {
      T: { kind: "currency", currencies: ["EUR"] },
      F: { kind: "currency", currencies: ["USD"] },
      U: { kind: "orders", is: "at-least", count: 1 },
    };
    const names: Record<string, Truth> = { T: true, F: false, U: null };
    // a b: all any
    const table = "TT:TT TF:FT TU:UT FT:FT FF:FF FU:FU UT:UT UF:FU UU:UU".split(" ");
    for (const row of table) {
      const [a = "", b = "", , all = "", any = ""] = row;
      const of = [known[a], known[b]].filter((part) => part !== undefined);
      expect([row, truthOf({ kind: "all", of }, facts()), truthOf({ kind: "any", of }, facts())]).toEqual([
        row,
        names[all],
        names[any],
      ]);
    }
    for (const [a, negated] of ["TF", "FT", "UU"].map((pair) => [pair[0] ?? "", pair[1] ?? ""] as const)) {
      const of = known[a];
      if (of) expect(truthOf({ kind: "not", of }, facts())).toBe(names[negated]);
    }
  });

  it("know what a guest's request leaves open, and what it does not", () => {
    expect(truthOf({ kind: "signed-in" }, facts())).toBe(false);
    expect(truthOf({ kind: "group", groups: ["trade"] }, facts())).toBe(false);
    expect(truthOf({ kind: "orders", is: "exactly", count: 0 }, facts())).toBe(null);
    expect(truthOf({ kind: "not-ordered-for", days: 90 }, facts({ shopper: { orderCount: 0 } }))).toBe(true);
    expect(truthOf({ kind: "not-ordered-for", days: 90 }, facts({ shopper: { orderCount: 3 } }))).toBe(null);
    const somewhere = (destination: Parameters<typeof factsOf>[0]["destination"]) => facts({ destination });
    expect(truthOf({ kind: "region", regions: ["PT-30"] }, somewhere({ country: "PT" }))).toBe(null);
    expect(truthOf({ kind: "region", regions: ["PT-30"] }, somewhere({ country: "ES" }))).toBe(false);
    expect(truthOf({ kind: "country", countries: ["PR"] }, somewhere({ country: "US" }))).toBe(null);
    expect(truthOf({ kind: "country", countries: ["PR"] }, somewhere({ country: "US", region: "US-PR" }))).toBe(true);
    expect(truthOf({ kind: "code", codes: ["InkLove"] }, facts({ cart: { lines: [], codes: [" inklove "] } }))).toBe(
      true,
    );
  });

  it("each have an example that compiles and reads as a clause", () => {
    for (const definition of CONDITION_KINDS.values()) {
      expect(definition.compile(definition.example, contextOf()).test(facts())).not.toBe(undefined);
      const constraint = definition.constrains(definition.example, contextOf());
      expect(constraint && english(constraint.fact.words)).toMatch(/^[a-z]/);
      expect(english(definition.words(definition.example, contextOf()))).toMatch(
        /^(the|it|some|no|every|there|goods) /,
      );
      expect(() => definition.compile({ kind: "moon-phase" }, contextOf())).toThrow(RangeError);
    }
    const trade: Condition = {
      kind: "any",
      of: [
        { kind: "group", groups: ["Trade"] },
        { kind: "not-ordered-for", days: 90 },
      ],
    };
    const all: Condition = { kind: "all", of: [trade, { kind: "goods", by: "tags", how: "none", of: ["oversize"] }] };
    expect(english(conditionWords(all, contextOf(), new Map()))).toBe(
      "(the shopper is in Trade or the shopper has not ordered for 90 days) and no line is in tag oversize",
    );
  });

  const MADEIRAN_BILL: Condition = { kind: "billing-postcode", country: "PT", patterns: ["9000..9399"] };

  it.each<[Condition, Partial<Asked>, Truth]>([
    [{ kind: "payment", methods: ["invoice", "card"] }, {}, null],
    [{ kind: "payment", methods: ["invoice", "card"] }, { payment: "card" }, true],
    [{ kind: "payment", methods: ["invoice", "card"] }, { payment: "Card" }, false],
    [{ kind: "not", of: { kind: "payment", methods: ["cash"] } }, {}, null],
    [{ kind: "billing-region", regions: ["PT-30"] }, { shopper: { billingCountry: "PT" } }, null],
    [{ kind: "billing-region", regions: ["PT-30"] }, { shopper: { billingRegion: "PT-30" } }, true],
    [{ kind: "billing-region", regions: ["PT-30"] }, { shopper: { billingRegion: "PT-20" } }, false],
    [MADEIRAN_BILL, {}, null],
    [MADEIRAN_BILL, { shopper: { billingCountry: "PT" } }, null],
    [MADEIRAN_BILL, { shopper: { billingPostcode: "9000-123" } }, null],
    [MADEIRAN_BILL, { shopper: { billingCountry: "PT", billingPostcode: "pt 9000123" } }, true],
    [MADEIRAN_BILL, { shopper: { billingCountry: "PT", billingPostcode: "3000-001" } }, false],
    [MADEIRAN_BILL, { shopper: { billingCountry: "DE", billingPostcode: "90001" } }, false],
    [{ kind: "street", words: ["PO box"] }, { destination: { country: "PT" } }, null],
    [{ kind: "street", words: ["PO box"] }, { destination: { street: "P.O. BOX 12" } }, true],
    [{ kind: "street", words: ["Apartado", "PO box"] }, { destination: { street: "Rua Nova 1\nApartado 7" } }, true],
    [{ kind: "street", words: ["PO box"] }, { destination: { street: "12 Boxwood Lane" } }, false],
    [{ kind: "street", words: ["PO box"] }, { destination: { street: "" } }, false],
  ])("%j of %j is %o: what is not told grants nothing", (condition, request, truth) => {
    expect(compileCondition(condition, contextOf(), new Map()).test(facts(request))).toBe(truth);
  });

  it("may be saved and used by name, but never lead back to themselves", () => {
    const one = (id: string, when: Condition) => ({ id, name: id, when });
    const saved = new Map([["euro", one("euro", { kind: "currency", currencies: ["EUR"] })]]);
    const compiled = compileCondition({ kind: "not", of: { kind: "saved", id: "euro" } }, contextOf(), saved);
    expect(compiled.test(facts())).toBe(false);
    const circle = [
      one("a", { kind: "not", of: { kind: "saved", id: "b" } }),
      one("b", { kind: "all", of: [{ kind: "saved", id: "a" }] }),
    ];
    expect(circleProblems(circle).map(({ path }) => path)).toEqual(["/conditions/0/when", "/conditions/1/when"]);
    expect(circleProblems([one("c", { kind: "saved", id: "a" }), ...circle])).toHaveLength(2);
  });
});

describe("time by a market's clocks", () => {
  it("agrees with luxon on weekdays and minutes, over every change of offset", () => {
    const zones = [
      "Europe/Lisbon",
      "America/New_York",
      "Asia/Tokyo",
      "Asia/Kuwait",
      "Australia/Lord_Howe",
      "Africa/Casablanca",
    ];
    const moment = fc.integer({ min: Date.UTC(2016, 0, 1), max: Date.UTC(2044, 0, 1) });
    for (const zone of zones) {
      const clock = zoneClock(zone);
      const agree = (time: number) => {
        const local = DateTime.fromMillis(time, { zone });
        const { weekday, minute } = clock(time);
        expect({ zone, time, weekday, minute }).toEqual({
          zone,
          time,
          weekday: local.weekday,
          minute: local.hour * 60 + local.minute,
        });
      };
      fc.assert(fc.property(moment, agree), { numRuns: 300 });
      // Every quarter of an hour of the days on which the offset changes, of two years.
      const offset = (time: number) => DateTime.fromMillis(time, { zone }).offset;
      for (let day = Date.UTC(2026, 0, 1); day < Date.UTC(2028, 0, 1); day += DAY)
        if (offset(day) !== offset(day + DAY)) for (let time = day; time <= day + DAY; time += 15 * 60_000) agree(time);
    }
  });

  // Lisbon, 29 March 2026: 01:00 to 02:00 does not exist; 25 October 2026: it happens twice. (IANA tz, through luxon.)
  it("moves a skipped time forward; a doubled one starts early and ends late", () => {
    const iso = (time: number) => new Date(time).toISOString().slice(0, 16);
    expect(iso(momentOf("2026-03-29T01:30", "Europe/Lisbon", "start"))).toBe("2026-03-29T01:30");
    expect(
      DateTime.fromMillis(momentOf("2026-03-29T01:30", "Europe/Lisbon", "start"), { zone: "Europe/Lisbon" }).toFormat(
        "HH:mm",
      ),
    ).toBe("02:30");
    expect(iso(momentOf("2026-10-25T01:30", "Europe/Lisbon", "start"))).toBe("2026-10-25T00:30");
    expect(iso(momentOf("2026-10-25T01:30", "Europe/Lisbon", "end"))).toBe("2026-10-25T01:30");
  });

  it("ends a schedule 'until Monday' when Tuesday begins, by the market's clocks, across a change of offset", () => {
    const [start, end] = interval({ from: "2026-10-24", until: "2026-10-26" }, "Europe/Lisbon");
    expect((end - start) / 3_600_000).toBe(73);
    const at = (time: number) =>
      truthOf(
        { kind: "between", from: "2026-10-24", until: "2026-10-26" },
        facts({ at: new Date(time).toISOString() }),
      );
    expect([at(start - 1), at(start), at(end - 1), at(end)]).toEqual([false, true, true, false]);
    expect(nextDay("2028-02-28")).toBe("2028-02-29");
  });

  it("reads hours that run past midnight", () => {
    const night: Condition = { kind: "hours", from: "22:00", until: "06:00" };
    const at = (time: string) => truthOf(night, facts({ at: `2026-11-28T${time}:00Z` }));
    expect(["21:59", "22:00", "05:59", "06:00"].map(at)).toEqual([false, true, true, false]);
    expect(truthOf({ kind: "weekdays", days: [6] }, facts({ at: "2026-11-28T23:59:59Z" }))).toBe(true);
    expect(truthOf({ kind: "weekdays", days: [6] }, facts({ at: "2026-11-29T00:00:00Z" }))).toBe(false);
  });
});
