import { expect, type Page } from "@playwright/test";
import { databaseUrl, openPool } from "../server/database/pool.ts";
import { emptyStore } from "../server/demo/load-demo.ts";

/** What several journeys do: look as a shopper, put goods into the cart, wait until all is saved. */

export const shopper = (page: Page) => page.getByRole("complementary", { name: "Shopper view" });
export const option = (page: Page, id: string) => shopper(page).locator(`[data-option="${id}"]`);
export const priceOf = (page: Page, id: string) => option(page, id).locator("[data-price]");
export const saved = (page: Page) => expect(page.getByRole("status").getByText("Saved", { exact: true })).toBeVisible();

export async function lookFrom(page: Page, country: string, postcode: string): Promise<void> {
  const standpoint = page.getByRole("banner");
  await standpoint.getByLabel("Country", { exact: true }).filter({ visible: true }).selectOption(country);
  const field = standpoint.getByLabel("Postcode", { exact: true }).filter({ visible: true });
  await field.fill(postcode);
  await field.press("Enter");
}

export async function lookAt(page: Page, moment: string): Promise<void> {
  await page.locator("button[aria-label^='Moment:']").click();
  await page.getByLabel(/^At this time in/).fill(moment);
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
}

export async function addProduct(page: Page, sku: string): Promise<void> {
  await page.getByLabel("Add a product to the cart").fill(sku);
  const found = page.getByRole("list", { name: "Products found" }).getByRole("button");
  await expect(found).toHaveCount(1);
  await found.click();
  await page.getByLabel("Add a product to the cart").press("Escape");
}

/** The store emptied, and a new plan begun under a name. */
export async function startFromNothing(page: Page, name: string): Promise<void> {
  const pool = openPool(databaseUrl(), 1);
  await emptyStore(pool);
  await pool.end();
  await page.goto("/places");
  await page.getByLabel("The store's name").fill(name);
  await page.getByRole("button", { name: "Start" }).click();
}
