import type { APIRequestContext, Browser, Page } from "@playwright/test";
import { TOTP } from "otpauth";
import { KEEPER } from "../scripts/setup/sign-in-by-browser.mjs";
import { expect, test } from "./demo-store.ts";
import { saved } from "./shopper.ts";

const PASSWORD = "seven quiet harbours";
/** Nobody is signed in here. */
const OUTSIDE = { cookies: [], origins: [] };
let count = 0;
/** Names are never free again, and journeys are made more than once in one store. */
const newName = (name: string) => {
  count += 1;
  return `${name} ${process.pid} ${count}`;
};

const outside = async (browser: Browser): Promise<Page> =>
  (await browser.newContext({ storageState: OUTSIDE })).newPage();

/** Somebody who was invited, in a browser of their own. */
async function somebody(browser: Browser, request: APIRequestContext, role: string, name = newName("Ana")) {
  const { link } = await (await request.post("/api/people", { data: { do: "invite", name, role } })).json();
  const page = await outside(browser);
  await page.goto(`/sign-in#${link}`);
  await expect(page.getByRole("heading", { name: `Welcome, ${name}` })).toBeVisible();
  await page.getByLabel("Your new password").fill(PASSWORD);
  await page.getByRole("button", { name: "Set it and sign in" }).click();
  await page.waitForURL(/\/overview/);
  return { page, name };
}

async function signIn(page: Page, name: string, password: string): Promise<void> {
  await page.getByLabel("Name", { exact: true }).fill(name);
  await page.getByLabel("Password", { exact: true }).fill(password);
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
}

async function typeGoal(page: Page, amount: string): Promise<void> {
  const offer = page.getByRole("region", { name: "Free standard delivery", exact: true });
  await offer.getByRole("heading", { level: 2 }).getByRole("button", { name: /^Goal/ }).click();
  await page.getByRole("textbox", { name: "Goal" }).fill(amount);
  await page.keyboard.press("Enter");
}

const releaseButton = (page: Page) => page.getByRole("button", { name: /^Release as number/ });
const askButton = (page: Page) => page.getByRole("button", { name: "Ask for it to be released" });
const seenAll = async (page: Page) => {
  const seen = page.getByLabel("I have seen this, and release it all the same");
  await expect(releaseButton(page).or(askButton(page))).toBeVisible({ timeout: 30_000 });
  if (await seen.isVisible()) await seen.check();
};

test("who comes from outside signs in first, and goes on to where the link led, and nowhere else", async ({
  browser,
}) => {
  const page = await outside(browser);
  await page.goto("/offers#free-post");
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await signIn(page, KEEPER.name, "not the password");
  await expect(page.getByRole("alert")).toHaveText("Name and password do not go together");
  await expect(page.getByLabel("Name", { exact: true })).toHaveValue(KEEPER.name);
  await signIn(page, KEEPER.name.toUpperCase(), KEEPER.password);
  await page.waitForURL(/\/offers/);
  await page.getByRole("button", { name: /^Menu/ }).click();
  await page.getByRole("button", { name: "Sign out" }).click();
  await page.waitForURL(/\/sign-in$/);
  for (const to of ["//evil.example/", "https://evil.example", "\\\\evil.example", "javascript:alert(1)", "/places"]) {
    await page.goto(`/sign-in?to=${encodeURIComponent(to)}`);
    await signIn(page, KEEPER.name, KEEPER.password);
    await page.waitForURL(to === "/places" ? /\/places/ : /\/overview/);
    expect(new URL(page.url()).hostname).toBe("127.0.0.1");
    await page.context().clearCookies();
  }
  await page.context().close();
});

test("somebody is invited, edits, and is named in the log, where each change is taken back", async ({
  page,
  browser,
  request,
}) => {
  const { page: hers, name } = await somebody(browser, request, "edit");
  await hers.goto("/offers");
  await typeGoal(hers, "52");
  await saved(hers);
  await hers.goto("/release");
  await expect(hers.getByText("Your role does not let you release")).toBeVisible();
  await hers.getByRole("button", { name: /^Menu/ }).click();
  await expect(hers.getByRole("link", { name: "Change log" })).toBeVisible();
  await expect(hers.getByRole("link", { name: "People" })).toHaveCount(0);

  await page.goto("/log");
  const log = page.getByRole("list", { name: "Change log" });
  await page.getByRole("searchbox", { name: "With" }).fill(name);
  const line = log.getByRole("listitem").filter({ hasText: "€52.00" }).first();
  await expect(line).toContainText(name);
  await expect(line).toContainText("€45.00");
  await line
    .getByRole("button", { name: /^Take back/ })
    .first()
    .click();
  await saved(page);
  await expect(page.getByText("Same as release 1")).toBeVisible();
  // It has been changed since: there is nothing more to take back.
  await expect(line.getByRole("button", { name: /^Take back/ })).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(page.getByText("1 change since release 1")).toBeVisible();
  await page.getByRole("searchbox", { name: "With" }).fill("no such thing at all");
  await expect(page.getByText("Nothing in the log fits that.")).toBeVisible();
  await hers.context().close();
});

