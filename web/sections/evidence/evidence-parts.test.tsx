// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { TOTAL } from "../../../core/evidence/order-facts.ts";
import { emptyRow, type ReplayRow } from "../../../core/evidence/replayed.ts";
import { demoPlan } from "../../tests/demo-plan.ts";
import { standInServer } from "../../tests/stand-in-server.ts";
import { PastGoalsEditor } from "./past-goals-editor.tsx";
import { ReachList } from "./reach-list.tsx";
import { ReactionList } from "./reaction-list.tsx";
import { ReplayTable } from "./replay-table.tsx";
import { SeenFile } from "./seen-file.tsx";

afterEach(cleanup);
const plan = demoPlan();

const row = (zone: string, option: string, group: number, orders: number): ReplayRow => ({
  ...emptyRow({ currency: "EUR", zone, option, group }),
  ...{ charged: 490 * orders, freeBefore: 0, moreThanBeside: orders, more: orders },
  now: { orders, delivery: 590 * orders, free: 1, givenAway: 10 },
  beside: { orders, delivery: 490 * orders, free: 2, givenAway: 20 },
});
const cellsOf = (name: string | RegExp) =>
  within(screen.getByRole("row", { name }))
    .getAllByRole("cell")
    .map(({ textContent }) => textContent);

describe("delivery under the draft", () => {
  const rows = [
    row("portugal-mainland", "standard", 0, 3),
    row("portugal-mainland", "express", 1, 2),
    row("madeira", "islands", 1, 5),
  ];
  const clusters = [
    { peak: 2000, from: 1000, to: 3000, orders: 3, share: 0.3, madeBy: null },
    { peak: 6000, from: 5000, to: 8000, orders: 7, share: 0.7, madeBy: null },
  ];

  it("is summed up by one thing at a time, and comes to the same in all", async () => {
    render(<ReplayTable plan={plan} job="r-1" rows={rows} release={7} clusters={clusters} currency="EUR" />);
    const user = userEvent.setup();
    const all = cellsOf(/^in all/);
    expect(all).toEqual(["10", "€49.00", "€49.00", "€59.00", "0", "3", "€0.30", "10", "0"]);
    expect(cellsOf(/^Mainland Portugal/)).toEqual(["5", "€24.50", "€24.50", "€29.50", "0", "2", "€0.20", "5", "0"]);
    await user.selectOptions(screen.getByLabelText("Summed up"), "by peak");
    expect(cellsOf(/^€50.00 to €80.00/).slice(0, 2)).toEqual(["7", "€34.30"]);
    expect(cellsOf(/^in all/)).toEqual(all);
    await user.selectOptions(screen.getByLabelText("Summed up"), "by option");
    expect(cellsOf(/^Express/)[0]).toBe("2");
  });

  it("has no column of a release where there is none", () => {
    render(<ReplayTable plan={plan} job="r-1" rows={rows} release={null} clusters={[]} currency="EUR" />);
    expect(screen.queryByRole("columnheader", { name: /release/ })).toBeNull();
    expect(cellsOf(/^in all/)).toHaveLength(8);
  });
});

describe("a file that was seen", () => {
  const faults = (count: number) => ({ count, faults: [] });
  const seen = (faulty: number) => ({
    ...{ kind: "seen" as const, id: "o-1", counts: { added: 3, changed: 1, same: 2 } },
    ...{ faulty, faults: faults(faulty) },
  });

  it("is taken whole where it is sound, and with faults its sound orders alone", async () => {
    const taken: boolean[] = [];
    const { rerender } = render(<SeenFile seen={seen(0)} onTake={(sound) => taken.push(sound)} onDrop={() => {}} />);
    const user = userEvent.setup();
    await user.click(screen.getByRole("button", { name: "Take these orders" }));
    rerender(<SeenFile seen={seen(2)} onTake={(sound) => taken.push(sound)} onDrop={() => {}} />);
    expect(screen.queryByRole("button", { name: "Take these orders" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Take the sound orders alone" }));
    expect(taken).toEqual([false, true]);
  });
});

describe("estimates in words", () => {
  it("show no share below nothing, and say where one is stated", () => {
    const reaction = { goal: 4500, share: -0.02, low: -0.1, high: 0.08, orders: 120, weeks: 9, by: "shape" as const };
    const { rerender } = render(
      <ReactionList
        reactions={[reaction]}
        share={{ share: -0.02, low: -0.1, high: 0.08, isGuess: false }}
        isStated={false}
        currency="EUR"
      />,
    );
    expect(screen.getByRole("region").textContent).toContain("0 % of shoppers");
    expect(screen.getByRole("region").textContent).toContain("0 to 8 %");
    expect(screen.getByRole("listitem").textContent).toContain("by the shape of the spread alone");
    const guess = { share: 0.3, low: 0.3, high: 0.3, isGuess: true };
    rerender(<ReactionList reactions={[]} share={guess} isStated currency="EUR" />);
    expect(screen.getByRole("region").textContent).toContain("stated, a guess");
    // Measured, but for free delivery, and what is given is something else.
    rerender(<ReactionList reactions={[]} share={{ ...guess, low: 0.2, high: 0.4 }} isStated={false} currency="EUR" />);
    expect(screen.getByRole("region").textContent).toContain("Those goals were for free delivery");
  });

  it("leave out goals that no order is near", () => {
    render(
      <ReachList
        reach={[
          { goal: 4500, one: 5, two: 2, none: 1 },
          { goal: 9000, one: 0, two: 0, none: 0 },
        ]}
        looked={{ plan, filter: { currency: "EUR" }, counting: TOTAL }}
      />,
    );
    expect(cellsOf(/^€45.00/)).toEqual(["8", "5", "2", "1"]);
    expect(screen.queryByRole("row", { name: /^€90.00/ })).toBeNull();
  });
});

describe("goals that there were", () => {
  it("are stated with their days, and those of releases are only shown", async () => {
    const released = [{ market: "portugal", currency: "EUR", goal: 4500, from: "2026-11-27", until: null }];
    const { asked } = standInServer({ "/api/past-goals": { stated: [], released } });
    render(
      <QueryClientProvider client={new QueryClient()}>
        <PastGoalsEditor plan={plan} />
      </QueryClientProvider>,
    );
    const user = userEvent.setup();
    expect((await screen.findByRole("row", { name: /^Portugal €45.00/ })).textContent).toContain("by a release");
    const form = within(screen.getByRole("form", { name: "A goal that there was" }));
    expect(form.getByRole<HTMLButtonElement>("button", { name: "State it" }).disabled).toBe(true);
    await user.selectOptions(form.getByLabelText("Market"), "Japan");
    await user.type(form.getByLabelText(/^Goal, JPY/), "5000{Tab}");
    await user.type(form.getByLabelText(/^From/), "2026-04-01{Tab}");
    await user.type(form.getByLabelText(/^Until/), "2026-03-01{Tab}");
    // It cannot end before it begins.
    expect(form.getByLabelText(/^Until/).getAttribute("aria-invalid")).toBe("true");
    await user.clear(form.getByLabelText(/^Until/));
    await user.type(form.getByLabelText(/^Until/), "2026-05-31{Tab}");
    await user.click(form.getByRole("button", { name: "State it" }));
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]?.body).toEqual({
      goals: [{ market: "japan", currency: "JPY", goal: 5000, from: "2026-04-01", until: "2026-05-31" }],
    });
  });
});
