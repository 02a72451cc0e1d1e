// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { readMarked } from "../../core/messages/marked-text.ts";
import { ChoicesField } from "./choices-field.tsx";
import { DayField } from "./day-field.tsx";
import { ListField } from "./list-field.tsx";
import { MarkButtons } from "./mark-buttons.tsx";
import { NumberField } from "./number-field.tsx";
import { QuantityField, WEIGHT_UNITS } from "./quantity-field.tsx";
import { isAtMostAll, isInCalendar } from "./rules.ts";
import { SelectField } from "./select-field.tsx";
import { TextField } from "./text-field.tsx";
import { TextsTable } from "./texts-table.tsx";

afterEach(cleanup);

/** Types into the one field on screen as a person does, and leaves it. */
async function type(text: string): Promise<HTMLElement> {
  const field = screen.getByRole("textbox");
  await userEvent.clear(field);
  if (text !== "") await userEvent.type(field, text);
  await userEvent.tab();
  return field;
}

describe("a field", () => {
  it.each([
    ["a name that is blank", "   ", "may not be empty"],
    ["a name that is too long", "x".repeat(101), "100 letters at most"],
  ])("refuses %s, says why, and keeps what was typed until Escape", async (_, typed, why) => {
    const onCommit = vi.fn();
    render(<TextField label="Name" value="Free post" leaf="offer/name" onCommit={onCommit} />);
    const field = await type(typed);
    expect(screen.getByRole("alert").textContent).toBe(why);
    expect(field).toHaveProperty("value", typed);
    expect(field.getAttribute("aria-invalid")).toBe("true");
    expect(field.getAttribute("aria-describedby")).toBe(screen.getByRole("alert").id);
    // Read out as a description, not once more as a part of its name.
    expect(screen.getByRole("textbox", { name: "Name" })).toBe(field);
    await userEvent.type(field, "{Escape}");
    expect(field).toHaveProperty("value", "Free post");
    expect(onCommit).not.toHaveBeenCalled();
  });

  it("keeps a text without the spaces around it, by Enter or by being left, and nothing when nothing was changed", async () => {
    const onCommit = vi.fn();
    render(<TextField label="Name" value="Free post" leaf="offer/name" onCommit={onCommit} />);
    await userEvent.type(screen.getByRole("textbox"), "  {Enter}");
    expect(onCommit).not.toHaveBeenCalled();
    await userEvent.type(screen.getByRole("textbox"), " abroad {Enter}");
    expect(onCommit).toHaveBeenLastCalledWith("Free post abroad");
    await type(" Post ");
    expect(onCommit).toHaveBeenLastCalledWith("Post");
  });

  it.each([
    ["-3", "a whole number, 0 or more"],
    ["2.5", "a whole number, 0 or more"],
    ["many", "a whole number, 0 or more"],
  ])("says why %s is no number of orders, instead of forgetting it", async (typed, why) => {
    const onCommit = vi.fn();
    render(
      <NumberField
        label="Orders so far"
        value={4}
        leaf="standpoint/shopper/orderCount"
        onCommit={onCommit}
        onEmpty={onCommit}
      />,
    );
    const field = await type(typed);
    expect(screen.getByRole("alert").textContent).toBe(why);
    expect(field).toHaveProperty("value", typed);
    expect(onCommit).not.toHaveBeenCalled();
    await type("");
    expect(onCommit).toHaveBeenCalledWith();
    await type("7");
    expect(onCommit).toHaveBeenLastCalledWith(7);
  });

  it("does not let a list become empty where there has to be something in it, and names the entry that is wrong", async () => {
    const onCommit = vi.fn();
    render(<ListField label="Regions" value={["PT-20"]} leaf="when/region/regions" onCommit={onCommit} />);
    await type("");
    expect(screen.getByRole("alert").textContent).toBe("needs at least one");
    await type("PT-20, Madeira");
    expect(screen.getByRole("alert").textContent).toBe("“Madeira”: a region's code such as PT-30");
    await type(`PT-20, ${"Açores e ".repeat(20)}`);
    expect(screen.getByRole("alert").textContent).toBe("“Açores e Açores e Açore…”: a region's code such as PT-30");
    expect(onCommit).not.toHaveBeenCalled();
    await type("PT-20, PT-30");
    expect(onCommit).toHaveBeenCalledWith(["PT-20", "PT-30"]);
  });

  it("asks what the schema cannot: days that no calendar has, more than all of something", async () => {
    const onCommit = vi.fn();
    const { rerender } = render(
      <TextField label="From" value={undefined} leaf="offer/schedule/from" rule={isInCalendar} onCommit={onCommit} />,
    );
    await type("2026-02-30");
    expect(screen.getByRole("alert").textContent).toBe("2026-02-30 is no day of the calendar");
    await type("2026-13-45");
    expect(screen.getByRole("alert").textContent).toContain("a day, or a day and a time such as 2026-11-27");
    rerender(<TextField label="Percent" value="5" leaf="percent" rule={isAtMostAll} onCommit={onCommit} />);
    await type("101");
    expect(screen.getByRole("alert").textContent).toBe("100 % at most");
    expect(onCommit).not.toHaveBeenCalled();
  });

  it("keeps the last of several choices ticked off until another is, with a word", async () => {
    const onCommit = vi.fn();
    render(
      <ChoicesField
        label="Days"
        value={[1]}
        choices={[
          { value: 1, words: "Mon" },
          { value: 2, words: "Tue" },
        ]}
        leaf="location/openingHours/days"
        onCommit={onCommit}
      />,
    );
    await userEvent.click(screen.getByLabelText("Mon"));
    expect(screen.getByRole("alert").textContent).toBe("needs at least one");
    expect(screen.getByLabelText("Mon")).toHaveProperty("checked", false);
    expect(onCommit).not.toHaveBeenCalled();
    await userEvent.click(screen.getByLabelText("Tue"));
    expect(screen.queryByRole("alert")).toBeNull();
    expect(onCommit).toHaveBeenCalledWith([2]);
  });

  it.each([
    ["9,500", "“9,500” can be read in two ways: write 9500 or 9.5"],
    ["1,000", "“1,000” can be read in two ways: write 1000 or 1.0"],
  ])("asks what %o means instead of guessing", async (typed, why) => {
    const onQuantity = vi.fn();
    render(<QuantityField label="Weight" quantity={undefined} units={WEIGHT_UNITS} onQuantity={onQuantity} />);
    const field = await type(typed);
    expect(screen.getByRole("alert").textContent).toBe(why);
    expect(field).toHaveProperty("value", typed);
    expect(onQuantity).not.toHaveBeenCalled();
    // Nobody writes a thousand with a nought in front, and four digits behind a comma are no thousands.
    await type("0,500");
    expect(onQuantity).toHaveBeenLastCalledWith({ value: "0.500", unit: "g" });
    await type("9,5001");
    expect(onQuantity).toHaveBeenLastCalledWith({ value: "9.5001", unit: "g" });
  });

  it("offers what there is for a list, and takes what is typed besides", async () => {
    const onCommit = vi.fn();
    const choices = [
      { value: "paper", words: "paper" },
      { value: "ink", words: "ink" },
    ];
    const list = (value: string[]) => (
      <ListField label="Categories" value={value} leaf="product/categories" choices={choices} onCommit={onCommit} />
    );
    const { rerender } = render(list(["paper"]));
    const add = screen.getByLabelText("Add to Categories");
    expect(within(add).queryByText("paper")).toBeNull();
    await userEvent.selectOptions(add, "ink");
    expect(onCommit).toHaveBeenLastCalledWith(["paper", "ink"]);
    rerender(list(["paper", "ink"]));
    expect(screen.queryByLabelText("Add to Categories")).toBeNull();
    await type("paper, ink, glass");
    expect(onCommit).toHaveBeenLastCalledWith(["paper", "ink", "glass"]);
  });

  it("says texts in every language that is read or written, and keeps the last of those that have to be", async () => {
    const onName = vi.fn();
    const onNote = vi.fn();
    render(
      <TextsTable
        languages={["pt", "en"]}
        columns={[
          { label: "Name", texts: { en: "Shop" }, leaf: "location/name/*", onTexts: onName, required: true },
          { label: "Note", texts: { ja: "メモ" }, leaf: "option/note/*", onTexts: onNote },
        ]}
      />,
    );
    const write = async (label: string, text: string) => {
      const field = screen.getByLabelText(label);
      await userEvent.clear(field);
      await userEvent.type(field, `${text}{Enter}`);
    };
    await write("Name in Portuguese", "Loja");
    expect(onName).toHaveBeenLastCalledWith({ en: "Shop", pt: "Loja" });
    await write("Name in English", "");
    expect(screen.getByRole("alert").textContent).toBe("may not be empty");
    await write("Note in Japanese", "");
    expect(onNote).toHaveBeenLastCalledWith(undefined);
  });

  it("takes a comma for the point of a figure, and a unit by its name", async () => {
    const onQuantity = vi.fn();
    render(
      <QuantityField
        label="Weight"
        quantity={{ value: "2", unit: "kg" }}
        units={WEIGHT_UNITS}
        onQuantity={onQuantity}
      />,
    );
    await type("2,5");
    expect(onQuantity).toHaveBeenLastCalledWith({ value: "2.5", unit: "kg" });
    await userEvent.selectOptions(screen.getByLabelText("Unit of Weight"), "lb");
    expect(onQuantity).toHaveBeenLastCalledWith({ value: "2", unit: "lb" });
    await type("heavy");
    expect(screen.getByRole("alert").textContent).toBe("a figure such as 2 or 0.5");
  });

  it("offers the choices there are, in their order", () => {
    render(<SelectField<"a" | "b"> label="Take" value="b" choices={{ b: "second", a: "first" }} onCommit={() => {}} />);
    expect([...screen.getByLabelText<HTMLSelectElement>("Take").options].map(({ text }) => text)).toEqual([
      "second",
      "first",
    ]);
  });
});

