import type { Page } from "@playwright/test";
import { BROWSER } from "../scripts/setup/browser.mjs";
import { databaseUrl, openPool } from "../server/database/pool.ts";
import { beginHistory, continueHistory } from "../server/demo/load-history.ts";
import { expect, test } from "./demo-store.ts";
import { faultsByAxe } from "./faults-by-axe.ts";
import { lookFrom, saved, shopper } from "./shopper.ts";

// In a browser as users have it: how many orders are priced while a goal is dragged goes by how quick its compiled code is.
test.use({ launchOptions: BROWSER });

/** The demo's history, of so many orders. */
async function withHistory(orders: number): Promise<void> {
  const pool = openPool(databaseUrl(), 2);
  await beginHistory(pool);
  await continueHistory(pool, orders);
  await pool.end();
}

const tab = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Parts of the evidence" }).getByRole("button", { name, exact: true });

const HEADER = "order,at,currency,country,postcode,option,delivery,sku,quantity,unit_price";
const line = (order: string, at: string, delivery: string, price: string) =>
  `${order},${at},EUR,PT,3000-001,standard,${delivery},laid-paper-a5,1,${price}`;
const csv = (...lines: string[]) => ({
  name: "orders.csv",
  mimeType: "text/csv",
  buffer: Buffer.from(`\uFEFF${[HEADER, ...lines].join("\r\n")}\r\n`),
});

test("a file of orders with broken rows is refused whole, its sound orders are taken, and once", async ({ page }) => {
  await page.goto("/evidence");
  await expect(page.getByText("There are no past orders yet")).toBeVisible();
  const file = csv(
    line("A-1", "2026-11-02T10:00:00Z", "4.90", "20.00"),
    line("A-2", "2026-11-02 11:00", "4.90", "21.00"),
    line("A-3", "2026-11-03T10:00:00Z", "4.905", "22.00"),
    line("A-4", "2026-11-03T12:00:00+01:00", "0.00", "55.00"),
  );
  const chooser = page.getByLabel("Read a file of orders");
  await chooser.setInputFiles(file);
  const faults = page.getByRole("list", { name: "Faults" });
  await expect(faults.getByRole("listitem")).toHaveText([
    "row 3, column 2 says no offset, such as Z or +01:00, so it is no certain moment",
    'row 4, column 7 "4.905" is no amount in EUR',
  ]);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "All faults as CSV" }).click(),
  ]);
  expect(download.suggestedFilename()).toBe("faults.csv");
  // There is no way to take it whole.
  await expect(page.getByRole("button", { name: "Take these orders" })).toHaveCount(0);
  await page.getByRole("button", { name: "Take nothing" }).click();
  await expect(page.getByText("Nothing was taken.")).toBeVisible();
  await chooser.setInputFiles(file);
  await page.getByRole("button", { name: "Take the sound orders alone" }).click();
  await expect(page.getByText("2 orders added, 0 changed; 0 were here already, just so.")).toBeVisible();
  await expect(page.getByRole("region", { name: "Orders kept" })).toContainText(
    "2 orders from 2026-11-02 to 2026-11-03",
  );
  await chooser.setInputFiles(csv(line("A-1", "2026-11-02T10:00:00Z", "4.90", "20.00")));
  await page.getByRole("button", { name: "Take these orders" }).click();
  await expect(page.getByText("0 orders added, 0 changed; 1 were here already, just so.")).toBeVisible();
});

