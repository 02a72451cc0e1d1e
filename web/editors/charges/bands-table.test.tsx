// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { type BandedCharge, banded } from "../../../core/charges/kinds/bands.ts";
import { planProblems } from "../../../core/plan/problems/plan-problems.ts";
import { demoPlan } from "../../tests/demo-plan.ts";
import { EditingContext, editingIn } from "../editing.ts";
import { BandsTable } from "./bands-table.tsx";

afterEach(cleanup);

const plan = demoPlan();
const [option] = plan.options;
if (!option) throw new Error("the demo has no option");
const context = { zone: null, market: "portugal", currency: "EUR", rates: new Map() };
const money = (figure: string) => ({ byCurrency: { EUR: figure } });
const kilograms = (value: string) => ({ weight: { value, unit: "kg" as const } });

/** The table, with every change made to it put back into it. */
function showBands(first: BandedCharge) {
  const changes = vi.fn<(charge: BandedCharge) => void>();
  function Edited() {
    const [charge, setCharge] = useState(first);
    return (
      <BandsTable
        charge={charge}
        onCharge={(next) => {
          changes(next);
          setCharge(next);
        }}
      />
    );
  }
  render(
    <QueryClientProvider client={new QueryClient()}>
      <EditingContext value={editingIn({ plan, context, zones: ["portugal-mainland"], explain: () => null })}>
        <Edited />
      </EditingContext>
    </QueryClientProvider>,
  );
  return {
    /** The charge as it is now, which a plan has to be able to hold. */
    now: (): BandedCharge => {
      const charge = changes.mock.lastCall?.[0] ?? first;
      const options = plan.options.map((one) =>
        one.id === option?.id ? { ...one, charge, zones: ["portugal-mainland"] } : one,
      );
      expect(planProblems({ ...plan, offers: [], options })).toEqual([]);
      return charge;
    },
    changes,
  };
}

const weights: BandedCharge = {
  kind: "bands",
  by: { kind: "weight" },
  first: money("4.00"),
  edges: [
    { edge: "from", at: kilograms("2"), price: money("6.00") },
    { edge: "from", at: kilograms("10"), price: money("9.00") },
  ],
};

describe("the table of bands", () => {
  it("begins another band within any, half way to the next, at its price; and lets any go", async () => {
    const { now } = showBands(weights);
    await userEvent.click(screen.getByRole("button", { name: "Begin another band within Band 2" }));
    expect(now().edges.map(({ at }) => at)).toEqual([kilograms("2"), kilograms("6"), kilograms("10")]);
    expect(now().edges[1]?.price).toEqual(money("6.00"));
    await userEvent.click(screen.getByRole("button", { name: "Begin another band within First band" }));
    expect(now().edges[0]).toEqual({ edge: "from", at: kilograms("1"), price: money("4.00") });
    await userEvent.click(screen.getByRole("button", { name: "Add a band" }));
    expect(now().edges.at(-1)?.at).toEqual(kilograms("15"));
    await userEvent.click(screen.getByRole("button", { name: "Remove Band 2" }));
    expect(now().edges.map(({ at }) => at)).toEqual([kilograms("2"), kilograms("6"), kilograms("10"), kilograms("15")]);
    expect(screen.queryByRole("button", { name: "Remove First band" })).toBeNull();
  });

  it("asks so much more for each further unit, in the unit that is typed", async () => {
    const { now } = showBands(weights);
    await userEvent.selectOptions(screen.getByLabelText("Kind of price of Band 3"), "growing");
    expect(now().edges[1]?.price).toEqual({ fixed: money("9.00"), each: kilograms("1"), more: money("9.00") });
    const unit = screen.getByLabelText("Further unit of Band 3");
    await userEvent.clear(unit);
    await userEvent.type(unit, "0,5{Enter}");
    await userEvent.selectOptions(screen.getByLabelText("Unit of Further unit of Band 3"), "lb");
    expect(now().edges[1]?.price).toMatchObject({ each: { weight: { value: "0.5", unit: "lb" } } });
    await userEvent.selectOptions(screen.getByLabelText("Kind of price of Band 3"), "price");
    expect(now().edges[1]?.price).toEqual(money("9.00"));
    await userEvent.selectOptions(screen.getByLabelText("Kind of price of Band 3"), "not-offered");
    expect(now().edges[1]?.price).toBe("not-offered");
  });

  it("refuses an edge that is no figure, as it was typed", async () => {
    const { changes } = showBands(weights);
    const edge = screen.getByRole("textbox", { name: "Edge 1" });
    await userEvent.clear(edge);
    await userEvent.type(edge, "two{Enter}");
    expect(edge).toHaveProperty("value", "two");
    expect(screen.getByRole("alert").textContent).toContain("a figure such as 2");
    await userEvent.clear(edge);
    await userEvent.type(edge, "9,500{Enter}");
    expect(screen.getByRole("alert").textContent).toContain("write 9500 or 9.5");
    expect(changes).not.toHaveBeenCalled();
  });

  it("sets all that each measure has: packing, a divisor, what is left out, which total counts, where from", async () => {
    const { now } = showBands({ ...weights, edges: [] });
    const by = screen.getByLabelText("By");
    const write = async (label: string | RegExp, text: string) => {
      const field = screen.getByLabelText(label);
      await userEvent.clear(field);
      await userEvent.type(field, `${text}{Enter}`);
    };
    await write("Packing weighs", "150");
    await write("Weight rounded up to", "500");
    await write("tags", "gift-card, sale");
    expect(now().by).toEqual({
      kind: "weight",
      packing: { value: "150", unit: "g" },
      roundUpTo: { value: "500", unit: "g" },
      leavesOut: { tags: ["gift-card", "sale"] },
    });
    await write("Packing weighs", "");
    expect(now().by).not.toHaveProperty("packing");
    await userEvent.selectOptions(by, "chargeable-weight");
    await write(/^Cubic centimetres to the kilogram/, "6000");
    expect(now().by).toEqual({ kind: "chargeable-weight", divisor: 6000 });
    await userEvent.selectOptions(by, "distance");
    await userEvent.selectOptions(screen.getByLabelText("Measured from"), "porto-shop");
    expect(now().by).toEqual({ kind: "distance", from: "porto-shop" });
    await userEvent.selectOptions(by, "value");
    await userEvent.selectOptions(screen.getByLabelText("Order discounts"), "out");
    expect(now().by).toMatchObject({ kind: "value", basis: { orderDiscounts: "out" } });
    await userEvent.selectOptions(by, "volume");
    await userEvent.click(screen.getByRole("button", { name: "Add a band" }));
    expect(now()).toMatchObject({ by: { kind: "volume" }, edges: [{ at: { volume: { value: "2", unit: "dm3" } } }] });
  });

  it("offers no measure that a plan has given up, and keeps one that it has", () => {
    showBands({ ...weights, edges: [] });
    expect(screen.queryByRole("option", { name: "weight volume" })).toBeNull();
    cleanup();
    showBands({ ...weights, by: { kind: "weight-volume" }, edges: [] });
    expect(screen.getByLabelText("By")).toHaveProperty("value", "weight-volume");
    expect(screen.getByText(/is not counted any more/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Add a band" })).toBeNull();
  });

  it("reads the definition's own example", () => {
    const { now } = showBands(banded.example);
    expect(now()).toEqual(banded.example);
    expect(screen.getByRole("button", { name: /^Edge of band 3 in Portugal, EUR: €75/ })).toBeTruthy();
  });
});
