// @vitest-environment jsdom
import { QueryClient, QueryClientProvider, useQuery } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { TOTAL } from "../../../core/evidence/order-facts.ts";
import type { StatedFigures } from "../../../server/evidence/stated-figures.ts";
import { gainOfGoals } from "../../state/evidence-api.ts";
import { standInServer } from "../../tests/stand-in-server.ts";
import { MarginFields } from "./margin-fields.tsx";
import { useFigures } from "./use-figures.ts";

afterEach(cleanup);
const figures = (byCategory: StatedFigures["byCategory"]): StatedFigures => ({
  ...{ margin: 0.4, byCategory, perDelivery: {}, shares: {} },
});
const told = (margin: number) => ({
  ...{ margin, categories: ["paper", "ink"] },
  margins: [
    { category: "paper", worth: 300, margin: 0.6 },
    { category: null, worth: 700, margin: 0.4 },
  ],
});

function Looked() {
  const { figures: known, state } = useFigures();
  const { data } = useQuery(gainOfGoals({ filter: { currency: "EUR" }, counting: TOTAL }));
  const shown = data && "margin" in data ? data : { margin: null, margins: null, categories: ["paper", "ink"] };
  return known ? <MarginFields figures={known} told={shown} onState={state} /> : null;
}

describe("a margin that is stated", () => {
  it("is in what a goal would bring, also where that was just being asked for", async () => {
    const { asked } = standInServer({ "/api/stated-figures": figures({}) });
    render(
      <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
        <Looked />
      </QueryClientProvider>,
    );
    const user = userEvent.setup();
    await user.type(await screen.findByLabelText("Margin on paper, percent"), "60{Enter}");
    await waitFor(() => expect(asked.map(({ path }) => path)).toEqual(["/api/evidence", "/api/stated-figures"]));
    const [before, stated] = asked;
    expect(stated?.body).toEqual({ kind: "margin", category: "paper", figure: 6000 });
    stated?.answer(figures({ paper: 0.6 }));
    await waitFor(() => expect(asked).toHaveLength(3));
    // What was asked before comes late, and counts no more.
    before?.answer(told(0.4));
    asked[2]?.answer(told(0.46));
    await screen.findByText("Margin by category: 46 % on what was bought");
    expect(screen.getByText(/30 % paper at 60 %, 70 % everything else at 40 %/)).toBeTruthy();
  });

  it("is refused where it is no percent, and nothing is sent", async () => {
    const { asked } = standInServer({ "/api/stated-figures": figures({ paper: 0.5 }) });
    render(
      <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
        <Looked />
      </QueryClientProvider>,
    );
    const user = userEvent.setup();
    const paper = await screen.findByLabelText("Margin on paper, percent");
    for (const rubbish of ["much", "101", "-4", "12.345", "1e3"]) {
      await user.clear(paper);
      await user.type(paper, `${rubbish}{Enter}`);
      expect([rubbish, paper.getAttribute("aria-invalid")]).toEqual([rubbish, "true"]);
    }
    expect(asked.filter(({ path }) => path === "/api/stated-figures")).toEqual([]);
    // Emptied, it is as everything else again.
    await user.clear(paper);
    await user.type(paper, "{Enter}");
    await waitFor(() => expect(asked.at(-1)?.body).toEqual({ kind: "margin", category: "paper", figure: null }));
  });
});
