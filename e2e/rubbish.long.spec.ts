import type { Locator } from "@playwright/test";
import { expect, test } from "./demo-store.ts";

/** What nobody means: no figure, date, code, colour or address is written so. */
const RUBBISH = ["~−½!", "-5", "  "];

/** Places of the demo where every kind of field stands. */
const PAGES = [
  "/places#market/portugal",
  "/places#zone/portugal-mainland",
  "/places#location/porto-shop",
  "/delivery#standard",
  "/delivery#by-air",
  "/delivery#porto-round",
  "/delivery#freight",
  "/delivery#products/",
  "/offers#free-standard",
  "/offers#heavy-paper",
  "/offers#newsletter",
  "/offers#advent-weekend",
  "/offers#rates",
  "/offers#all",
  "/wording",
  "/checks",
  "/release",
];

test("whatever is typed, a field takes it as it is or keeps it with the reason; Escape brings back what was there", async ({
  page,
}) => {
  test.setTimeout(600_000);
  const faults: string[] = [];
  page.on("pageerror", ({ message }) => faults.push(message));
  let fields = 0;
  for (const at of PAGES) {
    await page.goto("/404-is-no-section");
    await page.goto(at);
    await expect(page.getByRole("main").getByRole("heading").first()).toBeAttached();
    await page.waitForTimeout(400);
    const boxes = page
      .locator("main")
      .locator("input:not([type=checkbox],[type=radio],[type=file],[type=search]), textarea");
    const count = await boxes.count();
    for (let i = 0; i < count; i += 1) {
      const box = boxes.nth(i);
      if (!(await box.isVisible()) || (await box.isDisabled())) continue;
      fields += 1;
      for (const text of RUBBISH) for (const fault of await typed(box, text)) faults.push(`${at}: ${fault}`);
    }
  }
  console.log(`fields ${fields}`);
  expect(faults).toEqual([]);
});

async function typed(box: Locator, text: string): Promise<string[]> {
  const name = await box.evaluate(
    (field: HTMLInputElement) => field.getAttribute("aria-label") ?? field.labels?.[0]?.textContent ?? "",
  );
  const type = (await box.getAttribute("type")) ?? "text";
  if (["date", "time", "datetime-local", "number", "color"].includes(type)) return [];
  const before = await box.inputValue();
  await box.fill(text);
  await box.press("Enter");
  if (!(await box.count())) return [];
  const after = await box.inputValue();
  const invalid = (await box.getAttribute("aria-invalid")) === "true";
  const reason = await box.evaluate((field) => {
    const ids = [field.getAttribute("aria-describedby"), field.getAttribute("aria-errormessage")].join(" ").split(" ");
    return ids
      .map((id) => document.getElementById(id)?.textContent ?? "")
      .join(" ")
      .trim();
  });
  await box.press("Escape");
  const back = await box.inputValue();
  const shown = text.slice(0, 12);
  if (invalid && reason === "") return [`${name} refuses "${shown}" without a word`];
  if (invalid && after !== text) return [`${name} does not keep "${shown}" but shows "${after.slice(0, 20)}"`];
  if (invalid && back !== before) return [`${name}: Escape leaves "${back.slice(0, 20)}" where "${before}" was`];
  if (!invalid && after !== text && after !== text.trim())
    return [`${name} makes "${after.slice(0, 20)}" of "${shown}"`];
  return [];
}