/** Opens the calendar, which the browser's popover does, and picks a day of the month that it shows. */
async function pickDay(container: HTMLElement, day: number): Promise<void> {
  const calendar = container.querySelector("dialog");
  if (!calendar) throw new Error("there is no calendar");
  calendar.hidePopover = () => {};
  fireEvent(calendar, Object.assign(new Event("toggle"), { newState: "open" }));
  // Its script is loaded first, which takes as long as the machine is busy.
  const cell = await screen.findByRole(
    "button",
    { name: new RegExp(`\\b${day}(st|nd|rd|th)? `), hidden: true },
    { timeout: 20_000 },
  );
  fireEvent.click(cell);
}

describe("a day", () => {
  it("is typed, or picked from the calendar with the time left as it is; one that no calendar has is refused", async () => {
    const onCommit = vi.fn();
    const { container } = render(
      <DayField label="From" value="2026-11-27T09:00" leaf="offer/schedule/from" onCommit={onCommit} />,
    );
    await pickDay(container, 24);
    expect(onCommit).toHaveBeenLastCalledWith("2026-11-24T09:00");
    await type("2026-02-30");
    expect(screen.getByRole("alert").textContent).not.toBe("");
    expect(onCommit).toHaveBeenCalledTimes(1);
  });

  it.each([
    ["until", { after: "2026-11-27T09:00" }, "2026-11-26", "earlier than it begins, 2026-11-27T09:00"],
    ["from", { before: "2026-11-27" }, "2026-11-28", "later than it ends, 2026-11-27"],
    ["from", { before: "2026-11-27" }, "2026-11-27T23:59", null],
  ])("says why %s beside %j cannot be %s", async (side, other, typed, why) => {
    const onCommit = vi.fn();
    const { container } = render(
      <DayField label={side} value="2026-11-27" leaf="offer/schedule/from" {...other} onCommit={onCommit} />,
    );
    await type(typed);
    expect(screen.queryByRole("alert")?.textContent ?? null).toBe(why);
    expect(onCommit).toHaveBeenCalledTimes(why === null ? 1 : 0);
    if (why === null) return;
    // The same word where it was picked.
    await userEvent.type(screen.getByRole("textbox"), "{Escape}");
    await pickDay(container, Number(typed.slice(8, 10)));
    expect(screen.getByRole("alert").textContent).toBe(why);
    expect(onCommit).not.toHaveBeenCalled();
  });
});

describe("marks for bold and links", () => {
  it("go around what is chosen, and the address is typed next", async () => {
    const onCommit = vi.fn();
    render(
      <MarkButtons of="Note">
        <TextField label="Note" value="Free with the club" leaf="option/note/*" onCommit={onCommit} />
      </MarkButtons>,
    );
    const field = screen.getByRole<HTMLInputElement>("textbox");
    field.focus();
    field.setSelectionRange(0, 4);
    await userEvent.click(screen.getByRole("button", { name: "Bold in Note" }));
    expect(field.value).toBe("**Free** with the club");
    expect(field.value.slice(field.selectionStart ?? 0, field.selectionEnd ?? 0)).toBe("**Free**");
    field.setSelectionRange(14, 22);
    await userEvent.click(screen.getByRole("button", { name: "A link in Note" }));
    await userEvent.keyboard("/club{Enter}");
    expect(onCommit.mock.lastCall?.map(readMarked)).toEqual([
      [{ text: "Free", bold: true }, { text: " with " }, { text: "the club", link: "/club" }],
    ]);
  });
});
