import type { Page } from "@playwright/test";
import { expect, test } from "./demo-store.ts";
import { addProduct } from "./shopper.ts";

type Draft = { entities: { kind: string; id: string; revision: number; body: object }[] };

const shopper = (page: Page) => page.getByRole("complementary", { name: "Shopper view" });
const offer = (page: Page) => page.getByRole("region", { name: "Free standard delivery", exact: true });
const headline = (page: Page) => offer(page).getByRole("heading", { level: 2 });
const priceOf = (page: Page, option: string) => shopper(page).locator(`[data-option="${option}"] [data-price]`);
const saved = (page: Page) => expect(page.getByRole("status").getByText("Saved", { exact: true })).toBeVisible();

async function typeGoal(page: Page, amount: string): Promise<void> {
  await headline(page).getByRole("button", { name: /^Goal/ }).click();
  await page.getByRole("textbox", { name: "Goal" }).fill(amount);
}

test("a goal is changed by typing, seen at once, saved, and kept through a reload", async ({ page }) => {
  await page.goto("/offers");
  await expect(headline(page)).toHaveText("Free Standard delivery from €45, in Mainland Portugal.");
  await expect(shopper(page)).toContainText("Add €6.40 more for free standard delivery");

  await typeGoal(page, "50");
  await expect(shopper(page)).toContainText("Add €11.40 more");
  await expect(page.getByText("Not saved yet")).toBeVisible();
  await page.keyboard.press("Enter");
  await saved(page);
  await expect(page.getByText("1 change since release 1")).toBeVisible();

  await page.reload();
  await expect(headline(page)).toContainText("€50");
  await expect(shopper(page)).toContainText("Add €11.40 more");
});

test("a flag is dragged along the climb; the message follows while it moves, and undo brings it back", async ({
  page,
}) => {
  await page.goto("/offers");
  const flag = page.getByRole("slider", { name: "Goal of Free standard delivery" });
  await expect(flag).toHaveAttribute("aria-valuenow", "4500");
  const box = await flag.boundingBox();
  if (!box) throw new Error("the flag is not drawn");
  await page.mouse.move(box.x + 12, box.y + 12);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + 14, { steps: 5 });
  await expect(page.getByText("Not saved yet")).toBeVisible();
  await page.mouse.move(box.x + 120, box.y + 14, { steps: 5 });
  await page.mouse.up();
  await saved(page);
  const dragged = Number(await flag.getAttribute("aria-valuenow"));
  expect(dragged).toBeGreaterThan(5000);
  expect(dragged % 100).toBe(0);
  await expect(headline(page)).toContainText(`€${dragged / 100}`);
  await expect(shopper(page)).toContainText(`Add €${((dragged - 3860) / 100).toFixed(2)} more`);

  await page.keyboard.press("Control+z");
  await expect(headline(page)).toContainText("€45");
  await saved(page);
  await page.keyboard.press("Control+Shift+z");
  await expect(headline(page)).toContainText(`€${dragged / 100}`);
});

test("products are added until the goal is reached, and one taken away brings the message back", async ({ page }) => {
  await page.goto("/offers");
  await expect(priceOf(page, "standard")).toHaveText("€4.90");
  await addProduct(page, "field-notebook");
  await expect(shopper(page)).toContainText("Standard delivery is free");
  await expect(priceOf(page, "standard")).toHaveText("Free");
  await expect(shopper(page).locator("[data-total]")).toHaveText("€45.85");

  await page.getByRole("tab", { name: "Checkout" }).click();
  await expect(shopper(page).getByRole("radio", { name: /Standard/ })).toBeChecked();
  await shopper(page)
    .getByRole("radio", { name: /Express/ })
    .check();
  await expect(shopper(page).locator("[data-total]")).toHaveText("€55.35");

  await page.getByRole("tab", { name: "Cart" }).click();
  await page.getByRole("button", { name: "One Field notebook, sewn less" }).click();
  await expect(shopper(page)).toContainText("Add €6.40 more");
  await expect(priceOf(page, "standard")).toHaveText("€4.90");
});

test("an oversize easel takes express away, with the reason, and gives it back when it leaves the cart", async ({
  page,
}) => {
  await page.goto("/offers");
  await expect(priceOf(page, "express")).toHaveText("€9.50");
  await addProduct(page, "studio-easel");
  await expect(shopper(page).locator('[data-option="express"]')).toContainText("Not available for this cart");
  await page.getByRole("button", { name: "One Studio easel, beech less" }).click();
  await expect(priceOf(page, "express")).toHaveText("€9.50");
});

test("goods that do not count leave the message as it was", async ({ page }) => {
  await page.goto("/offers");
  await addProduct(page, "gift-card-25");
  await expect(shopper(page)).toContainText("Gift card");
  await expect(shopper(page)).toContainText("Add €6.40 more");
});

test("a shop gets the draft's answer only once it is released", async ({ page, request }) => {
  const cart = {
    at: "2026-11-28T10:00:00Z",
    currency: "EUR",
    locale: "en",
    destination: { country: "PT", postcode: "3000-001" },
    cart: { lines: [{ sku: "laid-paper-a5", quantity: 4, unitPrice: 980, categories: ["paper"] }] },
  };
  const remaining = async () => {
    const response = await request.post("/api/quote", { data: cart });
    const quote: { progress: { remaining: number | null }[] } = await response.json();
    return { release: response.headers()["summant-release"], remaining: quote.progress[0]?.remaining };
  };
  expect(await remaining()).toEqual({ release: "1", remaining: 580 });

  await page.goto("/offers");
  await typeGoal(page, "60");
  await page.keyboard.press("Enter");
  await saved(page);
  expect(await remaining()).toEqual({ release: "1", remaining: 580 });

  await page.getByRole("link", { name: "Review and release" }).click();
  await expect(page.getByRole("region", { name: "Changes" })).toContainText("from €45");
  await expect(page.getByRole("region", { name: "Changes" })).toContainText("from €60");
  await page.getByLabel("I have seen this").check();
  await page.getByRole("button", { name: "Release as number 2" }).click();
  await expect(page.getByText("Same as release 2")).toBeVisible();
  expect(await remaining()).toEqual({ release: "2", remaining: 2080 });
});

