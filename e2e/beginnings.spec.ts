import { expect, test } from "./demo-store.ts";
import { priceOf, saved, shopper } from "./shopper.ts";

test("a store is emptied in the app, begun anew where it sells, and put back as the demo; all of it can be undone", async ({
  page,
  request,
}) => {
  await page.goto("/release");
  const whole = page.getByRole("region", { name: "The plan as a whole" });
  await whole.getByRole("button", { name: "The demo store" }).click();
  await expect(whole).toContainText("The draft says the same.");
  await whole.getByRole("button", { name: "An empty store" }).click();
  await expect(whole).toContainText(/\d+ changes to the draft:/);
  await whole.getByRole("button", { name: "Take them all" }).click();
  await expect(page.getByText("This store has no plan yet")).toBeVisible();

  await page.getByLabel("The store's name").fill("Reed & Rule");
  await page.getByLabel("Sells first in").selectOption({ label: "Norway" });
  await page.getByLabel("Currency there").selectOption("NOK");
  await page.getByLabel("Language there").selectOption("nb");
  await page.getByRole("button", { name: "Start" }).click();
  await saved(page);
  // One looks from there, and sees what was begun.
  await expect(page.getByRole("banner")).toContainText("Norway");
  await expect(priceOf(page, "standard")).toContainText("5");
  await page.goto("/overview");
  const norway = page.getByRole("table", { name: "What delivery costs in Norway" });
  await expect(norway).toContainText("NOK");
  await expect(norway).toContainText(/free from .*50/);

  // Shops are still answered as before.
  const asked = { at: "2026-11-28T10:00:00Z", currency: "EUR", destination: { country: "PT", postcode: "3000-001" } };
  const cart = { lines: [{ sku: "iron-gall-ink", quantity: 1, unitPrice: 1250 }] };
  const answer = await request.post("/api/quote", { data: { ...asked, cart } });
  expect((await answer.json()).zone).toBe("portugal-mainland");

  await page.goto("/release");
  await page.getByRole("button", { name: "The demo store" }).click();
  await expect(whole).toContainText(/changes to the draft/);
  await whole.getByRole("button", { name: "Take them all" }).click();
  await saved(page);
  await expect(page.getByText("Same as release 1")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("region", { name: "Changes" })).toContainText("Removed");
  await page.getByRole("button", { name: "Redo" }).click();
  await saved(page);
  await expect(page.getByText("Same as release 1")).toBeVisible();
});

test("the Shopper view says why an offer has no message, and each leads to its setting", async ({ page }) => {
  await page.goto("/offers");
  await expect(shopper(page)).toContainText("Add €6.40 more");
  await shopper(page).getByText("Why no message?").click();
  const silent = page.getByRole("list", { name: "Offers that say nothing here" });
  await expect(silent).toContainText("It does not hold in Mainland Portugal.");
  await expect(silent).not.toContainText("Free standard delivery");
  await silent.getByRole("link", { name: "Free post abroad" }).click();
  await expect(page).toHaveURL(/\/offers#free-post$/);
});

test("a new offer comes with texts in the languages of its market, and says them", async ({ page }) => {
  await page.goto("/offers");
  await page.getByRole("button", { name: "Add an offer" }).click();
  await page.getByRole("button", { name: "Switch on" }).click();
  await page.goto("/wording#new-offer");
  const grid = page.getByRole("table", { name: "Texts by state and language" });
  await expect(grid.or(page.getByRole("main"))).toContainText("Faltam");
  await expect(page.getByRole("main")).toContainText("grátis a partir de");
});