test("a file of many orders, known by their totals alone, is read in parts and taken whole", async ({ page }) => {
  test.slow();
  await page.goto("/evidence");
  const rows = Array.from(
    { length: 7000 },
    (_, i) => `P-${i},2026-11-0${1 + (i % 9)}T10:00:00Z,KWD,${10 + (i % 40)}.500,1.250`,
  );
  const buffer = Buffer.from(["order,at,currency,total,delivery", ...rows].join("\n"));
  await page.getByLabel("Read a file of orders").setInputFiles({ name: "plain.csv", mimeType: "text/csv", buffer });
  await expect(page.getByText("7,000 new orders, 0 changed")).toBeVisible({ timeout: 30_000 });
  await page.getByRole("button", { name: "Take these orders" }).click();
  await expect(page.getByText("7,000 orders added, 0 changed")).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole("row", { name: "Kuwait KWD 7,000" })).toBeVisible({ timeout: 30_000 });
  // What they were priced by is not known: nothing is told of it.
  await tab(page, "Under the draft").click();
  await page.getByRole("button", { name: "Price the orders anew" }).click();
  await expect(page.getByText("Cannot be told: 7,000, no more is known than what the order came to")).toBeVisible({
    timeout: 30_000,
  });
});

test("peaks are read, a goal goes into the draft, what it does is told exactly and as an estimate, and it is released", async ({
  page,
}) => {
  // Beside everything else that runs, fourteen months take their time.
  test.slow();
  await withHistory(6000);
  await page.goto("/evidence");
  const peaks = page.getByRole("region", { name: "Peaks" });
  // Fourteen months are added up first.
  await expect(peaks.getByRole("listitem").first()).toContainText("of the orders", { timeout: 60_000 });
  await expect(page.getByRole("figure", { name: "The spread of order values" })).toContainText("Tinted: the peaks");
  await page.getByText("As a table").click();
  const first = page.getByRole("table", { name: "The spread of order values" }).getByRole("row").nth(1);
  await expect(first).toContainText("€0.00");

  // Another market has other orders, and no draft to put a goal into while all are looked at.
  await page.getByLabel("Market").selectOption("every market");
  await expect(peaks).toContainText("Choose one market");
  await page.getByLabel("Market").selectOption("Portugal");

  const put = peaks.getByRole("listitem").first();
  await expect(put).toContainText("A goal of €35.00");
  await put.getByLabel("Put €35.00 into the draft").selectOption("Free standard delivery: instead of €45.00");
  await put.getByRole("button", { name: "Put it in" }).click();
  await expect(put.getByRole("status")).toContainText("Free standard delivery has its goal at €35.00.");
  await saved(page);
  await page.keyboard.press("Control+z");
  await saved(page);
  await expect(page.getByText("Same as release 1")).toBeVisible();
  await page.keyboard.press("Control+Shift+z");
  await saved(page);

  await tab(page, "Under the draft").click();
  await page.getByRole("button", { name: "Price the orders anew" }).click();
  const told = page.getByRole("region", { name: "What the draft would have meant" });
  await expect(told).toContainText("priced, exactly.", { timeout: 30_000 });
  const all = told.getByRole("row", { name: /^in all/ });
  const cells = await all.getByRole("cell").allTextContents();
  const euros = (text = "") => Number(text.replace(/[€,]/g, ""));
  const [, , release, draft] = cells;
  // A lower goal gives more away: nobody pays more.
  expect(euros(draft)).toBeLessThan(euros(release));
  expect(cells.at(-2)).toBe("0");
  // A sum opens to its orders, some at a time until they are all there.
  const madeira = told.getByRole("row", { name: /^Madeira/ });
  const count = (await madeira.getByRole("cell").first().textContent()) ?? "";
  await madeira.getByRole("button", { name: "Madeira" }).click();
  const itsOrders = told.getByRole("region", { name: "Madeira" });
  await expect(itsOrders).toContainText("the latest");
  for (const more = itsOrders.getByRole("button", { name: "Show earlier ones" }); await more.count(); )
    await more.click({ timeout: 1000 }).catch(() => {});
  await expect(itsOrders.getByRole("status")).toHaveText(`all ${count} orders`);
  await madeira.getByRole("button", { name: "Madeira" }).click();
  await told.getByLabel("Summed up").selectOption("by peak");
  await expect(told.getByRole("rowheader", { name: /^€\d+\.\d\d to €/ }).first()).toBeVisible();

  const changed = told.getByRole("table", { name: "Orders that change most" });
  await changed
    .getByRole("button", { name: /^Why V/ })
    .first()
    .click();
  const order = told.getByRole("region", { name: /^Order V/ });
  await expect(order).toContainText("is not earned yet");
  await expect(order).toContainText("€35.00, reached");
  await order.getByRole("button", { name: "Look as this shopper" }).click();
  await expect(shopper(page)).toContainText("A entrega normal é grátis");
  await page.getByRole("button", { name: "Back to the shopper" }).click();

  await tab(page, "What a goal would bring").click();
  await expect(page.getByRole("region", { name: "How many shoppers go for a goal" })).toContainText(
    "nine times in ten",
    { timeout: 30_000 },
  );
  const slider = page.getByRole("slider", { name: /^Goal of Free standard delivery/ });
  await expect(slider).toHaveAttribute("aria-valuetext", "€35.00");
  // Held until it is shown everywhere, as fingers do, and let go.
  await slider.focus();
  await page.keyboard.down("ArrowRight");
  await expect(slider).not.toHaveAttribute("aria-valuetext", "€35.00");
  await expect(page.getByText("Not saved yet")).toBeVisible();
  await page.keyboard.up("ArrowRight");
  await saved(page);
  await expect(slider).not.toHaveAttribute("aria-valuetext", "€35.00");
  // Paper brings more than the rest.
  await page.getByText(/^Margin by category/).click();
  const before = await page.getByText(/^Margin by category/).textContent();
  const paper = page.getByLabel("Margin on paper, percent");
  await paper.fill("81.5");
  await paper.press("Enter");
  await expect(page.getByText(/^Margin by category/)).not.toHaveText(before ?? "");
  await expect(page.getByText("% paper at 81.5 %")).toBeVisible();
  const margin = page.getByLabel("Margin on goods, percent");
  await margin.fill("much");
  await margin.press("Enter");
  await expect(margin).toHaveAttribute("aria-invalid", "true");
  await page.keyboard.press("Escape");
  expect(await faultsByAxe(page)).toEqual([]);

  await page.getByRole("link", { name: "Review and release" }).click();
  await expect(page.getByRole("region", { name: "Changes" })).toContainText("goal · EUR: €45.00");
  await page.getByLabel("I have seen this").check();
  await page.getByRole("button", { name: /^Release as number 2/ }).click();
  await expect(page.getByText("Same as release 2")).toBeVisible();
});

