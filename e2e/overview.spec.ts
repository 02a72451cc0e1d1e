import { readFile } from "node:fs/promises";
import Papa from "papaparse";
import { expect, test } from "./demo-store.ts";
import { lookFrom, shopper } from "./shopper.ts";

type Row = { place: string; currency: string; option: string; price: string };

test("the overview says what it costs on the islands and in Japan as a shop's server is told; each figure leads to its setting", async ({
  page,
}) => {
  await page.goto("/");
  await expect(page).toHaveURL(/\/overview$/);
  const portugal = page.getByRole("table", { name: "What delivery costs in Portugal" });
  const islands = portugal.getByRole("row").filter({ hasText: "Madeira" });
  await expect(islands).toContainText("€9.90");
  await expect(islands).toContainText("free from €70");
  const japan = page.getByRole("table", { name: "What delivery costs in Japan" });
  await expect(japan).toContainText("free from ¥9,500");

  // The same cart, asked from there, is charged the same.
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Save as CSV" }).click(),
  ]);
  const { data } = Papa.parse<Row>(await readFile(await download.path(), "utf8"), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (name) => (name === "price now" ? "price" : name),
  });
  const said = (place: string) => data.filter((one) => one.place === place);
  expect(said("Japan").map((one) => one.currency)).toEqual(["JPY", "JPY", "JPY"]);
  for (const [country, postcode, place] of [
    ["PT", "9000-001", "Madeira"],
    ["JP", "100-0001", "Japan"],
    ["ES", "28013", "Spain"],
  ] as const) {
    await lookFrom(page, country, postcode);
    await expect(shopper(page)).toContainText(postcode);
    const shown = await shopper(page).locator("[data-option] [data-price]").allInnerTexts();
    const figures = shown.map((text) => Number(text.replace(/Free|無料/, "0").replaceAll(/[^\d.]/g, "")));
    // Live carriers are asked for the shopper's own place alone.
    const asked = said(place).filter(({ option, price }) => price !== "" && option !== "By air" && option !== "Air");
    expect(asked.length).toBeGreaterThan(1);
    for (const { option, price } of asked)
      expect([place, option, figures]).toEqual([place, option, expect.arrayContaining([Number(price)])]);
  }

  await japan.getByRole("link", { name: "free from ¥9,500" }).click();
  await expect(page).toHaveURL(/\/offers#free-post$/);
  await page.goBack();
  await portugal.getByRole("link", { name: "Madeira" }).click();
  await expect(page).toHaveURL(/\/places#zone\/madeira$/);
});

test("on paper the overview stands alone, and at 390 nothing but its tables moves sideways", async ({ page }) => {
  await page.goto("/overview");
  await expect(page.getByRole("table", { name: "What delivery costs in Kuwait" })).toContainText("free from");
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("navigation", { name: "Sections" })).toBeHidden();
  await expect(shopper(page)).toBeHidden();
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
  await page.emulateMedia({ media: "screen" });
  await page.setViewportSize({ width: 390, height: 800 });
  const runsOff = await page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth);
  expect(runsOff).toBe(false);
});
