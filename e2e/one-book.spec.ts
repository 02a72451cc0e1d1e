import type { Page, Request } from "@playwright/test";
import { expect, test } from "./demo-store.ts";
import { saved, shopper } from "./shopper.ts";

// Going from section to section: one page, in which nothing is lost and nothing read twice.

const rail = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Sections" }).getByRole("link", { name });
const heading = (page: Page, name: string) => page.getByRole("heading", { level: 1, name });
const goal = (page: Page) => page.getByRole("button", { name: /^Goal/ });
const undo = (page: Page) => page.getByRole("button", { name: /^Undo/ });
const redo = (page: Page) => page.getByRole("button", { name: /^Redo/ });

/** Bytes that came over the network: none for what a worker shares with the page, which the browser has already. */
async function sentBytes(request: Request): Promise<number> {
  const { responseHeadersSize, responseBodySize } = await request.sizes();
  return responseHeadersSize + responseBodySize;
}

test("sections are one page: addresses, Back, titles and focus, each script and list read once and not before it is wanted", async ({
  page,
}) => {
  const asked: Request[] = [];
  page.on("request", (request) => asked.push(request));
  await page.goto("/offers#free-post");
  await expect(shopper(page)).toContainText("Add €6.40 more");
  await expect(page.getByRole("region", { name: "Free post abroad", exact: true })).toBeVisible();
  const viewsLoaded = () =>
    [
      ...asked
        .map((request) => request.url())
        .join()
        .matchAll(/([a-z]+)-view\./g),
    ].map(([, name]) => name);
  expect(viewsLoaded()).toEqual(["offers"]);

  await rail(page, "Delivery").click();
  await expect(page).toHaveURL(/\/delivery$/);
  await expect(page).toHaveTitle("Delivery · Summant");
  expect(viewsLoaded()).toEqual(["offers", "delivery"]);
  await expect(heading(page, "Delivery, in the shopper's order")).toBeFocused();
  await expect(rail(page, "Delivery")).toHaveAttribute("aria-current", "page");
  await page.getByRole("button", { name: /^Express/ }).click();
  await expect(page).toHaveURL(/\/delivery#express$/);

  await rail(page, "Release").click();
  await expect(heading(page, "Release")).toBeFocused();
  await expect(page.getByText(/release 1/).first()).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(/\/delivery#express$/);
  await expect(page.getByRole("region", { name: "Express", exact: true })).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(/\/offers#free-post$/);
  await expect(heading(page, "Offers")).toBeFocused();
  await rail(page, "Delivery").click();
  await expect(page.getByRole("region", { name: "Express", exact: true })).toBeVisible();
  await rail(page, "Offers").click();
  await expect(page).toHaveURL(/\/offers#free-post$/);

  // A key held with the click opens a page of its own, as it does for any link.
  const [other] = await Promise.all([
    page.context().waitForEvent("page"),
    rail(page, "Places").click({ modifiers: ["ControlOrMeta"] }),
  ]);
  await expect(other).toHaveURL(/\/places$/);
  await other.close();
  await expect(page).toHaveURL(/\/offers#free-post$/);

  // What is told, such as where one is at work, is told again.
  const ofPage = asked.filter((request) => request.frame() === page.mainFrame() && request.method() === "GET");
  const sent = await Promise.all(
    ofPage.map(async (request) => ({ url: request.url(), bytes: await sentBytes(request) })),
  );
  const urls = sent.filter(({ bytes }) => bytes > 0).map(({ url }) => url);
  expect(urls.filter((url, i) => urls.indexOf(url) !== i)).toEqual([]);
  expect(asked.filter((request) => request.isNavigationRequest())).toHaveLength(1);
});

test("what is open stays open, and what was done is undone from another section and after a reload", async ({
  page,
}) => {
  await page.goto("/offers");
  await goal(page).first().click();
  await page.getByRole("textbox", { name: "Goal" }).fill("50");
  await page.keyboard.press("Enter");
  await saved(page);
  await expect(shopper(page)).toContainText("Add €11.40 more");

  await rail(page, "Wording").click();
  await expect(heading(page, "What shoppers read")).toBeFocused();
  await page.keyboard.press("Control+z");
  await expect(shopper(page)).toContainText("Add €6.40 more");
  await saved(page);
  await rail(page, "Offers").click();
  await expect(goal(page).first()).toHaveText("€45");

  await page.reload();
  await expect(goal(page).first()).toHaveText("€45");
  await redo(page).click();
  await expect(goal(page).first()).toHaveText("€50");
  await saved(page);
  await page.reload();
  await expect(goal(page).first()).toHaveText("€50");
  await undo(page).click();
  await expect(goal(page).first()).toHaveText("€45");
  await saved(page);
  await expect(undo(page)).toBeDisabled();
});

test("a draft open in two tabs: each undoes what was done in it, and nothing that the other has written over", async ({
  page,
  context,
}) => {
  await page.goto("/offers");
  const second = await context.newPage();
  await second.goto("/offers");
  await goal(page).first().click();
  await page.getByRole("textbox", { name: "Goal" }).fill("50");
  await page.keyboard.press("Enter");
  await saved(page);

  await second.reload();
  await expect(goal(second).first()).toHaveText("€50");
  await expect(undo(second)).toBeDisabled();
  await goal(second).first().click();
  await second.getByRole("textbox", { name: "Goal" }).fill("60");
  await second.keyboard.press("Enter");
  await saved(second);

  await page.reload();
  await expect(goal(page).first()).toHaveText("€60");
  await expect(undo(page)).toBeDisabled();
});

test("a section whose script is slow leaves the one before in sight, and one whose script fails says so and is tried again", async ({
  page,
}) => {
  await page.goto("/offers");
  await expect(shopper(page)).toContainText("Add €6.40 more");
  let answer = () => {};
  await page.route(/wording-view\.[^/]*\.js/, async (route) => {
    await new Promise<void>((resolve) => {
      answer = resolve;
    });
    await route.abort();
  });
  await rail(page, "Wording").click();
  await expect(page).toHaveURL(/\/wording$/);
  await expect(rail(page, "Wording")).toHaveAttribute("aria-current", "page");
  await expect(page.getByRole("main").locator("[aria-busy=true]")).toBeVisible();
  await expect(goal(page).first()).toBeVisible();
  answer();
  const fault = page.getByRole("alert").filter({ hasText: "Wording cannot be shown" });
  await expect(fault).toBeVisible();
  await page.unroute(/wording-view\.[^/]*\.js/);
  await rail(page, "Offers").click();
  await expect(goal(page).first()).toBeVisible();
  await rail(page, "Wording").click();
  await fault.getByRole("button", { name: "Try again" }).click();
  await expect(heading(page, "What shoppers read")).toBeFocused();
});

test("a first visit says in one line what a section is for, and a second one does not", async ({ page }) => {
  await page.goto("/offers");
  const line = page.getByText("drag a goal's flag");
  await expect(line).toBeVisible();
  await page.getByRole("navigation", { name: "Sections" }).getByRole("link", { name: "Wording" }).click();
  await expect(page.getByText("What shoppers read in each state")).toBeVisible();
  await page.reload();
  await expect(page.getByRole("heading", { name: "What shoppers read" })).toBeVisible();
  await expect(page.getByText("What shoppers read in each state")).toHaveCount(0);
  await page.getByRole("navigation", { name: "Sections" }).getByRole("link", { name: "Offers" }).click();
  await expect(page.getByRole("slider", { name: "Goal of Free standard delivery" })).toBeVisible();
  await expect(line).toHaveCount(0);
  // Left out for good, in sections that were not seen yet too.
  await page.getByRole("navigation", { name: "Sections" }).getByRole("link", { name: "Delivery" }).click();
  await page.getByRole("button", { name: "Leave such lines out" }).click();
  await page.getByRole("navigation", { name: "Sections" }).getByRole("link", { name: "Places" }).click();
  await expect(page.getByRole("heading", { name: "Places" })).toBeFocused();
  await expect(page.getByText("try an address below")).toHaveCount(0);
});
