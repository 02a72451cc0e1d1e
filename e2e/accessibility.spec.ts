import type { Draft } from "../server/draft/read-draft.ts";
import { expect, test } from "./demo-store.ts";
import { faultsByAxe } from "./faults-by-axe.ts";
import { oddSizesOfType } from "./sizes-of-type.ts";

const PAGES = [
  "/overview",
  "/places",
  "/delivery",
  "/offers",
  "/offers#free-post",
  "/offers#all",
  "/offers#rates",
  "/wording",
  "/evidence",
  "/checks",
  "/release",
  "/wording#words",
  "/places#store/settings",
  "/account",
  "/people",
  "/keys",
  "/log",
  "/settings",
];

test("no page has a fault that axe finds by WCAG 2.2 AA, and type in five sizes", async ({ page }) => {
  test.setTimeout(120_000);
  for (const path of PAGES)
    await test.step(path, async () => {
      // By way of a page of its own, so that each is loaded as by whoever comes to it first.
      await page.goto("about:blank");
      await page.goto(path);
      await expect(page.getByRole("complementary", { name: "Shopper view" })).toContainText("Add €6.40 more");
      expect.soft([path, await faultsByAxe(page)]).toEqual([path, []]);
      expect.soft([path, await oddSizesOfType(page)]).toEqual([path, []]);
    });
});

test("signing in has no fault that axe finds, by password, by a code, by a link and once the menu is open", async ({
  browser,
  page,
}) => {
  const outside = await (await browser.newContext({ storageState: { cookies: [], origins: [] } })).newPage();
  await outside.goto("/sign-in");
  await outside.getByRole("button", { name: "Sign in" }).waitFor();
  expect(await faultsByAxe(outside)).toEqual([]);
  await outside.goto("/sign-in#no-such-link-aaaaaaaaaaaaaaaaaaaaaaaaaaaaaa");
  await outside.reload();
  await expect(outside.getByRole("alert")).toContainText("works no more");
  expect(await faultsByAxe(outside)).toEqual([]);
  await outside.context().close();
  await page.goto("/account");
  await page.getByRole("button", { name: "Set it up" }).click();
  await expect(page.getByRole("img", { name: "A picture for the app for codes to read" })).toBeVisible();
  await page.getByRole("button", { name: /^Menu/ }).click();
  await expect(page.getByRole("button", { name: "Sign out" })).toBeVisible();
  expect(await faultsByAxe(page)).toEqual([]);
});

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

test("Tab leads past the sections to the work; ? shows the keys until it is switched off; a chosen theme stays", async ({
  page,
}) => {
  await page.goto("/overview");
  await expect(page.getByRole("table", { name: "What delivery costs in Portugal" })).toContainText("free from");
  await page.keyboard.press("Tab");
  const skip = page.getByRole("button", { name: "Skip to the work" });
  await expect(skip).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("main")).toBeFocused();
  await page.keyboard.press("Tab");
  await expect(page.getByRole("main").getByRole("button", { name: "Leave such lines out" })).toBeFocused();
  await page.keyboard.press("Tab");
  await expect(page.getByRole("main").getByRole("button", { name: "Print" })).toBeFocused();

  const menu = page.getByRole("dialog", { name: "Menu" });
  await page.keyboard.press("?");
  await expect(menu).toContainText("undo the last edit");
  const paper = await page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  await menu.getByLabel("dark").check();
  const ink = await page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  expect(ink).not.toBe(paper);
  await menu.getByLabel("Single keys do something").uncheck();
  await page.keyboard.press("Escape");
  await expect(menu).toBeHidden();
  await page.keyboard.press("?");
  await expect(menu).toBeHidden();
  await page.reload();
  await expect(page.getByRole("table", { name: "What delivery costs in Portugal" })).toContainText("free from");
  expect(await page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe(ink);
});

test("no page runs off the side at 1280, 768, 640 and 390, whatever things are called", async ({ page, request }) => {
  test.setTimeout(90_000);
  // As long as a name may be, without a space to break at.
  const long = "W".repeat(100);
  const draft: Draft = await (await request.get("/api/draft")).json();
  const named = draft.entities.flatMap(({ kind, id, body, revision }): object[] => {
    if (kind === "option" || kind === "location")
      return [{ kind, id, seen: revision, body: { ...body, name: { en: long } } }];
    return ["market", "zone", "offer", "condition"].includes(kind)
      ? [{ kind, id, seen: revision, body: { ...body, name: long } }]
      : [];
  });
  const answer = await request.post("/api/draft/changes", { data: { writes: named } });
  expect([answer.status(), await answer.text()]).toEqual([200, expect.any(String)]);
  for (const path of PAGES) {
    await page.goto(path);
    await expect(page.getByRole("navigation", { name: "Sections" })).toBeVisible();
    await expect(page.getByRole("main").getByRole("heading").first()).toBeAttached();
    for (const width of [1280, 768, 640, 390]) {
      await page.setViewportSize({ width, height: 800 });
      const seen = () =>
        page.evaluate(() => {
          const main = document.querySelector("main");
          const header = [...document.querySelectorAll("header")].find((one) => !one.closest("main, aside, section"));
          const page = document.documentElement.scrollWidth <= window.innerWidth;
          const work = main !== null && main.scrollWidth <= main.clientWidth;
          // Nor down: what lies far below scrolls within its part, and the header stays where it is.
          main?.lastElementChild?.scrollIntoView({ block: "end" });
          return { page, work, top: header?.getBoundingClientRect().top };
        });
      // What has just come may not have found its width yet.
      await expect.poll(seen, { message: `${path} at ${width}` }).toEqual({ page: true, work: true, top: 0 });
    }
    await page.setViewportSize({ width: 1280, height: 800 });
  }
});
