// npm run screenshots: one picture of each main view, from the demo data, into docs/screenshots.
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { prepareDatabase, startApp } from "./setup/app-server.mjs";
import { needBuild } from "./setup/build.mjs";
import { freePort, startDatabase } from "./setup/database.mjs";
import { CHROMIUM, MARIADB, needDebianPackages } from "./setup/debian-packages.mjs";
import { needNodePackages } from "./setup/node-packages.mjs";

const root = fileURLToPath(new URL("../", import.meta.url));
const folder = join(root, "docs", "screenshots");

const cursorAtGoal = async (page) => {
  const cursor = page.getByRole("slider", { name: "Cart value" });
  await cursor.focus();
  await cursor.press("]");
};
const newGoal = async (page) => {
  await page.getByRole("slider", { name: "Goal of Free standard delivery" }).press("PageUp");
  await page.getByText(/changes? since/).waitFor();
};

const seenFrom = async (page, country, postcode) => {
  await page.getByLabel("Country", { exact: true }).selectOption(country);
  await page.getByLabel("Postcode", { exact: true }).fill(postcode);
  await page.getByLabel("Postcode", { exact: true }).press("Enter");
};

/** The next picture is of the demo as it ships again. */
const undone = async (page) => {
  const undo = page.getByRole("button", { name: "Undo" });
  while (await undo.isEnabled()) await undo.click();
  await page.getByText(/^Same as release/).waitFor();
};

const VIEWS = [
  {
    name: "spread",
    path: "/evidence",
    before: async (page) => {
      await page.getByRole("heading", { name: "Peaks, and the goals" }).waitFor({ timeout: 60_000 });
    },
  },
  {
    name: "gain",
    path: "/evidence",
    before: async (page) => {
      await page.getByRole("button", { name: "What a goal would bring" }).click();
      await page.getByRole("figure", { name: "Net gain over the goal" }).waitFor({ timeout: 60_000 });
    },
  },
  {
    name: "offers",
    path: "/offers",
    before: (page) =>
      page.locator("svg title").filter({ hasText: "past orders" }).waitFor({ state: "attached", timeout: 60_000 }),
  },
  { name: "offers-goal-reached-dark", path: "/offers", dark: true, before: cursorAtGoal },
  {
    name: "checkout-portuguese",
    path: "/offers",
    before: async (page) => {
      await page.getByLabel("Language").selectOption("pt-PT");
      await page.getByLabel("Add a product to the cart").fill("field-notebook");
      await page
        .getByRole("list", { name: "Products found" })
        .getByRole("button", { name: /^Field notebook/ })
        .click();
      await page.getByRole("tab", { name: "Checkout" }).click();
    },
  },
  {
    name: "kuwait-right-to-left",
    path: "/offers",
    before: async (page) => {
      await page.getByLabel("Country", { exact: true }).selectOption("KW");
      await page.getByRole("tab", { name: "Front" }).click();
    },
  },
  {
    name: "overview",
    path: "/overview",
    before: (page) =>
      page
        .getByRole("table", { name: /Portugal$/ })
        .getByText("free from €45")
        .waitFor(),
  },
  { name: "places", path: "/places" },
  {
    name: "coverage",
    path: "/places#zone/euro-area",
    before: async (page) => {
      await page.locator("[data-country=FR]").waitFor();
      await page.getByText("Who serves where").evaluate((heading) => heading.scrollIntoView());
    },
  },
  { name: "delivery", path: "/delivery#courier", before: (page) => seenFrom(page, "ES", "41001") },
  {
    name: "carrier-why",
    path: "/delivery#by-air",
    before: async (page) => {
      await seenFrom(page, "PT", "9000-082");
      await page.getByLabel(/^Carrier Osprelle/).selectOption("failing");
      await page.getByRole("button", { name: "why By air" }).click();
    },
  },
  { name: "offer-list", path: "/offers#all" },
  {
    name: "offer-editor",
    path: "/offers#free-post",
    before: async (page) => {
      await seenFrom(page, "AT", "1010");
      await page.getByRole("heading", { name: "The ladder" }).scrollIntoViewIfNeeded();
      await page.locator("main").evaluate((main) => main.scrollBy(0, 380));
    },
  },
  {
    name: "condition-builder",
    path: "/offers#trade-islands",
    edits: true,
    before: async (page) => {
      await seenFrom(page, "PT", "9000-082");
      const whom = page.getByRole("region", { name: "For whom", exact: true });
      await whom.getByRole("button", { name: "Group" }).click();
      await whom.getByLabel("Add a clause").selectOption({ label: "the shopper has not ordered for 90 days" });
      await whom.locator("summary", { hasText: "has not ordered for 90 days" }).click();
      await whom.scrollIntoViewIfNeeded();
    },
  },
  {
    name: "exchange-rates",
    path: "/offers#rates",
    before: (page) => page.getByRole("region", { name: "One base amount" }).scrollIntoViewIfNeeded(),
  },
  {
    name: "wording",
    path: "/wording#trade-islands",
    before: (page) => page.getByRole("button", { name: "On the way, English. Change" }).first().click(),
  },
  { name: "checks", path: "/checks", before: (page) => page.getByRole("list", { name: "Open findings" }).waitFor() },
  {
    name: "change-log",
    path: "/offers",
    edits: true,
    before: async (page) => {
      await newGoal(page);
      await page.getByRole("button", { name: /^Menu/ }).click();
      await page.getByRole("link", { name: "Change log" }).click();
      await page.getByRole("list", { name: "Change log" }).getByText("€45.00").first().waitFor();
    },
  },
  {
    name: "release",
    path: "/offers",
    before: async (page) => {
      await newGoal(page);
      await page.getByRole("link", { name: "Review and release" }).click();
      await page.getByText("I have seen this").waitFor();
      await page.getByRole("button", { name: /^Release as number/ }).waitFor();
    },
  },
];

needDebianPackages([...MARIADB, ...CHROMIUM]);
needNodePackages(root);
await needBuild(root);
const { chromium } = await import("@playwright/test");
const { BROWSER } = await import("./setup/browser.mjs");
const { signInAtFirst } = await import("./setup/sign-in-by-browser.mjs");
mkdirSync(join(root, ".data"), { recursive: true });
const throwaway = mkdtempSync(join(root, ".data", "screenshots-"));
const database = await startDatabase(join(throwaway, "mariadb"));
let app;
try {
  const link = prepareDatabase(root, database.url, { history: true });
  app = await startApp(root, database.url, await freePort());
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const browser = await chromium.launch(BROWSER);
  const storageState = await signInAtFirst(browser, app.address, link);
  for (const { name, path, dark, edits, before } of VIEWS) {
    const page = await browser.newPage({
      viewport: { width: 1280, height: 800 },
      colorScheme: dark ? "dark" : "light",
      storageState,
    });
    // Without the line for first visits.
    await page.addInitScript(() => localStorage.setItem("summant.first-lines-closed", "true"));
    await page.goto(app.address + path);
    await page.getByText("Saved", { exact: true }).waitFor();
    if (path === "/offers") await page.getByRole("slider", { name: "Cart value" }).waitFor();
    await page.locator("body").evaluate(() => document.fonts.ready);
    await before?.(page);
    await page.waitForTimeout(400);
    await page.screenshot({ path: join(folder, `${name}.png`) });
    if (edits) await undone(page);
    await page.close();
  }
  await browser.close();
} finally {
  await app?.stop();
  await database.stop();
  rmSync(throwaway, { recursive: true, force: true });
}
