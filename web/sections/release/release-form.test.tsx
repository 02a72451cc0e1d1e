// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import type { Finding } from "../../../core/checks/finding.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import type { Sample } from "../../../core/samples/sample.ts";
import { compiledPlan } from "../../../core/tests/compiled.ts";
import { FindingsContext } from "../../state/findings-context.tsx";
import { keptSamples } from "../../state/server-queries.ts";
import { demoPlan } from "../../tests/demo-plan.ts";
import { ReleaseForm } from "./release-form.tsx";

afterEach(cleanup);

const plan = demoPlan();
const compiled = compiledPlan(plan);
const WRONG: Finding = {
  ...{ code: "gift-not-sold", severity: "wrong", sentence: phrase("It gives what nobody sells."), witness: null },
  at: { kind: "offer", id: "trade-islands", path: "" },
};
const FALLEN: Sample = {
  ...{ id: "cart", name: "Sketcher in Coimbra" },
  request: {
    ...{ at: "2026-11-28T10:00:00Z", currency: "EUR", destination: { country: "PT", postcode: "3000-001" } },
    cart: { lines: [{ sku: "ink", quantity: 1, unitPrice: 1000 }] },
  },
  expected: { options: { standard: 1 }, messages: [], steps: {}, chosen: null },
};

type Wanted = { moment?: string; note?: string };

function shown({ findings, samples = [] }: { findings: readonly Finding[] | null; samples?: readonly Sample[] }) {
  const released: Wanted[] = [];
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY } } });
  client.setQueryData(keptSamples.queryKey, { samples: [...samples], setAside: [] });
  const checks = { findings, isWhole: findings !== null, progress: null, failure: null, stop: () => {} };
  render(
    <QueryClientProvider client={client}>
      <FindingsContext value={{ checks, plan, show: () => {} }}>
        <ReleaseForm
          next={7}
          timeZone="Asia/Tokyo"
          compiled={compiled}
          busy={false}
          unsaved={false}
          onRelease={(wanted, whenMade) => {
            released.push(wanted);
            whenMade();
          }}
        />
      </FindingsContext>
    </QueryClientProvider>,
  );
  return { released, user: userEvent.setup() };
}

const button = (name: RegExp | string) => screen.getByRole<HTMLButtonElement>("button", { name });

describe("the step that releases", () => {
  it("waits until somebody could know what is wrong", () => {
    shown({ findings: null });
    expect(button("Checking the draft first…").disabled).toBe(true);
  });

  it("releases at once where nothing is wrong, with its note, and forgets what was typed", async () => {
    const { released, user } = shown({ findings: [] });
    await user.type(screen.getByLabelText("A note for those who look at it later"), " For the weekend {Enter}");
    // Enter in a field never releases.
    expect(released).toEqual([]);
    await user.click(button("Release as number 7"));
    expect(released).toEqual([{ note: "For the weekend" }]);
    expect(screen.getByLabelText<HTMLInputElement>("A note for those who look at it later").value).toBe("");
  });

  it("takes a moment by the market's clocks, and none that is missing", async () => {
    const { released, user } = shown({ findings: [] });
    await user.click(screen.getByLabelText("from a moment on"));
    expect(button("Release as number 7").disabled).toBe(true);
    await user.type(screen.getByLabelText("Moment in Asia/Tokyo"), "2031-01-01T08:30{Enter}");
    expect(released).toEqual([]);
    await user.click(button("Release as number 7, from 1 Jan 2031, 08:30"));
    expect(released).toEqual([{ moment: "2030-12-31T23:30:00.000Z" }]);
  });

  it("asks to have seen what is wrong, and carts that see something else, every time", async () => {
    const { released, user } = shown({ findings: [WRONG], samples: [FALLEN] });
    expect(screen.getByText(WRONG.sentence.message)).toBeTruthy();
    expect(screen.getByText(/One sample cart sees something else than it should: Sketcher in Coimbra/)).toBeTruthy();
    expect(button("Release as number 7").disabled).toBe(true);
    await user.click(screen.getByLabelText("I have seen this, and release it all the same"));
    await user.click(button("Release as number 7"));
    expect(released).toEqual([{}]);
    expect(button("Release as number 7").disabled).toBe(true);
  });
});
