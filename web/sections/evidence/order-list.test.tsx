// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import type { ListedOrder } from "../../../core/evidence/listed-orders.ts";
import { TOTAL } from "../../../core/evidence/order-facts.ts";
import { demoPlan } from "../../tests/demo-plan.ts";
import { standInServer } from "../../tests/stand-in-server.ts";
import { OrdersWorth } from "./orders-worth.tsx";

afterEach(cleanup);

const order = (number: string): ListedOrder => ({
  ...{ order: number, currency: "EUR", option: "standard", charged: 490 },
  ...{ worth: 4160, now: null, beside: null },
});

function shown() {
  const server = standInServer({});
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <OrdersWorth
        {...{ plan: demoPlan(), filter: { currency: "EUR" }, counting: TOTAL }}
        from={4000}
        below={4500}
        label="€40.00 to €45.00"
      />
    </QueryClientProvider>,
  );
  return server;
}

describe("the orders of a figure", () => {
  it("are waited for while days are added up: that there are none is not said before it is known", async () => {
    const { asked } = shown();
    await waitFor(() => expect(asked).toHaveLength(1));
    asked[0]?.answer({ due: 3 });
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(screen.queryByText("no order")).toBeNull();
    asked[1]?.answer({ orders: [order("V-1")], after: null });
    expect((await screen.findByRole("row", { name: /^V-1/ })).textContent).toContain("€41.60");
    expect(screen.getByRole("status").textContent).toBe("one order");
  });

  it("are looked for further where many days hold none of them, and go on where one says so", async () => {
    const { asked } = shown();
    await waitFor(() => expect(asked).toHaveLength(1));
    asked[0]?.answer({ orders: [], after: "2026-08-01" });
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]?.body).toMatchObject({ do: "orders-worth", from: 4000, below: 4500, after: "2026-08-01" });
    asked[1]?.answer({ orders: [order("V-2"), order("V-3")], after: "2026-07-01" });
    await waitFor(() => expect(screen.getByRole("status").textContent).toBe("the latest 2 of them"));
    await userEvent.click(screen.getByRole("button", { name: "Show earlier ones" }));
    await waitFor(() => expect(asked).toHaveLength(3));
    asked[2]?.answer({ orders: [order("V-4")], after: null });
    await waitFor(() => expect(screen.getByRole("status").textContent).toBe("all 3 orders"));
    expect(screen.queryByRole("button", { name: "Show earlier ones" })).toBeNull();
  });
});
