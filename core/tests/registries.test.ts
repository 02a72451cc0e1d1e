import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { Charge } from "../charges/charge.ts";
import { CHARGE_KINDS } from "../charges/registry.ts";
import { chargeWords } from "../charges/words.ts";
import { CHECKS } from "../checks/run-checks.ts";
import type { Condition } from "../conditions/condition.ts";
import { CONDITION_KINDS, CONNECTIVE_KINDS } from "../conditions/registry.ts";
import { conditionWords } from "../conditions/words.ts";
import { stepWords } from "../explain/offer-sentence.ts";
import { whySentences } from "../explain/why-words.ts";
import { OPTION_VARIABLES } from "../messages/option-variables.ts";
import { MESSAGE_STATES } from "../messages/states.ts";
import { STEP_VARIABLES, stepVariableKinds } from "../messages/step-variables.ts";
import { TRIGGER_KINDS } from "../offers/trigger.ts";
import { english } from "../phrases/speak.ts";
import { ENTITY_KINDS, entitiesOf, entityKinds, planOf } from "../plan/entities.ts";
import type { Plan } from "../plan/plan.ts";
import { quote } from "../quote/quote.ts";
import type { QuoteRequest } from "../request/request.ts";
import { DELIVERY_REWARDS, ORDER_REWARDS } from "../rewards/reward.ts";
import { checkEntity, checkPlan } from "../validation/documents.ts";
import { compiledPlan } from "./compiled.ts";
import { oneZonePlan } from "./one-zone.ts";

// Every kind of everything is in its registry, has an example, and the example goes all the way: through the schema, the engine
// and its words. A kind that one of them does not know fails here.

/** Names of the files that define kinds. */
const filesIn = (folder: string): string[] =>
  readdirSync(new URL(`../${folder}/`, import.meta.url))
    .filter((file) => file.endsWith(".ts"))
    .map((file) => file.slice(0, -3))
    .sort();

const DEMO: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));
const context = { zone: null, market: "portugal", currency: "EUR", rates: new Map() };
const eur = (text: string) => ({ byCurrency: { EUR: text } });

const REQUEST: QuoteRequest = {
  at: "2026-11-28T10:00:00Z",
  currency: "EUR",
  locale: "en",
  destination: { country: "PT", postcode: "3000-001" },
  shopper: { id: "s-1", signedIn: true },
  cart: {
    lines: [{ sku: "ink", quantity: 3, unitPrice: 2000, weight: { value: "200", unit: "g" } }],
    codes: ["INKLOVE", "PAPERPOST"],
  },
};

