import { CHARGE_KINDS } from "../core/charges/registry.ts";
import { CONDITION_EXAMPLES } from "../core/conditions/registry.ts";
import { TRIGGER_KINDS } from "../core/offers/trigger.ts";
import type { Plan } from "../core/plan/plan.ts";
import { DELIVERY_REWARDS, ORDER_REWARDS } from "../core/rewards/reward.ts";
import { checkPlan } from "../core/validation/documents.ts";
import { demoPlan, sound } from "../web/tests/demo-plan.ts";

const AMOUNT = { byCurrency: { EUR: "5.00" } };
const CONVERTED = {
  byCurrency: { EUR: "5.00" },
  converted: { table: "reference", to: { USD: { step: "1", direction: "nearest", lessOne: true } } },
};
const DISPLAY = {
  ...{ shape: "beads", position: "below", several: "nearest", closable: true },
  ...{ fill: "#1f6f54", track: "#d9e2dc" },
};
const EACH_FURTHER = {
  kind: "bands",
  by: { kind: "weight", packing: { value: "200", unit: "g" } },
  first: { fixed: AMOUNT, each: { weight: { value: "1", unit: "kg" } }, more: AMOUNT },
  edges: [{ edge: "from", at: { weight: { value: "5", unit: "kg" } }, price: AMOUNT }],
};

/**
 * The demo with, besides, every kind of charge, condition, trigger and reward as its definition shows it, and the parts that the
 * demo makes no use of: whatever has an editor has something here to be edited.
 */
export function planWithEverySetting(): Plan {
  const plan = demoPlan();
  const [zone = "", other = ""] = plan.zones.map(({ id }) => id);
  const [location = ""] = (plan.locations ?? []).map(({ id }) => id);
  const [option = "", cheaper = ""] = plan.options.map(({ id }) => id);
  const charges: unknown[] = [...CHARGE_KINDS.values()].map(({ example }) => example);
  const rewards: object[] = [...DELIVERY_REWARDS.values()].map(({ example }) => ({
    ...example,
    options: [option],
    limit: CONVERTED,
    covers: { handling: true, surcharges: true, ownCharges: false },
    ...("of" in example ? { of: cheaper } : {}),
  }));
  rewards.push(...[...ORDER_REWARDS.values()].map(({ example }) => example));
  const step = (id: number, trigger: unknown, reward: unknown) => ({
    id: `step-${id}`,
    position: id,
    trigger,
    reward,
    wording: {},
  });
  const offer = (id: string, counts: unknown, steps: unknown[], more: object = {}) => ({
    ...{ id, position: 1000, name: id, purpose: "Everything there is", on: true, zones: [zone, other], counts, steps },
    ...{ schedule: [{ from: "2026-11-27", until: "2026-11-30T09:00" }], limits: { overall: 5, perShopper: 1 } },
    ...{ stacking: { kind: "with", offers: [plan.offers[0]?.id] }, when: { kind: "signed-in" }, ...more },
  });
  const basis = { lineDiscounts: "in", orderDiscounts: "in", tax: "with", leavesOut: { tags: ["sale"] } };
  const triggers: unknown[] = [...TRIGGER_KINDS.values()].map(({ example }) =>
    "goal" in example ? { ...example, goal: { at: CONVERTED, edge: "from" } } : example,
  );
  const items = { kind: "goal-and-code", goal: { at: { items: 3 }, edge: "from" }, codes: ["THREE"] };
  const weight = {
    kind: "goal-or-code",
    goal: { at: { weight: { value: "2", unit: "kg" } }, edge: "from" },
    codes: ["HEAVY"],
  };
  return sound(
    checkPlan({
      ...plan,
      store: {
        ...plan.store,
        display: DISPLAY,
        accepted: [{ code: "price-cliff", kind: "option", id: option, cause: "x", reason: "It is meant." }],
      },
      options: [
        ...plan.options,
        ...[...charges, EACH_FURTHER].map((charge, i) => ({
          ...{ id: `charged-${i}`, position: 1000 + i, name: { en: `Charged ${i}` }, zones: [zone, other], charge },
          ...{ byZone: { [zone]: { charge, handling: { fixed: AMOUNT } } }, base: CONVERTED, minimum: AMOUNT },
          ...{ markUp: { percent: "5", amount: AMOUNT }, handling: { fixed: AMOUNT, percentOfCharge: "5" } },
          ...{ rounding: { EUR: { step: "0.5", direction: "up", lessOne: true } }, entered: "with-tax", taxRate: "23" },
          surcharges: [{ id: "more", position: 1, name: { en: "More" }, when: { kind: "business" }, charge }],
          ...{ way: { kind: "local", location, within: { value: "8", unit: "km" } }, note: { en: "A note" } },
        })),
      ],
      offers: [
        ...plan.offers,
        ...rewards.map((reward, i) =>
          offer(`rewards-${i}`, { kind: "value", basis }, [step(1, { kind: "nothing" }, reward)]),
        ),
        ...triggers.map((trigger, i) =>
          offer(`triggers-${i}`, { kind: "value", basis }, [step(1, trigger, { kind: "free", options: [option] })]),
        ),
        offer("by-items", { kind: "items" }, [step(1, items, { kind: "free", options: [option] })]),
        offer("by-weight", { kind: "weight" }, [step(1, weight, { kind: "free", options: [option] })]),
      ],
      conditions: [
        ...(plan.conditions ?? []),
        ...CONDITION_EXAMPLES.map((when) => ({
          id: `when-${when.kind}`,
          name: `When ${when.kind}`,
          when: when.kind === "distance" ? { ...when, from: location } : when,
        })),
        ...(["price", "quantity", "weight"] as const).map((kind) => ({
          id: `line-${kind}`,
          name: `Line by ${kind}`,
          when: { kind: "line", how: "any", figure: { kind, is: "at-least", ...FIGURES[kind] } },
        })),
      ],
    }),
  );
}

const FIGURES = { price: { amount: AMOUNT }, quantity: { count: 2 }, weight: { weight: { value: "1", unit: "kg" } } };
