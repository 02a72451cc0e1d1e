import { readFile } from "node:fs/promises";
import { fileURLToPath } from "node:url";
import type { APIRequestContext, Page } from "@playwright/test";
import { expect, test } from "./demo-store.ts";
import { saved } from "./shopper.ts";

const belowGoal = fileURLToPath(new URL("../demo/requests/below-goal.json", import.meta.url));

/** What a shop's server is told to ask for: minor units until standard delivery is free. */
async function remaining(request: APIRequestContext): Promise<number | null> {
  const answer = await request.post("/api/quote", { data: JSON.parse(await readFile(belowGoal, "utf8")) });
  const { progress }: { progress: { offer: string; remaining: number | null }[] } = await answer.json();
  return progress.find(({ offer }) => offer === "free-standard")?.remaining ?? null;
}

async function setGoal(page: Page, euro: string): Promise<void> {
  await page.goto("/offers#free-standard");
  await page.getByRole("button", { name: /^Goal: €\d+/ }).click();
  await page.keyboard.insertText(euro);
  await page.keyboard.press("Enter");
  await saved(page);
}

const row = (page: Page, number: number) =>
  page
    .getByRole("table", { name: "Releases" })
    .getByRole("row")
    .filter({ has: page.getByRole("link", { name: `Open release ${number}`, exact: true }) });

test("a release is compared, scheduled with what is wrong seen, called off, and the former one made the draft again", async ({
  page,
  request,
}) => {
  await setGoal(page, "52");
  await page.getByRole("link", { name: "Review and release" }).click();
  const changes = page.getByRole("region", { name: "Changes" });
  await expect(changes).toContainText("step 1 · goal · EUR: €45.00 €52.00");

  // A moment that has passed is refused with a word; nothing typed is lost.
  await page.getByLabel("from a moment on").check();
  const moment = page.getByLabel("Moment in Europe/Lisbon");
  await moment.fill("tomorrow");
  await moment.press("Enter");
  await expect(moment).toHaveAttribute("aria-invalid", "true");
  await moment.fill("2020-12-24T08:00");
  await moment.press("Enter");
  await page.getByLabel("A note for those").fill("Before the holidays");
  const button = page.getByRole("button", { name: /^Release as number 2/ });
  await expect(button).toBeDisabled();
  await page.getByLabel("I have seen this").check();
  await button.click();
  await expect(page.getByRole("alert")).toContainText("That moment has passed");

  // What was typed is still there.
  await expect(page.getByLabel("A note for those")).toHaveValue("Before the holidays");
  await moment.fill("2031-12-24T08:00");
  await moment.press("Enter");
  await button.click();
  await expect(row(page, 2)).toContainText("waits until 24 Dec 2031, 08:00");
  await expect(row(page, 2)).toContainText("Before the holidays");
  await expect(page.getByRole("list", { name: "Releases that wait" })).toContainText("and says what the draft says");
  expect(await remaining(request)).toBe(640);

  await page.getByRole("link", { name: "Open release 2" }).click();
  const opened = page.getByRole("region", { name: "Release 2" });
  await expect(opened).toContainText("The draft says the same.");
  await opened.getByLabel("Compared with").selectOption("1");
  await expect(opened).toContainText("One thing is otherwise in release 1");
  await expect(opened).toContainText("€52.00 €45.00");
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    opened.getByRole("link", { name: "Save as JSON" }).click(),
  ]);
  expect(JSON.parse(await readFile(await download.path(), "utf8"))).toMatchObject({ format: 2 });

  await row(page, 2).getByRole("button", { name: "Call off release 2" }).click();
  await expect(row(page, 2)).toContainText("called off");
  await page.getByRole("link", { name: "Open release 1" }).click();
  await page.getByRole("button", { name: "Make the draft what release 1 was" }).click();
  await saved(page);
  await expect(page.getByText("Nothing has changed since release 1.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await saved(page);
  await expect(changes).toContainText("€45.00 €52.00");
});

test("a release takes over when its moment comes: shops get it, and the screen says so by itself", async ({
  page,
  request,
}) => {
  await setGoal(page, "52");
  const draft: { sequence: number } = await (await request.get("/api/draft")).json();
  const moment = new Date(Date.now() + 6000).toISOString();
  const made = await request.post("/api/releases", { data: { sequence: draft.sequence, moment } });
  expect(made.status()).toBe(201);
  await page.goto("/release");
  await expect(row(page, 2)).toContainText("waits until");
  expect(await remaining(request)).toBe(640);
  await expect.poll(() => remaining(request), { timeout: 15_000 }).toBe(1340);
  await expect(row(page, 2)).toContainText("what shops get");
  await expect(row(page, 1)).toContainText("replaced");
  await expect(page.getByText("Nothing has changed since release 2.")).toBeVisible();
});

test("an offer is taken off at once and brought back; other work stays unreleased, what waits is made anew without it", async ({
  page,
  request,
}) => {
  await setGoal(page, "52");
  const draft: { sequence: number } = await (await request.get("/api/draft")).json();
  const moment = new Date(Date.now() + 3_600_000).toISOString();
  await request.post("/api/releases", { data: { sequence: draft.sequence, moment } });
  await page.reload();
  await page.getByRole("button", { name: "Take it off for shoppers now" }).click();
  await page.getByRole("button", { name: "Take it off now" }).click();
  await expect(page.getByRole("button", { name: "Shoppers do not have it now" })).toBeVisible();
  await saved(page);
  expect(await remaining(request)).toBeNull();
  const waiting = page.getByRole("list", { name: "Releases that would bring it back" });
  await expect(waiting).toContainText("Release 2 brings it back on");
  await waiting.getByRole("button", { name: "Make it anew without this offer" }).click();
  await expect(waiting).toHaveCount(0);

  // The draft's switch went along; its other change is still only the draft's.
  await page.getByRole("link", { name: "Review and release" }).click();
  await expect(page.getByRole("region", { name: "Changes" })).toContainText("€45.00 €52.00");
  await expect(page.getByRole("region", { name: "Changes" })).not.toContainText("on: ");
  await expect(row(page, 2)).toContainText("called off");
  await expect(row(page, 4)).toContainText("waits until");
  await expect(row(page, 3)).toContainText("what shops get");

  await page.goto("/offers#free-standard");
  await page.getByRole("button", { name: "Shoppers do not have it now" }).click();
  await page.getByRole("button", { name: "Bring it back now" }).click();
  await expect(page.getByRole("button", { name: "Take it off for shoppers now" })).toBeVisible();
  expect(await remaining(request)).toBe(640);
});
