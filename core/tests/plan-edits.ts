import equal from "fast-deep-equal";
import type { Change } from "../plan/entities.ts";
import { entitiesOf, entityKey, planOf } from "../plan/entities.ts";
import type { Plan } from "../plan/plan.ts";

/** A plan as plain data that an edit may change anywhere; the schemas check it again afterwards. */
// biome-ignore lint/suspicious/noExplicitAny: edits break plans on purpose
export type Draft = any;

/** A way a person changes the demo plan. */
export type PlanEdit = { readonly name: string; readonly edit: (draft: Draft) => void };

/** The plan after an edit; the one given stays as it is. */
export function edited(plan: Plan, { edit }: PlanEdit): Plan {
  const draft: Draft = structuredClone(plan);
  edit(draft);
  // What the edit leaves alone is the same object still, as it is in the app: nothing is checked anew of it.
  for (const [key, of] of Object.entries(plan)) if (key in draft) draft[key] = untouched(of, draft[key]);
  return draft;
}

function untouched(before: unknown, after: Draft): Draft {
  if (equal(before, after)) return before;
  if (!Array.isArray(before) || !Array.isArray(after)) return after;
  return after.map((one) => before.find((other) => equal(other, one)) ?? one);
}

/** The plan after changes, as a fix makes them. */
export function changed(plan: Plan, changes: readonly Change[]): Plan {
  const entities = new Map(entitiesOf(plan).map((entity) => [entityKey(entity), entity]));
  for (const change of changes) {
    if (change.body === null) entities.delete(entityKey(change));
    else entities.set(entityKey(change), change);
  }
  const next = planOf([...entities.values()]);
  if (!next) throw new Error("the plan lost its store");
  return next;
}

const by = (list: Draft[], id: string): Draft => list.find((one) => one.id === id);
const offer = (draft: Draft, id: string) => by(draft.offers, id);
const option = (draft: Draft, id: string) => by(draft.options, id);
const zone = (draft: Draft, id: string) => by(draft.zones, id);
const goalOf = (draft: Draft, id: string, step = 0) => offer(draft, id).steps[step].trigger.goal.at;

