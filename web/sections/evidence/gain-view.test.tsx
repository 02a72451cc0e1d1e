// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import type { GainAt } from "../../../core/evidence/gain.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import { entitiesOf } from "../../../core/plan/entities.ts";
import type { ToldGain } from "../../../server/evidence/told-gain.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { demoPlan } from "../../tests/demo-plan.ts";
import { settleDraft } from "../../tests/settle-draft.ts";
import { type Asked, draftOf, standInServer } from "../../tests/stand-in-server.ts";
import { GainView } from "./gain-view.tsx";

class NoObserver {
  observe() {}
  unobserve() {}
  disconnect() {}
}
Object.assign(globalThis, { ResizeObserver: NoObserver });
let asked: readonly Asked[] = [];
afterEach(async () => {
  cleanup();
  await settleDraft(asked);
});

const euros = (text: string) => ({ byCurrency: { EUR: text } });

/** The demo with a second step on its free standard delivery: money off the order from 50.00. */
function twoSteps() {
  const plan = demoPlan();
  return {
    ...plan,
    offers: plan.offers.map((offer): Offer => {
      const [step] = offer.steps;
      if (offer.id !== "free-standard" || !step) return offer;
      const reward = { kind: "order-money-off" as const, amount: euros("3.00") };
      const trigger = { kind: "goal" as const, goal: { at: euros("50.00"), edge: "from" as const } };
      const first = { kind: "goal" as const, goal: { at: euros("45.00"), edge: "from" as const } };
      return {
        ...offer,
        steps: [
          { ...step, trigger: first },
          { ...step, id: "besides", position: 99, trigger, reward },
        ],
      };
    }),
  };
}

const point = (goal: number): GainAt => ({
  ...{ goal, gain: -goal, low: -goal - 100, high: -goal + 100, added: 610, givenAway: 4000, rewards: 900 },
  ...{ adding: 3.5, reaching: 79.5, asGood: goal === 4000, isGuess: false },
});
const told = (more: Partial<ToldGain>): ToldGain => ({
  ...{ reactions: [], share: { share: 0.4, low: 0.3, high: 0.5, isGuess: false }, statedShare: null },
  ...{ margins: [], margin: 0.4, categories: [], isFreeDelivery: true, perDelivery: 652 },
  given: { delivery: 652, order: 0, ofWorth: 0 },
  gain: { weeks: 8, orders: 1353, curve: [4000, 4500, 5000, 5500].map(point) },
  ...more,
});

function Shown() {
  const { plan } = useDraft();
  const filter = { currency: "EUR", market: "portugal" };
  return plan && <GainView plan={plan} overview={{ first: null, last: null, kinds: [] }} filter={filter} />;
}

async function shown(answer: ToldGain) {
  localStorage.clear();
  sessionStorage.clear();
  const server = standInServer({
    "/api/draft": draftOf(entitiesOf(twoSteps())),
    "/api/stated-figures": { margin: answer.margin, byCategory: {}, perDelivery: {}, shares: {} },
  });
  ({ asked } = server);
  await draftStore.load();
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <Shown />
    </QueryClientProvider>,
  );
  await waitFor(() => expect(server.asked.some(({ path }) => path === "/api/evidence")).toBe(true));
  const question = server.asked.find(({ path }) => path === "/api/evidence");
  question?.answer(answer);
  return { ...server, question };
}

const goalsOf = (offer: unknown): unknown[] => {
  const found: Offer = JSON.parse(JSON.stringify(offer));
  return found.steps.map(
    ({ trigger }) => "goal" in trigger && "byCurrency" in trigger.goal.at && trigger.goal.at.byCurrency,
  );
};

describe("what a goal would bring", () => {
  it("is no figure where it is not known what is gained, given, or gone for, and says which", async () => {
    const cases: [Partial<ToldGain>, RegExp][] = [
      [{ margin: null, margins: null, gain: null }, /State the margin on goods/],
      [{ given: null, gain: null }, /cannot be told in money/],
      [{ share: null, gain: null }, /State a share above/],
      [{ gain: null }, /too few whole weeks/],
    ];
    for (const [more, words] of cases) {
      await shown(told(more));
      await screen.findByText(words);
      expect(screen.queryByRole("slider")).toBeNull();
      cleanup();
    }
  });

  it("is asked of a goal of the draft with what its step gives, and of another where that is chosen", async () => {
    const { asked, question } = await shown(told({}));
    expect(question?.body).toMatchObject({ do: "gain", step: { offer: "free-standard" }, goals: [4500] });
    const goal = await screen.findByLabelText("Goal");
    await userEvent.selectOptions(goal, "free-standard/besides");
    await waitFor(() =>
      expect(asked.filter(({ path }) => path === "/api/evidence").at(-1)?.body).toMatchObject({
        step: { offer: "free-standard", step: "besides" },
        goals: [5000],
      }),
    );
  });

  it("tells what a figure is made of, gifts and money off as well", async () => {
    await shown(told({}));
    const status = (await screen.findAllByRole("status")).map(({ textContent }) => textContent).join(" ");
    expect(status).toContain("At €45.00: -€45.00 a week, -€46.00 to -€44.00 nine times in ten.");
    expect(status).toContain("3.5 orders a week add something, which brings €6.10");
    expect(status).toContain("€40.00 of delivery is given away");
    expect(status).toContain("Gifts and money off cost another €9.00.");
  });

  it("has a goal that is held saved once it is let go, and leaves one that it passed where it is", async () => {
    await shown(told({}));
    const slider = await screen.findByRole("slider");
    const saves = () => asked.filter(({ path }) => path === "/api/draft/changes");
    const drafted = () => goalsOf(draftStore.snapshot().plan?.offers.find(({ id }) => id === "free-standard"));
    // As it is held, it is shown everywhere and saved nowhere; at 50.00 it meets the other step's.
    for (const [index, at] of [
      ["2", "50.00"],
      ["3", "55.00"],
    ] as const) {
      fireEvent.change(slider, { target: { value: index } });
      await waitFor(() => expect(drafted()).toEqual([{ EUR: at }, { EUR: "50.00" }]));
    }
    expect(saves()).toEqual([]);
    fireEvent.keyUp(slider, { key: "ArrowRight" });
    await waitFor(() => expect(saves()).toHaveLength(1));
    const { writes } = JSON.parse(JSON.stringify(saves()[0]?.body));
    expect(goalsOf(writes[0].body)).toEqual([{ EUR: "55.00" }, { EUR: "50.00" }]);
    expect(asked.filter(({ path }) => path === "/api/evidence").length).toBeLessThanOrEqual(2);
  });
});
