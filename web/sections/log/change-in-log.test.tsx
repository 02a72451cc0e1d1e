// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it } from "vitest";
import { entitiesOf } from "../../../core/plan/entities.ts";
import type { LogLine } from "../../../server/log/read-log.ts";
import { draftStore } from "../../state/use-draft.ts";
import { demoPlan } from "../../tests/demo-plan.ts";
import { settleDraft } from "../../tests/settle-draft.ts";
import { type Asked, draftOf, standInServer } from "../../tests/stand-in-server.ts";
import { LogRow } from "./log-row.tsx";

let asked: readonly Asked[] = [];
afterEach(async () => {
  cleanup();
  await settleDraft(asked);
});

const demoEntities = entitiesOf(demoPlan());

type Changes = Extract<LogLine, { part: "changes" }>;
const line = (changes: readonly unknown[], more = 0): Changes =>
  // As it comes over the network.
  JSON.parse(
    JSON.stringify({ part: "changes", at: "2026-11-25T09:00:00.000Z", by: "Ana Reis", sequence: 7, changes, more }),
  );

async function opened(): Promise<void> {
  localStorage.clear();
  sessionStorage.clear();
  ({ asked } = standInServer({ "/api/draft": draftOf(demoEntities) }));
  await draftStore.load();
}
const zone = () => {
  const found = demoEntities.find((one) => one.kind === "zone" && one.id === "azores");
  if (found?.kind !== "zone") throw new Error("no Azores");
  return found.body;
};

describe("a change in the log", () => {
  it("is taken back part by part, as an edit that can be undone; what was changed again since cannot be", async () => {
    await opened();
    const before = { ...zone(), name: "Nine islands", standardTaxRate: "12" };
    render(
      <LogRow line={line([{ kind: "zone", id: "azores", before, after: { ...zone(), standardTaxRate: "17" } }])} />,
    );
    expect(screen.getByText("Ana Reis")).toBeDefined();
    // Its tax rate is another by now.
    const [button, ...others] = screen.getAllByRole("button", { name: /^Take back/ });
    expect([button?.textContent, others.length]).toEqual(["Take back name", 0]);
    if (button) await userEvent.click(button);
    expect(asked.at(-1)).toMatchObject({
      path: "/api/draft/changes",
      body: { writes: [{ kind: "zone", id: "azores", body: { ...zone(), name: "Nine islands" } }] },
    });
    expect(draftStore.snapshot().canUndo).toBe(true);
    expect(screen.queryByRole("button", { name: /^Take back/ })).toBeNull();
    draftStore.undo();
    expect(draftStore.snapshot().plan?.zones.find(({ id }) => id === "azores")?.name).toBe(zone().name);
  });

  it("of what came new, or went, goes back whole", async () => {
    await opened();
    const gone = { ...zone(), id: "gone", name: "Gone" };
    render(<LogRow line={line([{ kind: "zone", id: "gone", before: gone, after: null }], 3)} />);
    expect(screen.getByText("And 3 more things")).toBeDefined();
    await userEvent.click(screen.getByRole("button", { name: /^Take back/ }));
    expect(asked.at(-1)?.body).toMatchObject({ writes: [{ kind: "zone", id: "gone", seen: 0, body: gone }] });
  });

  it("in a format that is read no more is told by its thing, and the others are as they were", async () => {
    await opened();
    const old = { id: "azores", name: "Azores", when: { kind: "no-such-kind" } };
    render(
      <LogRow
        line={line([
          { kind: "zone", id: "azores", before: { ...old, name: "A" }, after: old },
          {
            kind: "offer",
            id: "x",
            before: { id: "x", when: { kind: "all" } },
            after: { id: "x", when: { kind: "any" } },
          },
        ])}
      />,
    );
    expect(screen.getAllByText("Azores").length).toBeGreaterThan(0);
    expect(screen.getByText("x")).toBeDefined();
  });
});