test("who may only look tries what would be, and nothing of it is saved", async ({ browser, request }) => {
  const { page } = await somebody(browser, request, "look");
  await page.goto("/offers");
  await typeGoal(page, "52");
  await expect(page.getByText("Not saved: Your role does not allow that")).toBeVisible();
  await expect(page.getByRole("complementary", { name: "Shopper view" })).toContainText("Add €13.40 more");
  const draft = JSON.stringify(await (await request.get("/api/draft")).json());
  expect(draft).not.toContain('"52');
  await page.goto("/settings");
  await expect(page.getByText("Whoever runs this store changes them.")).toBeVisible();
  await expect(page.getByLabel("A release takes two people: one asks for it, another makes it")).toBeDisabled();
  await page.goto("/people");
  await expect(page.getByRole("alert")).toContainText("Your role does not allow that");
  // Who signs in from where is not theirs to know.
  const { lines } = await (await page.request.get("/api/log?part=people&part=releases")).json();
  expect(new Set(lines.map(({ part }: { part: string }) => part))).toEqual(new Set(["releases"]));
  await page.context().close();
});

test("a session that ends takes nothing along: what was typed is saved by whoever signs in again", async ({
  browser,
  request,
}) => {
  const { page, name } = await somebody(browser, request, "edit");
  await page.goto("/offers");
  await saved(page);
  // Ended from another place.
  const elsewhere = await outside(browser);
  await elsewhere.goto("/sign-in");
  await signIn(elsewhere, name, PASSWORD);
  await elsewhere.waitForURL(/\/overview/);
  await elsewhere.goto("/account");
  await elsewhere.getByRole("button", { name: "End all but this" }).click();
  await expect(elsewhere.getByRole("region", { name: "Where you are signed in" }).getByRole("listitem")).toHaveCount(1);
  await typeGoal(page, "53");
  await expect(page.getByRole("alert").getByText("You are signed out.")).toBeVisible();
  await page.getByRole("link", { name: "Sign in again" }).click();
  await signIn(page, name, PASSWORD);
  await page.waitForURL(/\/offers/);
  await saved(page);
  expect(JSON.stringify(await (await request.get("/api/draft")).json())).toContain('"53.00"');
  for (const one of [page, elsewhere]) await one.context().close();
});

test("a second factor is set up, asked for, and switched off with the password", async ({ browser, request }) => {
  const { page, name } = await somebody(browser, request, "edit");
  await page.goto("/account");
  const factor = page.getByRole("region", { name: "Second factor" });
  await factor.getByRole("button", { name: "Set it up" }).click();
  await expect(factor.getByRole("img")).toBeVisible();
  const secret = ((await factor.locator("code").textContent()) ?? "").replaceAll(" ", "");
  const totp = new TOTP({ secret });
  await factor.getByLabel("The code that it shows now").fill("12");
  await factor.getByLabel("Your password now").fill(PASSWORD);
  await factor.getByRole("button", { name: "Switch it on" }).click();
  await expect(factor.getByRole("alert")).toContainText("not the one that the app shows");
  // The one before: so that the next is there for signing in. It may grow too old on its way.
  await expect(async () => {
    await factor.getByLabel("The code that it shows now").fill(totp.generate({ timestamp: Date.now() - 30_000 }));
    await factor.getByRole("button", { name: "Switch it on" }).click();
    await expect(factor).toContainText("It is on", { timeout: 3000 });
  }).toPass({ timeout: 20_000 });
  await page.context().clearCookies();
  await page.goto("/account");
  await signIn(page, name, PASSWORD);
  await page.getByLabel("Code of the second factor").fill("000 000");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page.getByRole("alert")).toContainText("does not hold");
  await page.getByLabel("Code of the second factor").fill(totp.generate());
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(factor).toContainText("It is on");
  await factor.getByLabel("Your password now").fill("wrong");
  await factor.getByRole("button", { name: "Switch it off" }).click();
  await expect(factor.getByRole("alert")).toContainText("not your password");
  await factor.getByLabel("Your password now").fill(PASSWORD);
  await factor.getByRole("button", { name: "Switch it off" }).click();
  await expect(factor.getByRole("button", { name: "Set it up" })).toBeVisible();
  await page.context().close();
});

