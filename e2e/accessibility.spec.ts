import { AxeBuilder } from "@axe-core/playwright";
import { expect, test } from "./demo-store.ts";

for (const path of [
  "/overview",
  "/places",
  "/delivery",
  "/offers",
  "/offers#free-post",
  "/offers#all",
  "/offers#rates",
  "/wording",
  "/checks",
  "/release",
]) {
  test(`${path} has no fault that axe finds by WCAG 2.2 AA, light and dark`, async ({ page }) => {
    await page.goto(path);
    await expect(page.getByRole("complementary", { name: "Shopper view" })).toContainText("Add €6.40 more");
    for (const colorScheme of ["light", "dark"] as const) {
      await page.emulateMedia({ colorScheme });
      // Colours are looked at when they have come to rest.
      await page.evaluate(() => {
        for (const each of document.getAnimations()) if (each instanceof CSSTransition) each.finish();
      });
      // The app has no frames, so axe need not look for any, which is twice as quick.
      const { violations } = await new AxeBuilder({ page })
        .setLegacyMode(true)
        .options({ resultTypes: ["violations"] })
        .withTags(["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"])
        .analyze();
      const found = violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(" | ")}`);
      expect(found, colorScheme).toEqual([]);
    }
  });
}

test("at 768 the Shopper view is a drawer over the work, and nothing runs off the side", async ({ page }) => {
  await page.setViewportSize({ width: 768, height: 900 });
  await page.goto("/offers");
  await expect(page.getByRole("slider", { name: "Goal of Free standard delivery" })).toBeVisible();
  await page.getByRole("button", { name: "Open the Shopper view" }).click();
  await expect(page.getByRole("complementary", { name: "Shopper view" })).toContainText("Add €6.40 more");
  await page.getByRole("button", { name: "Fold the Shopper view" }).click();
  await expect(page.getByRole("complementary", { name: "Shopper view" })).toHaveCount(0);
  const width = await page.locator("html").evaluate((root) => root.scrollWidth);
  expect(width).toBeLessThanOrEqual(768);
});

test("the pages keep to their content security policy, and carry no unsafe sources", async ({ page }) => {
  const complaints: string[] = [];
  page.on("console", (message) => message.type() === "error" && complaints.push(message.text()));
  const response = await page.goto("/offers");
  await expect(page.getByRole("slider", { name: "Goal of Free standard delivery" })).toBeVisible();
  const policy = response?.headers()["content-security-policy"] ?? "";
  expect(policy).toContain("script-src 'self'");
  expect(policy).not.toContain("unsafe");
  expect(complaints).toEqual([]);
});