test("while a goal is moved along the climb, drawn past orders say what it means, and all of them once it is let go", async ({
  page,
}) => {
  test.slow();
  await withHistory(3000);
  await page.goto("/offers");
  const climb = page.getByRole("region", { name: "The climb" });
  // Where the draft is as the release there is nothing to say.
  // Past orders are rolled up once they are asked for.
  await expect(climb.locator("svg title").filter({ hasText: "past orders" })).toHaveCount(1, { timeout: 30_000 });
  await expect(climb.getByText("if they act as they did")).toHaveCount(0);
  const flag = page.getByRole("slider", { name: "Goal of Free standard delivery" });
  const box = await flag.boundingBox();
  if (!box) throw new Error("there is no flag");
  await page.mouse.move(box.x + box.width / 2, box.y + 4);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + 4, { steps: 4 });
  const told = climb.getByText("if they act as they did");
  await expect(told).toContainText(/Of [\d,]+ past orders drawn at random: delivery €/);
  // As many as two frames allow, once the worker has run warm.
  let to = box.x + box.width / 2 + 60;
  await expect
    .poll(async () => {
      to += 2;
      await page.mouse.move(to, box.y + 4);
      return Number(/Of ([\d,]+) past orders/.exec((await told.textContent()) ?? "")?.[1]?.replace(",", ""));
    })
    .toBeGreaterThanOrEqual(300);
  await page.mouse.up();
  await saved(page);
  await expect(told).toContainText(/All [\d,]+ past orders of this market, exactly: delivery €/, { timeout: 30_000 });
  // A higher goal: nobody pays less.
  await expect(told).toContainText(" 0 pay less");
});