test("passwords that cannot be say why at the field; a new one leaves this session alone", async ({
  browser,
  request,
}) => {
  const { page, name } = await somebody(browser, request, "look");
  await page.goto("/account");
  const form = page.getByRole("region", { name: "Password" });
  const set = async (current: string, password: string) => {
    await form.getByLabel("Your password now").fill(current);
    await form.getByLabel("Your new password").fill(password);
    await form.getByRole("button", { name: "Set the password" }).click();
  };
  for (const [current, password, why] of [
    [PASSWORD, "short", "at least 12 characters"],
    [PASSWORD, "Password2026!", "among the commonest"],
    [PASSWORD, `my name is ${name}`, "does not hold the name"],
    ["not mine", `${PASSWORD} two`, "not your password now"],
  ] as const) {
    await set(current, password);
    await expect(form.getByRole("alert")).toContainText(why);
  }
  await set(PASSWORD, `${PASSWORD} two`);
  await expect(form.getByRole("status")).toContainText("Set.");
  await page.reload();
  await expect(page.getByText(`You are ${name} and may look.`)).toBeVisible();
  await page.context().close();
});

test("people are given roles, links and their leave on screen", async ({ page, browser }) => {
  const name = newName("Cleo");
  await page.goto("/people");
  await page.getByLabel("Name of somebody new").fill(name);
  await page.getByRole("form", { name: "Invite somebody" }).getByLabel("May").selectOption({ label: "look" });
  await page.getByRole("button", { name: "Invite", exact: true }).click();
  const link = await page.getByLabel(`Link for ${name}`).inputValue();
  const row = page.getByRole("row").filter({ hasText: name });
  await expect(row).toContainText("no password yet");
  await page.getByLabel("Name of somebody new").fill(name.toUpperCase());
  await page.getByRole("button", { name: "Invite", exact: true }).click();
  await expect(page.getByRole("alert")).toContainText("Somebody of that name is here already");
  await row.getByLabel(`What ${name} may`).selectOption({ label: "edit and release" });

  const theirs = await outside(browser);
  await theirs.goto(link);
  await theirs.getByLabel("Your new password").fill(PASSWORD);
  await theirs.getByRole("button", { name: "Set it and sign in" }).click();
  await theirs.waitForURL(/\/overview/);
  await theirs.goto("/account");
  await expect(theirs.getByText(`You are ${name} and may edit and release.`)).toBeVisible();

  await row.getByRole("button", { name: `Take out… ${name}` }).click();
  await row.getByRole("button", { name: `Take ${name} out` }).click();
  await expect(row.getByRole("button", { name: "Invite again" })).toBeVisible();
  await theirs.goto("/offers");
  await expect(theirs.getByRole("heading", { name: "Sign in" })).toBeVisible();
  // A link that was used lets nobody in again.
  await theirs.goto(link);
  await theirs.reload();
  await expect(theirs.getByRole("alert")).toContainText("That link works no more");
  await theirs.context().close();
});