/** Some thirty ways in which a person would break the demo plan, with the finding that has to catch each (null: none does). */
export const BREAKING: readonly (PlanEdit & { readonly caughtBy: string | null })[] = [
  {
    name: "yen typed as if they were euro",
    caughtBy: "goals-differ",
    edit: (d) => {
      goalOf(d, "free-post").byCurrency.JPY = "60";
    },
  },
  {
    name: "a nought too many in pounds",
    caughtBy: "goals-differ",
    edit: (d) => {
      goalOf(d, "free-post").byCurrency.GBP = "500.00";
    },
  },
  {
    name: "a notice for the islands without their language",
    caughtBy: "translation-missing",
    edit: (d) => {
      delete by(d.notices, "islands-delay").texts.pt;
    },
  },
  {
    name: "the dollar amount of a goal deleted",
    caughtBy: "step-without-amount",
    edit: (d) => {
      delete goalOf(d, "free-post").byCurrency.USD;
    },
  },
  {
    name: "the pound price of post deleted",
    caughtBy: "option-without-price",
    edit: (d) => {
      delete option(d, "post").charge.amount.byCurrency.GBP;
    },
  },
  {
    name: "a wide case put above a narrow one",
    caughtBy: "entry-never-fires",
    edit: (d) => {
      option(d, "trade-pallet").charge.entries.unshift({
        position: 1,
        when: { kind: "items", is: "at-least", count: 0 },
        charge: { kind: "flat", amount: { byCurrency: { EUR: "9.00" } } },
      });
    },
  },
  {
    name: "the last, catch-all case removed",
    caughtBy: "list-leaves-gap",
    edit: (d) => {
      const c = option(d, "trade-pallet").charge;
      c.entries = c.entries.filter((e: Draft) => e.when);
    },
  },
  {
    name: "the Azores left without any option",
    caughtBy: "zone-without-options",
    edit: (d) => {
      for (const o of d.options) o.zones = o.zones.filter((z: string) => z !== "azores");
      for (const f of d.offers) f.zones = f.zones.filter((z: string) => z !== "azores");
    },
  },
  {
    name: "a zone emptied of its places",
    caughtBy: "zone-without-places",
    edit: (d) => {
      zone(d, "japan").destinations = [];
    },
  },
  {
    name: "a country moved to one zone and left in the other",
    caughtBy: "place-claimed-twice",
    edit: (d) => {
      zone(d, "spain").destinations.push({ country: "FR" });
    },
  },
  {
    name: "tax flipped in a basis",
    caughtBy: "basis-unlike-prices",
    edit: (d) => {
      offer(d, "free-standard").counts.basis.tax = "without";
    },
  },
  {
    name: "order discounts no longer taken off",
    caughtBy: "basis-before-discounts",
    edit: (d) => {
      offer(d, "free-post").counts.basis.orderDiscounts = "out";
    },
  },
  {
    name: "an old amount left in a text",
    caughtBy: "amount-typed-in-text",
    edit: (d) => {
      offer(d, "members").steps[0].reward.amount.byCurrency.EUR = "4.50";
    },
  },
  {
    name: "a text that promises free delivery for money off",
    caughtBy: "text-promises-free",
    edit: (d) => {
      offer(d, "heavy-paper").steps[0].wording.reached.en = "Heavy parcel: the courier is free";
    },
  },
  {
    name: "a later step below an earlier one",
    caughtBy: "goals-fall",
    edit: (d) => {
      goalOf(d, "trade-islands", 2).byCurrency.EUR = "90.00";
    },
  },
  {
    name: "a goal that one bottle of ink meets",
    caughtBy: "goal-met-by-one-product",
    edit: (d) => {
      goalOf(d, "free-standard").byCurrency.EUR = "1.00";
    },
  },
  {
    name: "a condition that contradicts itself",
    caughtBy: "condition-never-holds",
    edit: (d) => {
      offer(d, "heavy-paper").when = {
        kind: "all",
        of: [
          { kind: "items", is: "more-than", count: 5 },
          { kind: "items", is: "at-most", count: 5 },
        ],
      };
    },
  },
  {
    name: "a condition on a country the zone does not have",
    caughtBy: "condition-never-holds",
    edit: (d) => {
      offer(d, "members").when = { kind: "all", of: [{ kind: "signed-in" }, { kind: "country", countries: ["US"] }] };
    },
  },
  {
    name: "a condition that nobody can fail",
    caughtBy: "condition-always-holds",
    edit: (d) => {
      option(d, "express").when = {
        kind: "any",
        of: [
          { kind: "lines", is: "at-most", count: 20 },
          { kind: "lines", is: "more-than", count: 5 },
        ],
      };
    },
  },
  {
    name: "start and end of a weekend swapped",
    caughtBy: "schedule-never-runs",
    edit: (d) => {
      offer(d, "advent-weekend").schedule = [{ from: "2026-11-30", until: "2026-11-27" }];
    },
  },
  {
    name: "last year's weekend",
    caughtBy: "offer-ended",
    edit: (d) => {
      offer(d, "advent-weekend").schedule = [{ from: "2025-11-27", until: "2025-11-30" }];
    },
  },
  {
    name: "two weekends that overlap",
    caughtBy: "schedule-overlaps",
    edit: (d) => {
      offer(d, "advent-weekend").schedule[0].until = "2026-12-05";
    },
  },
  {
    name: "a start in the hour that clocks skip",
    caughtBy: "schedule-in-skipped-hour",
    edit: (d) => {
      offer(d, "advent-weekend").schedule = [{ from: "2027-03-28T01:30", until: "2027-03-30" }];
    },
  },
  {
    name: "the newsletter's code given to a second offer",
    caughtBy: "code-collides",
    edit: (d) => {
      d.offers.push({ ...structuredClone(offer(d, "newsletter")), id: "second", position: 200, name: "Second letter" });
    },
  },
  {
    name: "a carrier's fallback removed",
    caughtBy: "carrier-without-fallback",
    edit: (d) => {
      delete option(d, "by-air").charge.fallback;
    },
  },
  {
    name: "a second option of the same name",
    caughtBy: "options-share-name",
    edit: (d) => {
      d.options.push({ ...structuredClone(option(d, "express")), id: "express-2", position: 21 });
    },
  },
  {
    name: "a reward on an option of another zone",
    caughtBy: "reward-option-not-there",
    edit: (d) => {
      offer(d, "free-standard").steps[0].reward.options = ["islands"];
    },
  },
  {
    name: "rates not read for a month",
    caughtBy: "rates-old",
    edit: (d) => {
      d.rates[0].days = d.rates[0].days.filter((day: Draft) => day.date < "2026-10-20");
    },
  },
  {
    name: "a rounding to the cent",
    caughtBy: "converted-goal-not-round",
    edit: (d) => {
      goalOf(d, "free-post").converted.to.KWD.step = "0.005";
    },
  },
  {
    name: "an offer left without zones",
    caughtBy: "offer-nowhere",
    edit: (d) => {
      offer(d, "heavy-paper").zones = [];
    },
  },
  {
    name: "every text of an offer taken away",
    caughtBy: "offer-says-nothing",
    edit: (d) => {
      for (const step of offer(d, "heavy-paper").steps) step.wording = {};
    },
  },
  {
    name: "a gift that nobody sells",
    caughtBy: "gift-not-sold",
    edit: (d) => {
      for (const step of offer(d, "trade-islands").steps)
        if (step.reward.kind === "gift") step.reward.sku = "blotter-gone";
    },
  },
  {
    name: "one option switched off that an offer still leans on",
    caughtBy: "reward-option-not-there",
    edit: (d) => {
      option(d, "express").on = false;
    },
  },
];