test("rubbish typed into a goal stays, says what is wrong, and Escape gives the old amount back", async ({ page }) => {
  await page.goto("/offers");
  for (const [rubbish, words] of [
    ["forty", "is not an amount"],
    ["-5", "cannot be negative"],
    ["1,000", "write a thousand as 1000"],
    ["", "Type an amount"],
  ] as const) {
    await typeGoal(page, rubbish);
    await expect(page.getByRole("alert")).toContainText(words);
    await page.keyboard.press("Enter");
    await expect(page.getByRole("textbox", { name: "Goal" })).toHaveValue(rubbish);
    await page.keyboard.press("Escape");
    await expect(headline(page)).toContainText("€45");
  }
});

test("everything can be done by keyboard: the goal, the cart value, the jumps from change to change", async ({
  page,
}) => {
  await page.goto("/offers");
  await page.getByRole("slider", { name: "Goal of Free standard delivery" }).focus();
  await page.keyboard.press("ArrowRight");
  await expect(headline(page)).toContainText("€46");
  await saved(page);
  await page.keyboard.press("Shift+ArrowRight");
  await expect(headline(page)).toContainText("€46.01");
  // Jumps go by the climb that is drawn: the flag shows that it has caught up.
  await expect(page.getByRole("slider", { name: "Goal of Free standard delivery" })).toHaveAttribute(
    "aria-valuenow",
    "4601",
  );

  const cursor = page.getByRole("slider", { name: "Cart value" });
  await cursor.focus();
  await page.keyboard.press("]");
  await expect(cursor).toHaveAttribute("aria-valuetext", /Cart €46.01, Standard free/);
  await expect(shopper(page)).toContainText("Standard delivery is free");
  await page.keyboard.press("Shift+ArrowLeft");
  await expect(shopper(page)).toContainText("Add €0.01 more");
  await page.keyboard.press("[");
  await page.keyboard.press("[");
  await expect(shopper(page)).toContainText("Free standard delivery from €46.01");
  await page.getByRole("button", { name: "Back to the sample" }).press("Enter");
  await expect(shopper(page)).toContainText("Iron-gall ink");
});

test("what could not be saved is kept through a reload and saved when the server is back", async ({ page }) => {
  await page.goto("/offers");
  await expect(headline(page)).toContainText("€45");
  await page.route("**/api/draft/changes", (route) => route.abort());
  await typeGoal(page, "52");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status")).toContainText("Not saved: The server does not answer");
  await page.reload();
  await expect(headline(page)).toContainText("€52");
  await expect(page.getByRole("status")).toContainText("Not saved");
  await page.unroute("**/api/draft/changes");
  await page.getByRole("button", { name: "Try now" }).click();
  await saved(page);
  await page.reload();
  await expect(headline(page)).toContainText("€52");
});

test("the second of two people to save is shown both versions and loses nothing", async ({ page, request }) => {
  await page.goto("/offers");
  await expect(headline(page)).toContainText("€45");
  const { entities }: Draft = await (await request.get("/api/draft")).json();
  const stored = entities.find(({ kind }) => kind === "offer");
  if (!stored) throw new Error("the demo has no offer");
  const theirs = JSON.stringify(stored.body).replace('"45.00"', '"55.00"');
  const write = { kind: "offer", id: stored.id, seen: stored.revision, body: JSON.parse(theirs) };
  expect((await request.post("/api/draft/changes", { data: { writes: [write] } })).ok()).toBe(true);

  await typeGoal(page, "48");
  await page.keyboard.press("Enter");
  const conflict = page.getByRole("alert").filter({ hasText: "Someone else changed this" });
  await expect(conflict).toContainText("offer “Free standard delivery”");
  await expect(conflict).toContainText("from €55");
  await expect(conflict).toContainText("from €48");
  await expect(conflict.getByRole("row", { name: /EUR 55\.00 48/ })).toBeVisible();
  await conflict.getByRole("button", { name: "Save mine over it" }).click();
  await saved(page);
  await page.reload();
  await expect(headline(page)).toContainText("€48");
});

test("another place, language and an unserved country change what the shopper sees", async ({ page }) => {
  await page.goto("/offers");
  await page.getByLabel("Language").selectOption("pt-PT");
  await expect(shopper(page)).toContainText("Faltam 6,40\u00a0€ para a entrega normal grátis");
  await page.getByLabel("Country", { exact: true }).selectOption("KW");
  await expect(shopper(page).getByRole("tabpanel")).toHaveAttribute("dir", "rtl");
  await expect(shopper(page)).toContainText("أضف");
  await page.getByLabel("Country", { exact: true }).selectOption("PT");
  await expect(shopper(page)).toContainText("Entrega normal grátis a partir de 45\u00a0€ em Portugal continental");
  await page.getByLabel("Country", { exact: true }).selectOption("CA");
  await expect(shopper(page)).toContainText("Não entregamos em");
  await expect(page.getByText("Nobody delivers to this place")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Country", { exact: true })).toHaveValue("CA");
});
