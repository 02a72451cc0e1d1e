// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactNode } from "react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Charge } from "../../core/charges/charge.ts";
import { CHARGE_KINDS } from "../../core/charges/registry.ts";
import type { DeliveryPromise } from "../../core/delivery/promise.ts";
import type { Step } from "../../core/offers/offer.ts";
import { TRIGGER_KINDS } from "../../core/offers/trigger.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { DELIVERY_REWARDS, ORDER_REWARDS } from "../../core/rewards/reward.ts";
import { checkEntity } from "../../core/validation/documents.ts";
import { demoPlan } from "../tests/demo-plan.ts";
import { standInServer } from "../tests/stand-in-server.ts";
import { ChargeEditor } from "./charges/charge-editor.tsx";
import { EditingContext, editingIn } from "./editing.ts";
import { PromiseEditor } from "./promises/promise-editor.tsx";
import { RewardEditor } from "./rewards/reward-editor.tsx";
import { TriggerEditor } from "./triggers/trigger-editor.tsx";

afterEach(cleanup);

const plan = demoPlan();
const [option, offer] = [plan.options[0], plan.offers[0]];
if (!option || !offer) throw new Error("the demo has nothing in it");
const context = { zone: null, market: "portugal", currency: "EUR", rates: new Map() };

const edited = (editor: ReactNode) => (
  <QueryClientProvider client={new QueryClient()}>
    <EditingContext value={editingIn({ plan, context, zones: option.zones, explain: () => null })}>
      {editor}
    </EditingContext>
  </QueryClientProvider>
);

/** Every thing of the list, and every other kind that it can be made into. */
const pairs = (kinds: Iterable<string>) =>
  [...kinds].flatMap((from, _, all) => all.filter((to) => to !== from).map((to) => [from, to] as const));

/** What an option with a charge, or an offer with a step, has against it. */
const problemsOfOption = (part: object) => problems(checkEntity.option({ ...option, ...part }));
const problemsOfStep = (part: object) =>
  problems(checkEntity.offer({ ...offer, steps: [{ ...offer.steps[0], ...part }] }));
const problems = (checked: object) => ("problems" in checked ? checked.problems : []);

/** The offer's first step with an example in it, read as what it is. */
function stepWith(part: object): Step {
  const read = checkEntity.offer({ ...offer, steps: [{ ...offer?.steps[0], ...part }] });
  if ("problems" in read || !read.value.steps[0]) throw new Error("the example is no part of a step");
  return read.value.steps[0];
}

function chargeLike(example: object): Charge {
  const read = checkEntity.option({ ...option, charge: example });
  if ("problems" in read) throw new Error("the example is no charge");
  return read.value.charge;
}

describe("the editor of a charge", () => {
  it.each(pairs(CHARGE_KINDS.keys()))("makes a sound one of kind %s into one of kind %s", async (from, to) => {
    standInServer({ "/api/carriers": [] });
    const onCharge = vi.fn();
    const charge = chargeLike(CHARGE_KINDS.get(from)?.example ?? {});
    render(edited(<ChargeEditor charge={charge} onCharge={onCharge} />));
    await userEvent.selectOptions(screen.getByLabelText("The charge is"), to);
    const [made, done] = onCharge.mock.lastCall ?? [];
    expect([made.kind, done]).toEqual([to, true]);
    expect(problemsOfOption({ charge: made })).toEqual([]);
  });

  it("keeps what was charged as the first case, the fallback, or the amount", async () => {
    standInServer({ "/api/carriers": [] });
    const onCharge = vi.fn();
    const flat = chargeLike({ kind: "flat", amount: { byCurrency: { EUR: "4.90" } } });
    render(edited(<ChargeEditor charge={flat} onCharge={onCharge} />));
    const choose = (kind: string) => userEvent.selectOptions(screen.getByLabelText("The charge is"), kind);
    await choose("conditional");
    expect(onCharge).toHaveBeenLastCalledWith(
      expect.objectContaining({ entries: [{ position: 10, charge: flat }] }),
      true,
    );
    await choose("carrier");
    expect(onCharge).toHaveBeenLastCalledWith(expect.objectContaining({ fallback: flat }), true);
    await choose("per-item");
    expect(onCharge).toHaveBeenLastCalledWith({ kind: "per-item", amount: { byCurrency: { EUR: "4.90" } } }, true);
  });

  it("moves a case over its neighbour and changes the charge inside it alone", async () => {
    const onCharge = vi.fn();
    const flat = (figure: string) => ({ kind: "flat", amount: { byCurrency: { EUR: figure } } });
    const cases = chargeLike({
      kind: "conditional",
      take: "first",
      entries: [
        { position: 1, when: { kind: "signed-in" }, charge: flat("1.00") },
        { position: 2, when: { kind: "business" }, charge: flat("2.00") },
        { position: 3, charge: flat("3.00") },
      ],
    });
    render(edited(<ChargeEditor charge={cases} onCharge={onCharge} />));
    await userEvent.click(screen.getByRole("button", { name: "Move case 3 up" }));
    const moved: { position: number; charge: unknown }[] = onCharge.mock.lastCall?.[0].entries;
    expect([...moved].sort((a, b) => a.position - b.position).map(({ charge }) => charge)).toEqual([
      flat("1.00"),
      flat("3.00"),
      flat("2.00"),
    ]);
    // The list itself stays as it was: its order means nothing, and others may have changed what is in it.
    expect(moved.map(({ charge }) => charge)).toEqual([flat("1.00"), flat("2.00"), flat("3.00")]);
    const item = screen.getAllByRole("listitem", { hidden: true })[1];
    if (!item) throw new Error("there is no second case");
    await userEvent.selectOptions(within(item).getByLabelText("It costs"), "per-item");
    expect(onCharge.mock.lastCall?.[0].entries[1]).toEqual({
      position: 2,
      when: { kind: "business" },
      charge: { kind: "per-item", amount: { byCurrency: { EUR: "2.00" } } },
    });
  });
});