/** Thirty edits a careful person makes; none of them may be found fault with. */
export const HEALTHY: readonly PlanEdit[] = [
  {
    name: "a case for one postcode in what a single zone has of its own",
    edit: (d) => {
      option(d, "islands").byZone = {
        madeira: {
          charge: {
            kind: "conditional",
            take: "first",
            entries: [
              {
                position: 1,
                when: { kind: "postcode", country: "PT", patterns: ["9020-114"] },
                charge: { kind: "flat", amount: { byCurrency: { EUR: "3.90" } } },
              },
              { position: 2, charge: { kind: "flat", amount: { byCurrency: { EUR: "9.90" } } } },
            ],
          },
        },
      };
    },
  },
  { name: "nothing", edit: () => {} },
  {
    name: "a goal raised a little",
    edit: (d) => {
      goalOf(d, "free-standard").byCurrency.EUR = "49.00";
    },
  },
  {
    name: "a goal lowered a little",
    edit: (d) => {
      goalOf(d, "free-post").byCurrency.EUR = "55.00";
    },
  },
  {
    name: "pounds a little rounder",
    edit: (d) => {
      goalOf(d, "free-post").byCurrency.GBP = "55.00";
    },
  },
  {
    name: "yen pinned",
    edit: (d) => {
      goalOf(d, "free-post").byCurrency.JPY = "9500";
    },
  },
  {
    name: "a price changed",
    edit: (d) => {
      option(d, "standard").charge.amount.byCurrency.EUR = "5.20";
    },
  },
  {
    name: "an option renamed",
    edit: (d) => {
      option(d, "express").name.en = "Next day";
    },
  },
  {
    name: "an offer switched off",
    edit: (d) => {
      offer(d, "notebooks").on = false;
    },
  },
  {
    name: "an offer renamed",
    edit: (d) => {
      offer(d, "notebooks").name = "Pieces to Spain";
    },
  },
  {
    name: "a purpose written down",
    edit: (d) => {
      offer(d, "notebooks").purpose = "More pieces in a parcel.";
    },
  },
  {
    name: "a weekend added",
    edit: (d) => {
      offer(d, "advent-weekend").schedule.push({ from: "2026-12-11", until: "2026-12-14" });
    },
  },
  {
    name: "a weekend that starts at nine",
    edit: (d) => {
      offer(d, "advent-weekend").schedule[0].from = "2026-11-27T09:00";
    },
  },
  {
    name: "a limit raised",
    edit: (d) => {
      offer(d, "newsletter").limits.overall = 3000;
    },
  },
  {
    name: "a code more",
    edit: (d) => {
      offer(d, "newsletter").steps[0].trigger.codes.push("INKPOST");
    },
  },
  {
    name: "a condition tightened",
    edit: (d) => {
      offer(d, "heavy-paper").when = {
        kind: "all",
        of: [
          { kind: "saved", id: "no-downloads-only" },
          { kind: "items", is: "at-most", count: 40 },
        ],
      };
    },
  },
  {
    name: "weekday evenings only",
    edit: (d) => {
      offer(d, "members").when = {
        kind: "all",
        of: [
          { kind: "signed-in" },
          { kind: "weekdays", days: [1, 2, 3, 4, 5] },
          { kind: "hours", from: "18:00", until: "22:00" },
        ],
      };
    },
  },
  {
    name: "a condition about readers or trade",
    edit: (d) => {
      offer(d, "notebooks").when = {
        kind: "any",
        of: [
          { kind: "group", groups: ["readers"] },
          { kind: "saved", id: "trade" },
        ],
      };
    },
  },
  {
    name: "a case more, narrower and first",
    edit: (d) => {
      option(d, "trade-pallet").charge.entries.push({
        position: 5,
        when: { kind: "items", is: "more-than", count: 80 },
        charge: { kind: "flat", amount: { byCurrency: { EUR: "3.00" } } },
      });
    },
  },
  {
    name: "a band more",
    edit: (d) => {
      option(d, "express").charge.edges.push({
        edge: "from",
        at: { byCurrency: { EUR: "150.00" } },
        price: { byCurrency: { EUR: "5.50" } },
      });
    },
  },
  {
    name: "a band that ends in nothing offered",
    edit: (d) => {
      option(d, "express").charge.edges.push({
        edge: "above",
        at: { byCurrency: { EUR: "900.00" } },
        price: "not-offered",
      });
    },
  },
  {
    name: "handling on top",
    edit: (d) => {
      option(d, "standard").handling = { fixed: { byCurrency: { EUR: "0.50" } } };
    },
  },
  {
    name: "an own charge for the Azores",
    edit: (d) => {
      option(d, "islands").byZone = { azores: { charge: { kind: "flat", amount: { byCurrency: { EUR: "14.90" } } } } };
    },
  },
  {
    name: "a country added to the euro area",
    edit: (d) => {
      zone(d, "euro-area").destinations.push({ country: "MC" });
    },
  },
  {
    name: "a country moved to Spain's zone",
    edit: (d) => {
      const z = zone(d, "euro-area");
      z.destinations = z.destinations.filter((x: Draft) => x.country !== "FR");
      zone(d, "spain").destinations.push({ country: "FR" });
    },
  },
  {
    name: "a postcode range added",
    edit: (d) => {
      zone(d, "uk-highlands").destinations[0].postcodes.push("AB36..AB38");
    },
  },
  {
    name: "another day of rates",
    edit: (d) => {
      d.rates[0].days.push({
        date: "2026-11-23",
        rates: { GBP: "0.8750", JPY: "158.90", KWD: "0.3359", USD: "1.0941" },
      });
    },
  },
  {
    name: "yen rounded down",
    edit: (d) => {
      goalOf(d, "free-post").converted.to.JPY.direction = "down";
    },
  },
  {
    name: "a text reworded",
    edit: (d) => {
      offer(d, "free-standard").steps[0].wording["on-the-way"].en = "{remaining} to go, and standard delivery is free";
    },
  },
  {
    name: "a text for the banner",
    edit: (d) => {
      offer(d, "free-standard").steps[0].wording.on = {
        banner: { empty: { en: "Free delivery from {goal}", pt: "Entrega grátis a partir de {goal}" } },
      };
    },
  },
  {
    name: "offers in another order",
    edit: (d) => {
      offer(d, "free-standard").position = 17;
    },
  },
];