/** A plan of two options and one offer, with parts of its own in it; read by the schema, as from a file. */
function planWith(parts: { when?: unknown; charge?: unknown; reward?: unknown; trigger?: unknown }): Plan {
  const base = oneZonePlan({
    options: [
      {
        id: "standard",
        position: 1,
        name: { en: "Standard" },
        zones: ["z"],
        charge: { kind: "flat", amount: eur("4.90") },
      },
      {
        id: "express",
        position: 2,
        name: { en: "Express" },
        zones: ["z"],
        charge: { kind: "flat", amount: eur("9.50") },
      },
    ],
    locations: (DEMO.locations ?? []).slice(0, 1).map((location) => ({ ...location, id: "porto" })),
    conditions: DEMO.conditions ?? [],
  });
  const [standard, express] = base.options;
  const step = {
    id: "step",
    position: 1,
    trigger: parts.trigger ?? { kind: "nothing" },
    reward: parts.reward ?? { kind: "free", options: ["express"] },
    wording: {},
  };
  const offer = {
    id: "offer",
    position: 1,
    name: "Offer",
    on: true,
    zones: ["z"],
    counts: { kind: "value", basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with" } },
    steps: [step],
    ...(parts.when ? { when: parts.when } : {}),
  };
  const checked = checkPlan({
    ...base,
    options: [{ ...standard, ...(parts.charge ? { charge: parts.charge } : {}) }, express],
    offers: [offer],
  });
  if ("problems" in checked) throw new Error(JSON.stringify(checked.problems));
  return checked.value;
}

function answerOf(plan: Plan) {
  const result = quote(compiledPlan(plan), REQUEST, { why: true });
  if ("problems" in result) throw new Error(JSON.stringify(result.problems));
  return result.quote;
}

describe("kinds of conditions", () => {
  const all = [...CONDITION_KINDS.values(), ...CONNECTIVE_KINDS.values()];

  it("are a file each, and every file is in the registry", () => {
    expect(all.map(({ kind }) => kind).sort()).toEqual(filesIn("conditions/kinds"));
  });

  it.each(all.map((definition) => [definition.kind, definition.example] as const))(
    "%s: its example is asked, and told",
    (_, example) => {
      const plan = planWith({ when: example });
      const when: Condition | undefined = plan.offers[0]?.when;
      if (!when) throw new Error("the condition is gone");
      const answer = answerOf(plan);
      const told = answer.why?.[0]?.options[0]?.offers[0];
      expect(told?.when?.kind).toBe(example.kind);
      expect([true, false, null]).toContain(told?.when?.truth);
      const saved = new Map((plan.conditions ?? []).map((one) => [one.id, one]));
      const words = conditionWords(when, context, saved);
      expect(english(words).length).toBeGreaterThan(8);
      const [why] = answer.why ?? [];
      const sentences = why ? whySentences(plan, why, "express", "EUR").map(({ text }) => english(text)) : [];
      expect(sentences.length).toBeGreaterThan(1);
    },
  );
});

describe("kinds of charges", () => {
  it("are a file each, and every file is in the registry", () => {
    expect([...CHARGE_KINDS.keys()].sort()).toEqual(filesIn("charges/kinds"));
  });

  it.each([...CHARGE_KINDS.values()].map(({ kind, example }) => [kind, example] as const))(
    "%s: its example is charged, told and put into words",
    (kind, example) => {
      const plan = planWith({ charge: example });
      const charge: Charge | undefined = plan.options[0]?.charge;
      if (!charge) throw new Error("the charge is gone");
      const answer = answerOf(plan);
      const account = answer.why?.[0]?.options[0];
      // A carrier that nobody asked has no price, and says so.
      expect(account?.price ?? account?.reason).toMatch(kind === "carrier" ? /^carrier-not-asked$/ : /^\d+$/);
      expect(english(chargeWords(charge, context, new Map())).length).toBeGreaterThan(4);
      const [why] = answer.why ?? [];
      const sentences = why ? whySentences(plan, why, "standard", "EUR").map(({ text }) => english(text)) : [];
      expect(sentences.some((text) => text.startsWith("Charge: "))).toBe(true);
    },
  );
});

describe("kinds of rewards", () => {
  const all = [...DELIVERY_REWARDS.values(), ...ORDER_REWARDS.values()];

  it("are a file each, and every file is in the registry", () => {
    expect(all.map(({ kind }) => kind).sort()).toEqual(filesIn("rewards/kinds"));
  });

  it.each(all.map((definition) => [definition.kind, definition] as const))(
    "%s: its example makes something better",
    (kind, definition) => {
      const plan = planWith({ reward: definition.example });
      const [offer] = plan.offers;
      const [step] = offer?.steps ?? [];
      if (!step) throw new Error("the step is gone");
      const answer = answerOf(plan);
      const better = answer.options.some(
        ({ price, fullPrice, grants, offers }) =>
          offers.includes("offer") && (price !== fullPrice || grants.some((grant) => grant.kind === kind)),
      );
      expect(better).toBe(true);
      expect(english(stepWords(plan, step))).toMatch(/\w{4}/);
      expect(definition.rules(definition.example)).toEqual([]);
    },
  );
});

describe("kinds of triggers", () => {
  it("are a file each, and every file is in the registry", () => {
    expect([...TRIGGER_KINDS.keys()].sort()).toEqual(filesIn("offers/triggers"));
  });

  it.each([...TRIGGER_KINDS.values()].map(({ kind, example }) => [kind, example] as const))(
    "%s: its example earns the step, and does not without what it asks for",
    (kind, example) => {
      const counts = JSON.stringify(example).includes("items") ? { kind: "items" } : undefined;
      const plan = planWith({ trigger: example });
      const counted: unknown = counts ? { ...plan, offers: plan.offers.map((offer) => ({ ...offer, counts })) } : plan;
      const checked = checkPlan(counted);
      if ("problems" in checked) throw new Error(JSON.stringify(checked.problems));
      const compiled = compiledPlan(checked.value);
      const priced = (request: QuoteRequest) => {
        const result = quote(compiled, request);
        return "quote" in result ? result.quote.options[1]?.price : undefined;
      };
      expect(priced(REQUEST)).toBe(0);
      expect(priced({ ...REQUEST, cart: { lines: [] } })).toBe(kind === "nothing" ? 0 : 950);
    },
  );
});

describe("what texts may mention", () => {
  it("is a file each, and every file is in the registry", () => {
    expect(STEP_VARIABLES.map(({ name }) => name).sort()).toEqual(filesIn("messages/step-variables"));
    const asFile = (name: string) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
    expect(OPTION_VARIABLES.map(({ name }) => asFile(name)).sort()).toEqual(filesIn("messages/option-variables"));
  });

  it.each(STEP_VARIABLES.map((variable) => [variable.name, variable] as const))(
    "%s is filled where it may be mentioned",
    (name, variable) => {
      const figures = {
        state: "on-the-way",
        locale: "en",
        currency: "EUR",
        goal: 4500,
        counted: 3860,
        remaining: 640,
        percent: 85,
        reward: "50%",
        option: "Standard",
        deadline: Date.UTC(2026, 10, 30),
        timeZone: "Europe/Lisbon",
        place: "Mainland Portugal",
        goods: "notebooks",
      } as const;
      const states = MESSAGE_STATES.filter((state) => variable.isIn(state));
      expect(states.length).toBeGreaterThan(0);
      for (const measure of ["value", "items", "weight"] as const) {
        const filled = variable.fill({ ...figures, measure });
        expect(String(filled)).not.toBe("");
        // What a text is told to expect is what it gets.
        for (const state of states) expect(typeof filled).toBe(kindOf(stepVariableKinds(state, measure)[name]));
      }
    },
  );

  const kindOf = (kind: string | undefined) => (kind === "number" ? "number" : "string");

  it.each(OPTION_VARIABLES.map((variable) => [variable.name, variable] as const))(
    "%s is filled in options",
    (_, { fill }) => {
      const figures = {
        locale: "en",
        currency: "EUR",
        price: 0,
        fullPrice: 490,
        goal: 4500,
        remaining: 640,
        measure: "value",
      } as const;
      expect(fill(figures)).not.toBe("");
    },
  );
});

describe("kinds of entities", () => {
  it("are each in a plan, taken out of it and put back", () => {
    const entities = entitiesOf(DEMO);
    const there = new Set(entities.map(({ kind }) => kind));
    expect([...there].sort()).toEqual([...entityKinds()].sort());
    expect(Object.keys(checkEntity).sort()).toEqual([...entityKinds()].sort());
    for (const kind of entityKinds()) {
      const { list } = ENTITY_KINDS[kind];
      const without = planOf(entities.filter((entity) => entity.kind !== kind || list === null));
      const whole = planOf(entities);
      if (list !== null) expect(without?.[list] ?? []).toEqual([]);
      expect(JSON.stringify(whole)).toContain(JSON.stringify(entities.find((entity) => entity.kind === kind)?.body));
    }
  });
});

describe("checks", () => {
  it("are a file each, and every file is in the registry", () => {
    expect(CHECKS.map(({ code }) => code).sort()).toEqual(filesIn("checks/findings"));
  });
});
