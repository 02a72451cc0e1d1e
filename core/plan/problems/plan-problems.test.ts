import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { english } from "../../phrases/speak.ts";
import { type Draft, edited } from "../../tests/plan-edits.ts";
import type { Plan } from "../plan.ts";
import { planProblems } from "./plan-problems.ts";

const demo: Plan = JSON.parse(readFileSync(new URL("../../../demo/plan.json", import.meta.url), "utf8"));

const at = (draft: Draft, list: string, id: string) => draft[list].findIndex((one: { id: string }) => one.id === id);
const one = (draft: Draft, list: string, id: string): Draft => draft[list][at(draft, list, id)];
const offer = (draft: Draft, id: string) => one(draft, "offers", id);

/** Each rule broken once, by an edit of the demo, with what has to be said and where. */
const RULES: readonly { rule: string; edit: (draft: Draft) => void; path: RegExp; says: RegExp }[] = [
  {
    rule: "ids are used once in a list",
    edit: (d) => d.zones.push({ ...d.zones[0] }),
    path: /^\/zones\/\d+\/id$/,
    says: /used more than once/,
  },
  {
    rule: "steps of an offer have ids of their own",
    edit: (d) => {
      const { steps } = offer(d, "free-post");
      steps[1].id = steps[0].id;
    },
    path: /^\/offers\/\d+\/steps\/1\/id$/,
    says: /used more than once/,
  },
  {
    rule: "surcharges of an option have ids of their own",
    edit: (d) => {
      const charge = { kind: "flat", amount: { byCurrency: { EUR: "1" } } };
      const surcharge = { id: "far", position: 1, name: { en: "Far" }, charge };
      one(d, "options", "standard").surcharges = [surcharge, surcharge];
    },
    path: /\/surcharges\/1\/id$/,
    says: /used more than once/,
  },
  {
    rule: "goods are shipped from a location that is there",
    edit: (d) => {
      d.store.shipsFrom = "moon";
    },
    path: /^\/store\/shipsFrom$/,
    says: /there is no location "moon"/,
  },
  {
    rule: "the price of the fastest option is an amount of its currencies",
    edit: (d) => {
      d.store.chosenAtFirst = { rule: "fastest-under", price: { byCurrency: { EUR: "1.001" } } };
    },
    path: /^\/store\/chosenAtFirst\/price\/byCurrency\/EUR$/,
    says: /decimals/,
  },
  {
    rule: "house texts mention only what is filled",
    edit: (d) => {
      d.store.wording = { covered: { en: "{remaining} more" } };
    },
    path: /^\/store\/wording\/covered\/en$/,
    says: /nothing fills the placeholder {remaining}/,
  },
  {
    rule: "currencies are active ones of ISO 4217",
    edit: (d) => {
      d.markets[0].currencies.push("PTE");
    },
    path: /^\/markets\/0\/currencies\/1$/,
    says: /PTE is not an active/,
  },
  {
    rule: "markets keep a time zone of the IANA",
    edit: (d) => {
      d.markets[0].timeZone = "Europe/Lisboa";
    },
    path: /^\/markets\/0\/timeZone$/,
    says: /no.* IANA time zone/,
  },
  {
    rule: "locations keep a time zone of the IANA",
    edit: (d) => {
      d.locations[0].timeZone = "Porto";
    },
    path: /^\/locations\/0\/timeZone$/,
    says: /IANA time zone/,
  },
  {
    rule: "locations close after they open",
    edit: (d) => {
      d.locations[0].openingHours = [{ days: [1], from: "18:00", until: "09:00" }];
    },
    path: /^\/locations\/0\/openingHours\/0\/until$/,
    says: /later than it opens/,
  },
  {
    rule: "zones belong to a market that is there",
    edit: (d) => {
      d.zones[0].market = "atlantis";
    },
    path: /^\/zones\/0\/market$/,
    says: /there is no market "atlantis"/,
  },
  {
    rule: "destinations are places that can be read",
    edit: (d) => {
      d.zones[0].destinations = [{ country: "PT", postcodes: ["9000..1000"] }];
    },
    path: /^\/zones\/0\/destinations\/0/,
    says: /./,
  },
  {
    rule: "a zone's handling is an amount of its currencies",
    edit: (d) => {
      d.zones[0].handling = { fixed: { byCurrency: { EUR: "0.505" } } };
    },
    path: /^\/zones\/0\/handling\/fixed\/byCurrency\/EUR$/,
    says: /decimals/,
  },
  {
    rule: "options are offered in zones that are there",
    edit: (d) => one(d, "options", "standard").zones.push("moon"),
    path: /^\/options\/\d+\/zones\/\d+$/,
    says: /there is no zone "moon"/,
  },
  {
    rule: "collection is at a location that is there",
    edit: (d) => {
      one(d, "options", "standard").way = { kind: "collected", location: "moon" };
    },
    path: /^\/options\/\d+\/way\/location$/,
    says: /there is no location "moon"/,
  },
  {
    rule: "a minimum is an amount of its currencies",
    edit: (d) => {
      one(d, "options", "standard").minimum = { byCurrency: { JPY: "1.5" } };
    },
    path: /^\/options\/\d+\/minimum\/byCurrency\/JPY$/,
    says: /decimals/,
  },
  {
    rule: "rounding is to steps its currency has",
    edit: (d) => {
      one(d, "options", "standard").rounding = { EUR: { step: "0.001", direction: "up" } };
    },
    path: /^\/options\/\d+\/rounding\/EUR/,
    says: /./,
  },
  {
    rule: "what one zone has of its own is for a zone that is there",
    edit: (d) => {
      one(d, "options", "standard").byZone = { moon: {} };
    },
    path: /^\/options\/\d+\/byZone\/moon$/,
    says: /there is no zone "moon"/,
  },
  {
    rule: "a promise is counted from a location that is there, and forwards",
    edit: (d) => {
      one(d, "options", "standard").promise = {
        kind: "arrives",
        from: "moon",
        cutOff: "12:00",
        workingDays: [1],
        preparation: { least: 2, most: 1 },
        transit: { least: 1, most: 1 },
      };
    },
    path: /^\/options\/\d+\/promise\/(from|preparation\/most)$/,
    says: /there is no location "moon"|no less than the least/,
  },
  {
    rule: "names mention only what is filled",
    edit: (d) => {
      one(d, "options", "standard").name.en = "Standard {prise}";
    },
    path: /^\/options\/\d+\/name\/en$/,
    says: /nothing fills the placeholder {prise}/,
  },
  {
    rule: "charges take live carriers from locations that are there",
    edit: (d) => {
      one(d, "options", "standard").charge = { kind: "carrier", carrier: "osprelle", service: "parcel", from: "moon" };
    },
    path: /^\/options\/\d+\/charge\/from$/,
    says: /there is no location "moon"/,
  },
  {
    rule: "conditions name saved ones that are there, wherever they lie",
    edit: (d) => {
      one(d, "options", "standard").charge = {
        kind: "conditional",
        take: "first",
        entries: [
          {
            position: 1,
            when: { kind: "not", of: { kind: "saved", id: "moon" } },
            charge: { kind: "flat", amount: { byCurrency: { EUR: "1" } } },
          },
        ],
      };
    },
    path: /^\/options\/\d+\/charge\/entries\/0\/when\/of\/id$/,
    says: /there is no saved condition "moon"/,
  },
  {
    rule: "two edges do not start at the same count",
    edit: (d) => {
      const price = { byCurrency: { EUR: "1" } };
      const edge = { edge: "from", at: { items: 3 }, price };
      one(d, "options", "standard").charge = {
        kind: "bands",
        by: { kind: "items" },
        first: price,
        edges: [edge, edge],
      };
    },
    path: /^\/options\/\d+\/charge\/edges\/1\/at$/,
    says: /another edge starts at the same/,
  },
  {
    rule: "edges are in terms of what is counted",
    edit: (d) => {
      const price = { byCurrency: { EUR: "1" } };
      const edges = [{ edge: "from", at: { items: 3 }, price }];
      one(d, "options", "standard").charge = { kind: "bands", by: { kind: "weight" }, first: price, edges };
    },
    path: /^\/options\/\d+\/charge\/edges\/0\/at$/,
    says: /has to be a weight/,
  },
  {
    rule: "offers hold in zones that are there",
    edit: (d) => offer(d, "notebooks").zones.push("moon"),
    path: /^\/offers\/\d+\/zones\/\d+$/,
    says: /there is no zone "moon"/,
  },
  {
    rule: "schedules are of days that the calendar has",
    edit: (d) => {
      offer(d, "notebooks").schedule = [{ from: "2027-02-29" }];
    },
    path: /^\/offers\/\d+\/schedule\/0\/from$/,
    says: /2027-02-29 is no day/,
  },
  {
    rule: "offers go together with offers that are there",
    edit: (d) => {
      offer(d, "notebooks").stacking = { kind: "with", offers: ["moon"] };
    },
    path: /^\/offers\/\d+\/stacking\/offers\/0$/,
    says: /there is no offer "moon"/,
  },
  {
    rule: "goals are in terms of what the offer counts",
    edit: (d) => {
      offer(d, "free-standard").steps[0].trigger.goal.at = { items: 3 };
    },
    path: /^\/offers\/\d+\/steps\/0\/trigger\/goal\/at$/,
    says: /has to be an amount/,
  },
  {
    rule: "rewards are given on options that are there",
    edit: (d) => {
      offer(d, "free-standard").steps[0].reward.options = ["moon"];
    },
    path: /^\/offers\/\d+\/steps\/0\/reward\/options\/0$/,
    says: /there is no delivery option "moon"/,
  },
  {
    rule: "the option whose price is charged is there",
    edit: (d) => {
      offer(d, "free-standard").steps[0].reward = { kind: "option-price", options: ["standard"], of: "moon" };
    },
    path: /^\/offers\/\d+\/steps\/0\/reward\/of$/,
    says: /there is no delivery option "moon"/,
  },
  {
    rule: "nothing is more than all of it",
    edit: (d) => {
      offer(d, "free-standard").steps[0].reward = { kind: "percent-off", options: ["standard"], percent: "101" };
    },
    path: /^\/offers\/\d+\/steps\/0\/reward\/percent$/,
    says: /no more than 100 percent/,
  },
  {
    rule: "texts of steps can be read",
    edit: (d) => {
      offer(d, "free-standard").steps[0].wording.empty = { en: "{goal, plural, one {x}}" };
    },
    path: /^\/offers\/\d+\/steps\/0\/wording\/empty\/en$/,
    says: /cannot be read as an ICU message/,
  },
  {
    rule: "saved conditions do not lead back to themselves",
    edit: (d) => {
      d.conditions.push({ id: "round", name: "Round", when: { kind: "not", of: { kind: "saved", id: "round" } } });
    },
    path: /^\/conditions\/\d+\/when$/,
    says: /"round" leads back to itself/,
  },
  {
    rule: "rate tables are of currencies that are there",
    edit: (d) => {
      d.rates[0].days[0].rates.PTE = "1.2";
    },
    path: /^\/rates\/0\/days\/0\/rates/,
    says: /./,
  },
  {
    rule: "no rate is zero",
    edit: (d) => {
      d.rates[0].days[0].rates.USD = "0.000";
    },
    path: /^\/rates\/0\/days\/0\/rates\/USD$/,
    says: /a rate cannot be zero/,
  },
  {
    rule: "a day has its rates once",
    edit: (d) => d.rates[0].days.push({ ...d.rates[0].days[0] }),
    path: /^\/rates\/0\/days\/\d+\/date$/,
    says: /is there twice/,
  },
  {
    rule: "days of rates are days of the calendar",
    edit: (d) => {
      d.rates[0].days[0].date = "2026-02-30";
    },
    path: /^\/rates\/0\/days\/0\/date$/,
    says: /no day of the calendar/,
  },
  {
    rule: "amounts convert by tables that are there",
    edit: (d) => {
      one(d, "options", "standard").base = {
        converted: { table: "moon", to: { EUR: { step: "1", direction: "up" } } },
      };
    },
    path: /^\/options\/\d+\/base/,
    says: /moon/,
  },
  {
    rule: "converted amounts are rounded to something",
    edit: (d) => {
      one(d, "options", "standard").base = {
        byCurrency: { EUR: "1" },
        converted: { table: "reference", to: { GBP: { step: "0.00", direction: "up" } } },
      };
    },
    path: /^\/options\/\d+\/base\/converted\/to\/GBP\/step$/,
    says: /a step cannot be zero/,
  },
  {
    rule: "amounts are in currencies that there are",
    edit: (d) => {
      one(d, "options", "standard").base = { byCurrency: { EUR: "1", DEM: "2" } };
    },
    path: /^\/options\/\d+\/base\/byCurrency\/DEM$/,
    says: /DEM is not an active ISO 4217 currency/,
  },
  {
    rule: "so much more is charged for each of something",
    edit: (d) => {
      const euro = { byCurrency: { EUR: "1" } };
      const each = { weight: { value: "0", unit: "kg" } };
      one(d, "options", "standard").charge = {
        kind: "bands",
        by: { kind: "weight" },
        first: { fixed: euro, each, more: euro },
        edges: [],
      };
    },
    path: /^\/options\/\d+\/charge\/first\/each$/,
    says: /a unit cannot be nothing/,
  },
  {
    rule: "regions that are left out lie in their country",
    edit: (d) => {
      one(d, "zones", "portugal-mainland").destinations = [{ country: "PT", exceptRegions: ["ES-MD"] }];
    },
    path: /^\/zones\/\d+\/destinations\/0\/exceptRegions\/0$/,
    says: /ES-MD does not lie in PT/,
  },
  {
    rule: "words of a street can be found in one",
    edit: (d) => {
      d.conditions.push({ id: "lane", name: "Lane", when: { kind: "street", words: ["Rua", " - "] } });
    },
    path: /^\/conditions\/\d+\/when\/words\/1$/,
    says: /no letter and no digit in it/,
  },
  {
    rule: "nothing lies deeper than can be read",
    edit: (d) => {
      let when: object = { kind: "signed-in" };
      for (let i = 0; i < 70; i += 1) when = { kind: "not", of: when };
      offer(d, "notebooks").when = when;
    },
    path: /^\/offers\/\d+\/when/,
    says: /lies in more than 64 others/,
  },
];

describe("what a plan cannot be compiled with", () => {
  it("is nothing in the demo", () => {
    expect(planProblems(demo)).toEqual([]);
  });

  it.each(RULES)("$rule", ({ rule, edit, path, says }) => {
    const problems = planProblems(edited(demo, { name: rule, edit }));
    expect(problems.length).toBeGreaterThan(0);
    for (const problem of problems) {
      expect(problem.path).toMatch(path);
      expect(english(problem.message)).toMatch(says);
    }
  });

  it("is not what names a part that a file holds in a form that cannot be read", () => {
    const broken = edited(demo, { name: "gone", edit: (d) => d.zones.splice(at(d, "zones", "madeira"), 1) });
    expect(planProblems(broken).length).toBeGreaterThan(0);
    expect(planProblems(broken, new Set(["madeira"]))).toEqual([]);
  });
});
