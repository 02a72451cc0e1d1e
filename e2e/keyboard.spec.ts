import type { Locator, Page } from "@playwright/test";
import { expect, test } from "./demo-store.ts";
import { shopper } from "./shopper.ts";

/** The most presses of Tab that a control may be away. */
const MOST_TABS = 150;

/**
 * Tabs on until the control has the focus, as somebody without a mouse does. It is looked for by its role and name once, and again
 * only where what was found is gone: reading every name on the page at each press took longer than all else.
 */
async function tabTo(page: Page, control: Locator): Promise<void> {
  let found = await control.elementHandle();
  for (let i = 0; i < MOST_TABS; i += 1) {
    const where = await found?.evaluate((one) =>
      one === document.activeElement ? "here" : one.isConnected ? "elsewhere" : "gone",
    );
    if (where === "here") return;
    if (where === "gone") found = await control.elementHandle();
    else await page.keyboard.press("Tab");
  }
  throw new Error(`${control} is not reached by Tab`);
}

test("a goal, the order of options, why, its field and a release: by keyboard alone", async ({ page, request }) => {
  test.setTimeout(90_000);
  await page.goto("/offers");
  await expect(shopper(page)).toContainText("Add €6.40 more");
  const main = page.getByRole("main");

  // A goal, left by Escape and typed anew.
  const goal = main.getByRole("button", { name: /^Goal: €45/ }).first();
  await tabTo(page, goal);
  await page.keyboard.press("Enter");
  await page.keyboard.type("70");
  await page.keyboard.press("Escape");
  await expect(goal).toBeFocused();
  await page.keyboard.press("Enter");
  await page.keyboard.type("52");
  await page.keyboard.press("Enter");
  await expect(shopper(page)).toContainText("Add €13.40 more");

  // The second option becomes the first; the button goes with it, and when it can go no further the focus stays beside it.
  await tabTo(page, page.getByRole("navigation", { name: "Sections" }).getByRole("link", { name: "Delivery" }));
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "Delivery" })).toBeFocused();
  await tabTo(page, main.getByRole("button", { name: /^Express/ }).first());
  await page.keyboard.press("Enter");
  const up = main.getByRole("button", { name: "Move Express up" });
  await tabTo(page, up);
  await page.keyboard.press("Enter");
  await expect(up).toBeDisabled();
  await expect(main.getByRole("button", { name: "Move Express down" })).toBeFocused();

  // Why an option costs what it does leads to the very field.
  const why = shopper(page).getByRole("button", { name: "why Standard" });
  await tabTo(page, why);
  await page.keyboard.press("Enter");
  const charge = shopper(page).getByRole("link", { name: /^Charge: / });
  await expect(charge).toBeVisible();
  await tabTo(page, charge);
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/delivery#standard$/);
  const part = main.locator(".marked-field");
  await expect(part).toContainText("The charge is");
  await expect(part.locator(":focus")).toHaveCount(1);

  // An option that goes takes the focus with it no further than the next control.
  await tabTo(page, main.getByRole("button", { name: "Duplicate" }));
  await page.keyboard.press("Enter");
  const name = main.getByLabel("Name in English");
  await expect(name).toBeFocused();
  await tabTo(page, main.getByRole("button", { name: "Remove", exact: true }));
  await page.keyboard.press("Enter");
  await expect.poll(() => page.evaluate(() => document.activeElement?.closest("main") !== null)).toBe(true);

  // Released.
  await tabTo(page, page.getByRole("link", { name: "Review and release" }));
  await page.keyboard.press("Enter");
  const confirm = main.getByLabel("I have seen this");
  const release = main.getByRole("button", { name: /^Release as number 2/ });
  await expect(release).toBeVisible();
  await expect(async () => {
    if ((await confirm.count()) > 0 && !(await confirm.isChecked())) {
      await tabTo(page, confirm);
      await page.keyboard.press("Space");
    }
    await expect(release).toBeEnabled({ timeout: 1000 });
  }).toPass();
  await tabTo(page, release);
  await page.keyboard.press("Enter");
  await expect(page.getByText("Same as release 2")).toBeVisible();
  const asked = { at: "2026-11-26T10:00:00Z", currency: "EUR", destination: { country: "PT", postcode: "3000-001" } };
  const cart = { lines: [{ sku: "ink", quantity: 1, unitPrice: 4600 }] };
  const answer = await (await request.post("/api/quote", { data: { ...asked, cart } })).json();
  const ids: string[] = answer.options.map(({ id }: { id: string }) => id);
  expect(ids.indexOf("express")).toBeLessThan(ids.indexOf("standard"));
  expect(JSON.stringify(answer.messages)).toContain("6,00");
});

