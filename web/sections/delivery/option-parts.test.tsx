// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { type ReactNode, useState } from "react";
import { afterEach, describe, expect, it } from "vitest";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { planProblems } from "../../../core/plan/problems/plan-problems.ts";
import { checkEntity } from "../../../core/validation/documents.ts";
import { EditingContext, editingIn } from "../../editors/editing.ts";
import { demoPlan } from "../../tests/demo-plan.ts";
import { AtCheckout } from "./at-checkout.tsx";
import { WayFields } from "./way-fields.tsx";
import { ZoneDifferences } from "./zone-differences.tsx";

afterEach(cleanup);

const demo = demoPlan();
const islands = demo.options.find(({ id }) => id === "islands");
if (!islands) throw new Error("the demo has no option for its islands");
const context = { zone: null, market: "portugal", currency: "EUR", rates: new Map() };

type Editor = (option: DeliveryOption, onOption: (option: DeliveryOption) => void) => ReactNode;

/** A part of an option's editor, with every change put back into it. */
function show(first: DeliveryOption, editor: Editor, plan: Plan = demo): () => DeliveryOption {
  let now = first;
  function Edited() {
    const [option, setOption] = useState(first);
    return editor(option, (next) => {
      now = next;
      setOption(next);
    });
  }
  render(
    <QueryClientProvider client={new QueryClient()}>
      <EditingContext value={editingIn({ plan, context, zones: first.zones, explain: () => null })}>
        <Edited />
      </EditingContext>
    </QueryClientProvider>,
  );
  return () => {
    // Whatever was done, a plan has to be able to hold it.
    expect(checkEntity.option(now)).toEqual({ value: now });
    const options = plan.options.map((one) => (one.id === now.id ? now : one));
    expect(planProblems({ ...plan, options })).toEqual([]);
    return now;
  };
}

async function write(label: string | RegExp, text: string): Promise<void> {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  await userEvent.type(field, `${text}{Enter}`);
}

describe("how an option reaches the shopper", () => {
  const way: Editor = (option, onOption) => (
    <WayFields option={option} onOption={(part) => onOption({ ...option, ...part })} />
  );

  it("is shipped, brought from a location within a distance or without one, or collected at one", async () => {
    const now = show(islands, way);
    const kind = screen.getByLabelText("How it reaches the shopper");
    await userEvent.selectOptions(kind, "local");
    expect(now().way).toEqual({ kind: "local", location: "workshop" });
    await write(/^As the crow flies/, "7,5");
    expect(now().way).toEqual({ kind: "local", location: "workshop", within: { value: "7.5", unit: "km" } });
    await userEvent.selectOptions(screen.getByLabelText("From"), "porto-shop");
    await userEvent.selectOptions(screen.getByLabelText(/^Unit of As the crow flies/), "mi");
    expect(now().way).toEqual({ kind: "local", location: "porto-shop", within: { value: "7.5", unit: "mi" } });
    await write(/^As the crow flies/, "far");
    expect(screen.getByRole("alert").textContent).toContain("a figure");
    await write(/^As the crow flies/, "");
    expect(now().way).toEqual({ kind: "local", location: "porto-shop" });
    await userEvent.selectOptions(kind, "collected");
    await userEvent.selectOptions(screen.getByLabelText("At"), "lisbon-counter");
    expect(now().way).toEqual({ kind: "collected", location: "lisbon-counter" });
    await userEvent.selectOptions(kind, "shipped");
    expect(now().way).toEqual({ kind: "shipped" });
  });

  it("can only be shipped while the plan has no location, and says what to do", () => {
    const { locations: _, ...without } = demo;
    show(islands, way, without);
    const kind = screen.getByLabelText("How it reaches the shopper");
    expect(within(kind).getAllByRole("option")).toHaveLength(1);
    expect(screen.getByText(/add a location under Places first/)).toBeTruthy();
  });
});

describe("what a single zone has of its own", () => {
  it("is its charge, its handling fee and its delivery time; shared again, nothing is left of it", async () => {
    const now = show(islands, (option, onOption) => (
      <ZoneDifferences option={option} calendars={{}} at={Date.UTC(2026, 10, 25)} onOption={onOption} />
    ));
    const press = (name: RegExp) => userEvent.click(screen.getByRole("button", { name }));
    await press(/^Give it its own charge in Azores/);
    expect(now().byZone).toEqual({ azores: { charge: islands.charge } });
    await press(/^Give it its own handling fee in Azores/);
    await write("Handling, % of the goods", "2.5");
    expect(now().byZone?.azores?.handling).toEqual({ ...islands.handling, percentOfGoods: "2.5" });
    await press(/^Give it its own delivery time in Azores/);
    await write("Most transit", "21");
    expect(now().byZone?.azores?.promise).toMatchObject({ kind: "arrives", transit: { most: 21 } });
    // The others keep what they share.
    expect(now().promise).toEqual(islands.promise);
    await press(/^Share the charge again in Azores/);
    expect(Object.keys(now().byZone?.azores ?? {})).toEqual(["handling", "promise"]);
    await press(/^Share the delivery time again in Azores/);
    await press(/^Share the handling fee again in Azores/);
    expect(now()).not.toHaveProperty("byZone");
  });
});

describe("at the checkout", () => {
  it("asks, shows with the reason, and has a name for the order system", async () => {
    const now = show(islands, (option, onOption) => <AtCheckout option={option} onOption={onOption} />);
    await userEvent.click(screen.getByLabelText("asks for a phone number"));
    await userEvent.selectOptions(screen.getByLabelText("While it cannot be had it is"), "shown");
    await write(/^Known to the order system as/, "SEA-7");
    expect(now()).toMatchObject({ asks: ["phone"], whenUnavailable: "shown", code: "SEA-7" });
    await userEvent.click(screen.getByLabelText("asks for a phone number"));
    await write(/^Known to the order system as/, "");
    expect(now()).not.toHaveProperty("asks");
    expect(now()).not.toHaveProperty("code");
  });
});