test("shops send orders by a key that may, changed ones too, and they are in the spread at once", async ({
  page,
  request,
  playwright,
  baseURL,
}) => {
  const order = {
    order: "S-1",
    request: {
      at: "2026-11-02T10:00:00Z",
      currency: "GBP",
      destination: { country: "GB", postcode: "M1 1AA" },
      cart: { lines: [{ sku: "laid-paper-a5", quantity: 3, unitPrice: 860 }] },
    },
    option: "post",
    charged: 690,
  };
  const keyFor = async (right: string): Promise<string> => {
    const made = await request.post("/api/keys", { data: { do: "make", name: right, rights: [right], aSecond: 100 } });
    const { secret }: { secret: string } = await made.json();
    return secret;
  };
  // A shop's server, which has signed in nowhere.
  const asShop = async (secret: string) =>
    playwright.request.newContext({
      baseURL: baseURL ?? "",
      storageState: { cookies: [], origins: [] },
      extraHTTPHeaders: { authorization: `Bearer ${secret}` },
    });
  const quoting = await asShop(await keyFor("quote"));
  expect((await quoting.post("/api/shop/v1/orders", { data: { orders: [order] } })).status()).toBe(403);
  const sending = await asShop(await keyFor("orders"));
  const send = (...orders: object[]) => sending.post("/api/shop/v1/orders", { data: { orders } });
  expect(await (await send(order)).json()).toEqual({ added: 1, changed: 0, same: 0 });
  expect(await (await send(order, { ...order, order: "S-2" })).json()).toEqual({ added: 1, changed: 0, same: 1 });
  expect((await send({ ...order, charged: "free" })).status()).toBe(422);
  await page.goto("/evidence");
  await expect(page.getByText("2 orders, each counted as it was")).toBeVisible();
  await expect(page.getByText("There are too few orders to tell a peak from chance.")).toBeVisible();
  await send({ ...order, order: "S-2", cancelled: true });
  await page.reload();
  await expect(page.getByText("One order, each counted as it was")).toBeVisible();
  // What would reach the goal: shops are answered by the release.
  const suggested = await quoting.post("/api/suggest", { data: order.request });
  const { suggestions } = await suggested.json();
  expect(suggestions.map(({ offer }: { offer: string }) => offer)).toContain("free-post");
  await Promise.all([quoting.dispose(), sending.dispose()]);
});

test("what would bring the cart to the goal is told, put into it, and the goal is reached", async ({ page }) => {
  await page.goto("/offers");
  await expect(shopper(page)).toContainText("Add €6.40 more for free standard delivery");
  await shopper(page).getByText("What would reach the goal?").click();
  const goal = shopper(page).getByRole("region", { name: "Free standard delivery" });
  // The bone folder at 6.50 goes 0.10 beyond it.
  await expect(goal.getByRole("listitem").first()).toContainText("Bone folder");
  await expect(goal.getByRole("listitem").first()).toContainText("€0.10 beyond");
  await goal.getByRole("listitem").filter({ hasText: " + " }).first().getByRole("button").click();
  await expect(shopper(page)).not.toContainText("more for free standard delivery");

  // Where an offer has several steps it is said which one is reached; no courier takes an easel.
  await page.getByLabel("Sample").selectOption("sketching-set");
  await lookFrom(page, "DE", "10115");
  const courier = shopper(page).getByRole("region", { name: /^Free post abroad: Courier/ });
  await expect(courier.getByRole("listitem").first()).toBeVisible();
  await expect(shopper(page).getByRole("region", { name: "Free post abroad: Free Post" })).toContainText("exactly");
  await expect(courier).not.toContainText("easel");
  await courier.getByRole("listitem").first().getByRole("button").click();
  await expect(courier).toHaveCount(0);
});