test("arrow keys go from finding to finding, from text to text and along the goal grid", async ({ page }) => {
  await page.goto("/checks");
  const findings = page.getByRole("list", { name: "Open findings" });
  await expect(findings.getByRole("listitem").nth(3)).toBeVisible();
  // None comes in between any more.
  await expect(findings).toHaveAttribute("aria-busy", "false", { timeout: 30_000 });
  await findings.getByRole("listitem").first().getByRole("link").first().focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  await expect(findings.getByRole("listitem").nth(2).locator(":focus")).toHaveCount(1);
  await page.keyboard.press("ArrowUp");
  await expect(findings.getByRole("listitem").nth(1).locator(":focus")).toHaveCount(1);

  await page.goto("/wording#free-post");
  const cell = (name: string) =>
    page
      .getByRole("main")
      .getByRole("button", { name: `${name}. Change` })
      .first();
  await cell("Nothing in the cart yet, English").focus();
  await page.keyboard.press("ArrowDown");
  await expect(cell("On the way, English")).toBeFocused();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("main").locator(":focus")).toHaveAttribute("aria-label", /^On the way, .*Change$/);
  await expect(cell("On the way, English")).not.toBeFocused();

  await page.goto("/offers#free-post");
  const grid = page
    .getByRole("main")
    .getByRole("table")
    .filter({ hasText: "Great Britain" })
    .or(page.getByRole("main").getByRole("table"))
    .first();
  const amounts = grid.getByRole("button", { name: /Change$/ });
  await amounts.first().focus();
  await page.keyboard.press("ArrowRight");
  await expect(amounts.first()).not.toBeFocused();
  await expect(grid.locator(":focus")).toHaveCount(1);
});

test("a finding leads to the field that it is about, wherever that lies", async ({ page }) => {
  await page.goto("/checks");
  const findings = page.getByRole("list", { name: "Open findings" });
  const follow = async (text: string | RegExp) => {
    await page.goto("/checks");
    // While findings still come, the list moves under the pointer.
    await expect(findings).toHaveAttribute("aria-busy", "false", { timeout: 30_000 });
    await findings
      .getByRole("listitem")
      .filter({ hasText: text })
      .first()
      .getByRole("link", { name: "Go there" })
      .click();
  };
  const marked = page.getByRole("main").locator(".marked-field");
  await follow("guests cannot be told apart");
  await expect(page).toHaveURL(/\/offers#newsletter$/);
  await expect(marked).toContainText("Times per shopper");
  await follow("tells visitors");
  await expect(page).toHaveURL(/\/wording#free-post$/);
  await expect(marked).toContainText("Place not known yet");
  await follow("leaves out Highlands");
  await expect(marked).toContainText("Highlands and islands");
  // Coming back to the page, nothing is marked anew.
  await page.reload();
  await expect(page.getByRole("main")).toContainText("Where");
  await expect(marked).toHaveCount(0);
});

test("an option that is dragged by keyboard is told of by its name, apart from others of that name, and its place", async ({
  page,
}) => {
  await page.goto("/delivery");
  const grip = page.getByRole("button", { name: "Move Standard (Mainland Portugal)", exact: true });
  await grip.focus();
  await page.keyboard.press("Space");
  const told = page.getByRole("status").filter({ hasText: "Standard" });
  await expect(told).toContainText(/Standard.* place 1 of \d+/);
  await page.keyboard.press("ArrowDown");
  await expect(told).toContainText("is over place 2");
  await page.keyboard.press("Escape");
  await expect(told).toContainText("Standard (Mainland Portugal) stays where it was");
});