test("a shop's key is made, shown once, quotes, and is revoked", async ({ page, browser }) => {
  const name = newName("Paper shop");
  await page.goto("/keys");
  await page.getByLabel("Calls a second, at most").fill("0");
  await expect(page.getByRole("alert")).toContainText("A whole number from 1");
  await page.getByLabel("Calls a second, at most").fill("50");
  await page.getByLabel("Name of the shop's server").fill(name);
  await page.getByLabel("claim offers and windows for orders").uncheck();
  await page.getByRole("button", { name: "Make a key" }).click();
  const secret = await page.getByLabel(`Key ${name}`).inputValue();
  const shop = (await browser.newContext({ storageState: OUTSIDE })).request;
  const ask = (path: string, data: unknown) =>
    shop.post(path, { data, headers: { authorization: `Bearer ${secret}` } });
  const cart = { lines: [{ sku: "x", quantity: 1, unitPrice: 3000 }] };
  const quote = {
    at: "2026-11-25T09:00:00Z",
    currency: "EUR",
    locale: "en",
    destination: { country: "PT", postcode: "1000-001" },
    cart,
  };
  expect((await ask("/api/quote", quote)).status()).toBe(200);
  expect((await ask("/api/redemptions", { order: "o", offers: ["newsletter"] })).status()).toBe(403);
  await page.waitForTimeout(2500);
  await page.reload();
  await expect(page.getByLabel(`Key ${name}`)).toHaveCount(0);
  const row = page.getByRole("row").filter({ hasText: name });
  await expect(row).not.toContainText("never");
  await row.getByRole("button", { name: `Revoke ${name}` }).click();
  await expect(row).toContainText("revoked");
  await expect.poll(async () => (await ask("/api/quote", quote)).status(), { timeout: 5000 }).toBe(401);
});

test("a release takes two people where the settings say so", async ({ page, browser, request }) => {
  const { page: hers, name } = await somebody(browser, request, "release");
  await page.goto("/settings");
  await page.getByLabel("A release takes two people: one asks for it, another makes it").check();
  await expect(page.getByText("Kept.")).toBeVisible();
  await hers.goto("/offers");
  await typeGoal(hers, "51");
  await saved(hers);
  await hers.getByRole("link", { name: "Review and release" }).click();
  await seenAll(hers);
  await hers.getByLabel("A note for those who look at it later").fill("for the winter");
  await askButton(hers).click();
  await expect(hers.getByText("You have asked to release this, from: at once.")).toBeVisible();
  await page.goto("/release");
  await seenAll(page);
  await expect(page.getByText(`${name} asks to release this, from: at once.`)).toBeVisible();
  await releaseButton(page).click();
  await expect(page.getByText("Same as release 2")).toBeVisible();
  await page.goto("/log");
  await expect(page.getByRole("list", { name: "Change log" })).toContainText(
    `Released number 2 that ${name} had asked for`,
  );
  await hers.context().close();
});

test("two who have the same thing open see each other before they meet in a save", async ({
  page,
  browser,
  request,
}) => {
  const { page: hers, name } = await somebody(browser, request, "edit");
  await hers.goto("/offers#free-post");
  await expect(hers.getByRole("complementary", { name: "Shopper view" })).toBeVisible();
  await page.goto("/places");
  await expect(page.getByText(`${name} in Offers: Free post abroad`)).toBeVisible({ timeout: 20_000 });
  await page.goto("/offers#free-post");
  await expect(page.getByText(`${name} has this open too`)).toBeVisible({ timeout: 20_000 });
  await hers.context().close();
});

test("settings refuse rubbish at the field, and an address is tried before anything depends on it", async ({
  page,
}) => {
  await page.goto("/settings");
  await page.getByLabel("A shopper's reference is erased some days after the last claim").check();
  const days = page.getByRole("textbox", { name: /^Days/ });
  await expect(days).toHaveValue("400");
  for (const rubbish of ["0", "-3", "1.5", "abc", "99999999"]) {
    await days.fill(rubbish);
    await expect(page.getByRole("alert")).toContainText("A whole number from 1");
  }
  await days.press("Escape");
  await days.fill("90");
  await days.press("Enter");
  const hosts = page.getByRole("textbox", { name: /^Hosts that the server may call/ });
  await hosts.fill("shop.example, http://x");
  await expect(page.getByRole("alert")).toContainText("“http://x” is no name");
  // On a slow line: what is tried meanwhile waits for the hosts, or it would be tried by those of before.
  let arrive = () => {};
  const arrived = new Promise<void>((resolve) => {
    arrive = resolve;
  });
  await page.route("**/api/settings", async (route) => {
    await arrived;
    await route.continue();
  });
  await hosts.fill("localhost");
  await hosts.press("Enter");
  await page.getByLabel("Address to try").fill("http://localhost:9/");
  const tried = page.waitForRequest("**/api/settings/call-out");
  let wasTried = false;
  void tried.then(() => {
    wasTried = true;
  });
  await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Try it" })).toBeDisabled();
  expect(wasTried).toBe(false);
  arrive();
  await tried;
  await expect(page.getByText(/may be called only where it is listed itself/)).toBeVisible();
  await page.reload();
  await expect(days).toHaveValue("90");
  await expect(hosts).toHaveValue("localhost");
});