describe("the editor of a reward", () => {
  const examples = [...DELIVERY_REWARDS.values(), ...ORDER_REWARDS.values()].map(({ example }) => example);
  const kinds = new Map(examples.map((example) => [example.kind, example]));
  it.each(pairs(kinds.keys()))("makes a sound one of kind %s into one of kind %s", async (from, to) => {
    const onReward = vi.fn();
    const { reward } = stepWith({ reward: kinds.get(from) });
    render(edited(<RewardEditor reward={reward} options={plan.options.slice(0, 3)} onReward={onReward} />));
    await userEvent.selectOptions(screen.getByLabelText("Gives"), to);
    const [made] = onReward.mock.lastCall ?? [];
    expect(made.kind).toBe(to);
    expect(problemsOfStep({ reward: made })).toEqual([]);
    if ("options" in reward && "options" in made) expect(made.options).toEqual(reward.options);
    if ("percent" in reward && "percent" in made) expect(made.percent).toBe(reward.percent);
  });
});

describe("the editor of a trigger", () => {
  it.each(pairs(TRIGGER_KINDS.keys()))("makes a sound one of kind %s into one of kind %s", async (from, to) => {
    const onTrigger = vi.fn();
    const { trigger } = stepWith({ trigger: TRIGGER_KINDS.get(from)?.example });
    const goal = { at: { items: 5 }, edge: "from" } as const;
    render(edited(<TriggerEditor trigger={trigger} firstGoal={() => goal} onTrigger={onTrigger} />));
    await userEvent.selectOptions(screen.getByLabelText("Earned by"), to);
    const [made] = onTrigger.mock.lastCall ?? [];
    expect(made.kind).toBe(to);
    expect(problemsOfStep({ trigger: made })).toEqual([]);
    if ("goal" in trigger && "goal" in made) expect(made.goal).toEqual(trigger.goal);
    if ("codes" in trigger && "codes" in made) expect(made.codes).toEqual(trigger.codes);
  });
});

describe("the editor of a promise", () => {
  const withPromise = (promise: DeliveryPromise | undefined, onPromise: (next: unknown) => void, of: Plan = plan) =>
    render(edited(<PromiseEditor plan={of} calendars={{}} promise={promise} at={0} onPromise={onPromise} />));

  it("starts each kind from the store's own locations, and promises nothing without one", async () => {
    const onPromise = vi.fn();
    withPromise(undefined, onPromise);
    for (const kind of ["arrives", "ready"]) {
      await userEvent.selectOptions(screen.getByLabelText("Promise"), kind);
      const [made] = onPromise.mock.lastCall ?? [];
      expect(made.kind).toBe(kind);
      expect(plan.locations?.map(({ id }) => id)).toContain(made.from ?? made.at);
      expect(problemsOfOption({ promise: made })).toEqual([]);
    }
    cleanup();
    withPromise(undefined, onPromise, { ...plan, locations: [] });
    expect(screen.getByText(/add a location under Places/)).toBeTruthy();
    expect(screen.queryByRole("option", { name: /Arrives/ })).toBeNull();
  });

  it("takes the other end of so many days along, never lets them cross, and says why a figure is refused", async () => {
    const onPromise = vi.fn();
    const promise: DeliveryPromise = {
      kind: "arrives",
      from: "workshop",
      cutOff: "15:00",
      workingDays: [1, 2, 3],
      preparation: { least: 0, most: 1 },
      transit: { least: 1, most: 2 },
    };
    withPromise(promise, onPromise);
    const least = screen.getByLabelText("Least transit");
    await userEvent.clear(least);
    await userEvent.type(least, "4{Enter}");
    expect(onPromise).toHaveBeenLastCalledWith({ ...promise, transit: { least: 4, most: 4 } });
    await userEvent.clear(least);
    await userEvent.type(least, "400{Enter}");
    expect(screen.getByRole("alert").textContent).toBe("a whole number from 0 to 365");
  });
});
