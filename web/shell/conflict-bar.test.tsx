// @vitest-environment jsdom
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { draftStore } from "../state/use-draft.ts";
import { demoPlan } from "../tests/demo-plan.ts";
import { ConflictBar } from "./conflict-bar.tsx";

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const plan = demoPlan();
const offer = plan.offers[0];
if (!offer) throw new Error("the demo has no offer");
const market = plan.markets[0] ?? null;
const goal = (figure: string) => ({
  ...offer,
  steps: [
    {
      ...offer.steps[0],
      trigger: { kind: "goal", goal: { at: { byCurrency: { EUR: figure } }, edge: "from" } },
    },
  ],
});

/** A conflict about the offer, as the server sends it. */
function showConflict(saved: unknown, yours: unknown): void {
  const conflict = JSON.parse(
    JSON.stringify({ kind: "offer", id: offer?.id, seen: 1, current: { revision: 2, body: saved }, yours }),
  );
  render(<ConflictBar conflict={conflict} plan={plan} market={market} />);
}

describe("a conflict", () => {
  it("names the thing, shows both values of all that differs and nothing else, and takes either", async () => {
    const settle = vi.spyOn(draftStore, "settle").mockResolvedValue();
    showConflict({ ...goal("50.00"), name: offer.name }, { ...goal("60.00"), name: "Free from sixty" });
    const bar = screen.getByRole("alert");
    expect(within(bar).getByRole("heading").textContent).toContain("offer “Free from sixty”");
    const rows = within(bar)
      .getAllByRole("row")
      .slice(2)
      .map((row) => [...row.children].map(({ textContent }) => textContent));
    expect(rows).toEqual([
      ["name", offer.name, "Free from sixty"],
      ["steps 1 · trigger · goal · at · by currency · EUR", "50.00", "60.00"],
    ]);
    await userEvent.click(screen.getByRole("button", { name: "Save mine over it" }));
    expect(settle).toHaveBeenLastCalledWith("mine");
    await userEvent.click(screen.getByRole("button", { name: "Take what is saved" }));
    expect(settle).toHaveBeenLastCalledWith("theirs");
  });

  it.each([
    ["here", goal("50.00"), null, ["removed"]],
    ["there", null, goal("60.00"), ["removed"]],
  ])("says that it was removed %s", (_, saved, yours, words) => {
    showConflict(saved, yours);
    for (const word of words) expect(screen.getByRole("cell", { name: word })).toBeTruthy();
    expect(screen.getByRole("heading").textContent).toContain(`offer “${offer.name}”`);
  });

  it("says how many differences there are beyond those it has room for", () => {
    const many = (tag: string) => ({
      ...offer,
      zones: Array.from({ length: 12 }, (_, i) => `${tag}-${i}`),
    });
    showConflict(many("a"), many("b"));
    expect(screen.getByText("and 4 more differences")).toBeTruthy();
  });
});