/** Faults that the thirty do not have, each with its nearest healthy neighbour. */
export const MORE_FAULTS: readonly {
  readonly code: string;
  readonly fault: PlanEdit["edit"];
  readonly healthy: PlanEdit["edit"];
}[] = [
  {
    code: "zone-offers-nothing-for-some",
    fault: (d) => {
      option(d, "post").when = { kind: "items", is: "at-most", count: 20 };
    },
    healthy: (d) => {
      option(d, "courier").when = { kind: "items", is: "at-most", count: 20 };
    },
  },
  {
    code: "gives-nothing",
    fault: (d) => {
      const o = structuredClone(offer(d, "free-standard"));
      d.offers.push({
        ...o,
        id: "late",
        position: 300,
        name: "Too late",
        steps: [
          { ...o.steps[0], trigger: { kind: "goal", goal: { at: { byCurrency: { EUR: "60.00" } }, edge: "from" } } },
        ],
      });
    },
    healthy: (d) => {
      const o = structuredClone(offer(d, "free-standard"));
      d.offers.push({
        ...o,
        id: "early",
        position: 300,
        name: "In time",
        steps: [
          {
            ...o.steps[0],
            reward: { kind: "free", options: ["express"] },
            trigger: { kind: "goal", goal: { at: { byCurrency: { EUR: "60.00" } }, edge: "from" } },
          },
        ],
      });
    },
  },
  {
    code: "goal-out-of-reach",
    fault: (d) => {
      offer(d, "free-standard").when = {
        kind: "value",
        basis: offer(d, "free-standard").counts.basis,
        is: "less-than",
        amount: { byCurrency: { EUR: "40.00" } },
      };
    },
    healthy: (d) => {
      offer(d, "free-standard").when = {
        kind: "value",
        basis: offer(d, "free-standard").counts.basis,
        is: "less-than",
        amount: { byCurrency: { EUR: "90.00" } },
      };
    },
  },
  {
    code: "price-cliff",
    fault: (d) => {
      option(d, "express").charge.edges.push({
        edge: "from",
        at: { byCurrency: { EUR: "200.00" } },
        price: { byCurrency: { EUR: "29.00" } },
      });
    },
    healthy: (d) => {
      option(d, "express").charge.edges.push({
        edge: "from",
        at: { byCurrency: { EUR: "200.00" } },
        price: { byCurrency: { EUR: "9.00" } },
      });
    },
  },
  {
    code: "translation-outdated",
    fault: (d) => {
      offer(d, "free-standard").steps[0].wording.translatedFrom = { "empty/pt": "Free delivery from {goal}" };
    },
    healthy: (d) => {
      offer(d, "free-standard").steps[0].wording.translatedFrom = { "empty/pt": "Free standard delivery from {goal}" };
    },
  },
  {
    code: "translation-missing",
    fault: (d) => {
      delete offer(d, "trade-islands").steps[1].wording.reached.pt;
    },
    healthy: (d) => {
      offer(d, "trade-islands").steps[1].wording.reached.pt = "Vai na encomenda";
    },
  },
  {
    code: "plural-missing",
    fault: (d) => {
      offer(d, "notebooks").steps[0].wording["on-the-way"].ar = "{remaining, plural, one {قطعة} other {# قطع}}";
    },
    healthy: (d) => {
      offer(d, "notebooks").steps[0].wording["on-the-way"].ja = "{remaining, plural, other {あと#点}}";
    },
  },
  {
    code: "visitor-may-be-denied",
    fault: (d) => {
      offer(d, "free-standard").steps[0].wording["place-unknown"].en = "Free standard delivery from {goal}";
    },
    healthy: (d) => {
      offer(d, "free-standard").steps[0].wording["place-unknown"].en = "From {goal}, free in {place}";
    },
  },
  {
    code: "narrow-zone-lacks-options",
    fault: (d) => {
      option(d, "courier").zones = option(d, "courier").zones.filter((id: string) => id !== "uk-highlands");
    },
    healthy: (d) => {
      option(d, "courier").zones = [...option(d, "courier").zones];
    },
  },
  {
    code: "charges-less-than-it-costs",
    fault: (d) => {
      option(d, "porto-round").costsStore = { per: "trip", amount: { byCurrency: { EUR: "90.00" } }, deliveries: 4 };
    },
    healthy: (d) => {
      option(d, "porto-round").costsStore = { per: "trip", amount: { byCurrency: { EUR: "2.00" } }, deliveries: 4 };
    },
  },
  {
    code: "forgotten-on-channel",
    fault: (d) => {
      d.store.channels = [
        { id: "web", name: "Web shop" },
        { id: "app", name: "App" },
      ];
      option(d, "post").channels = ["web"];
    },
    healthy: (d) => {
      d.store.channels = [
        { id: "web", name: "Web shop" },
        { id: "app", name: "App" },
      ];
      option(d, "post").channels = ["web", "app"];
    },
  },
  {
    code: "share-of-flat-charge",
    fault: (d) => {
      offer(d, "free-standard").steps[0].reward.goods = { categories: ["paper"] };
    },
    healthy: (d) => {
      offer(d, "islands-sea").steps[0].reward.goods = { categories: ["paper"] };
    },
  },
  {
    code: "breaks-a-rule",
    fault: (d) => {
      offer(d, "notebooks").steps[0].wording.reached.en = "Past {goal, number, ::currency/nope}";
    },
    healthy: (d) => {
      offer(d, "notebooks").steps[0].wording["on-the-way"].en = "{remaining, plural, other {# more}} to {goal, number}";
    },
  },
  {
    code: "region-undecided",
    fault: (d) => {
      zone(d, "euro-area").destinations.find((one: Draft) => one.country === "NL").exceptRegions = ["NL-FR"];
    },
    healthy: (d) => {
      zone(d, "euro-area").destinations.find((one: Draft) => one.country === "IT").exceptRegions = ["IT-88"];
    },
  },
  {
    code: "postcode-of-no-country",
    fault: (d) => {
      zone(d, "azores").destinations.push({ country: "PT", postcodes: ["9500-0123"] });
    },
    healthy: (d) => {
      zone(d, "azores").destinations.push({ country: "PT", postcodes: ["9500-012", "9501"] });
    },
  },
  {
    code: "amount-typed-in-text",
    fault: (d) => {
      option(d, "express").note = { en: [{ text: "Free from " }, { text: "EUR 1.000", bold: true }] };
    },
    healthy: (d) => {
      option(d, "standard").note = { en: "Free from 45 euros", pt: "Grátis a partir de 45,00 €" };
    },
  },
  {
    // For the whole plan, an amount would have to be every offer's.
    code: "amount-typed-in-text",
    fault: (d) => {
      d.store.wording = { reached: { en: "Past £50!" } };
    },
    healthy: (d) => {
      d.store.wording = { reached: { en: "Past {goal}, 2 of 3" } };
    },
  },
  {
    // Within the sixty percent that are let be unless the store says another figure.
    code: "goals-differ",
    fault: (d) => {
      d.store.goalsMayStray = "15";
      goalOf(d, "free-post").byCurrency.GBP = "62.00";
    },
    healthy: (d) => {
      goalOf(d, "free-post").byCurrency.GBP = "62.00";
    },
  },
  {
    code: "goods-not-sold",
    fault: (d) => {
      offer(d, "notebooks").counts.only = { categories: ["note-books"] };
    },
    healthy: (d) => {
      offer(d, "notebooks").counts.only = { categories: ["note-books", "notebooks"] };
    },
  },
  {
    code: "goods-not-sold",
    fault: (d) => {
      option(d, "express").when = {
        kind: "line",
        how: "any",
        figure: { kind: "price", is: "at-least", amount: { byCurrency: { EUR: "9000.00" } } },
      };
    },
    healthy: (d) => {
      option(d, "express").when = {
        kind: "line",
        how: "none",
        figure: { kind: "price", is: "at-least", amount: { byCurrency: { EUR: "9000.00" } } },
      };
    },
  },
  {
    code: "guests-locked-out",
    fault: (d) => {
      offer(d, "free-standard").limits = { perShopper: 1 };
    },
    healthy: (d) => {
      offer(d, "members").limits = { perShopper: 1 };
      offer(d, "free-standard").limits = { perShopper: 1, guests: "every-time" };
    },
  },
  {
    code: "nothing-offered-yet",
    fault: (d) => {
      Object.assign(d, { options: [], offers: [] });
    },
    healthy: (d) => {
      Object.assign(d, { options: [option(d, "standard")], offers: [] });
    },
  },
  {
    code: "options-could-be-one",
    fault: (d) => {
      d.options.push({
        ...structuredClone(option(d, "far-post")),
        id: "islands-post",
        position: 900,
        zones: ["madeira"],
      });
    },
    healthy: (d) => {
      const other = {
        ...structuredClone(option(d, "far-post")),
        id: "islands-post",
        position: 900,
        zones: ["madeira"],
      };
      d.options.push({ ...other, code: "ISL" });
    },
  },
  {
    code: "sum-counts-twice",
    fault: (d) => {
      option(d, "express").charge = addedUp("at-least");
    },
    healthy: (d) => {
      option(d, "express").charge = addedUp("more-than");
    },
  },
  {
    code: "vanish-at-edge",
    fault: (d) => takeTurns(d, "more-than"),
    healthy: (d) => takeTurns(d, "at-least"),
  },
  {
    code: "zone-left-out",
    fault: (d) => {
      option(d, "standard").zones.push("madeira");
      offer(d, "islands-sea").on = false;
      offer(d, "trade-islands").on = false;
    },
    healthy: (d) => {
      option(d, "standard").zones.push("madeira");
      offer(d, "free-standard").zones.push("madeira");
      offer(d, "advent-weekend").zones.push("madeira");
      option(d, "express").zones.push("madeira");
      offer(d, "islands-sea").on = false;
      offer(d, "trade-islands").on = false;
    },
  },
  {
    code: "zone-with-one-option",
    fault: (d) => {
      option(d, "courier").zones = option(d, "courier").zones.filter((id: string) => id !== "kuwait");
    },
    healthy: (d) => {
      option(d, "courier").zones = option(d, "courier").zones.filter((id: string) => id !== "japan");
    },
  },
];

/** Two cases that are added up, the second from eight items on. */
const addedUp = (is: string) => ({
  kind: "conditional",
  take: "sum",
  entries: [
    { is: "at-most", price: "4.00" },
    { is, price: "6.00" },
  ].map(({ is, price }, i) => ({
    position: i,
    when: { kind: "items", is, count: 8 },
    charge: { kind: "flat", amount: { byCurrency: { EUR: price } } },
  })),
});

/** Express below 80, the trade parcel above it. */
function takeTurns(draft: Draft, is: string): void {
  const { basis } = offer(draft, "free-standard").counts;
  const amount = { byCurrency: { EUR: "80.00" } };
  option(draft, "express").when = { kind: "value", basis, is: "less-than", amount };
  option(draft, "trade-pallet").zones = ["portugal-mainland"];
  option(draft, "trade-pallet").when = { kind: "value", basis, is, amount };
}
