// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { ScheduleEditor } from "./schedule-editor.tsx";

afterEach(cleanup);

const zones = { always: "It runs all the time.", timeZones: ["Europe/Lisbon"] };
const advent = [
  { from: "2026-11-27", until: "2026-11-30" },
  { from: "2026-12-04", until: "2026-12-07" },
];

describe("the editor of when something holds", () => {
  it("says of several stretches which one a field belongs to, and changes that one alone", async () => {
    const onSchedule = vi.fn();
    render(<ScheduleEditor {...zones} schedule={advent} onSchedule={onSchedule} />);
    const names = screen.getAllByRole("textbox").map((field) => field.getAttribute("aria-label"));
    expect(new Set(names).size).toBe(4);
    const until = screen.getByRole("textbox", { name: "Until, a day included, stretch 2" });
    await userEvent.clear(until);
    await userEvent.type(until, "2026-12-08{Enter}");
    expect(onSchedule).toHaveBeenLastCalledWith([advent[0], { from: "2026-12-04", until: "2026-12-08" }]);
    await userEvent.click(screen.getByRole("button", { name: "Remove stretch 1" }));
    expect(onSchedule).toHaveBeenLastCalledWith([advent[1]]);
  });

  it("names the fields of one stretch plainly, keeps an end before its beginning out, and forgets the last stretch", async () => {
    const onSchedule = vi.fn();
    render(<ScheduleEditor {...zones} schedule={advent.slice(0, 1)} onSchedule={onSchedule} />);
    const from = screen.getByRole("textbox", { name: "From" });
    await userEvent.clear(from);
    await userEvent.type(from, "2026-12-01{Enter}");
    expect(screen.getByRole("alert").textContent).toBe("later than it ends, 2026-11-30");
    expect(onSchedule).not.toHaveBeenCalled();
    await userEvent.click(screen.getByRole("button", { name: "Remove stretch 1" }));
    expect(onSchedule).toHaveBeenLastCalledWith(undefined);
  });
});
