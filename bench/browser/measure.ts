import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { gzipSync } from "node:zlib";
import { type Browser, chromium, type Locator, type Page } from "@playwright/test";
import { entitiesOf } from "../../core/plan/entities.ts";
import { prepareDatabase, startApp } from "../../scripts/setup/app-server.mjs";
import { BROWSER } from "../../scripts/setup/browser.mjs";
import { needBuild } from "../../scripts/setup/build.mjs";
import { freePort, startDatabase } from "../../scripts/setup/database.mjs";
import { CHROMIUM, MARIADB, needDebianPackages } from "../../scripts/setup/debian-packages.mjs";
import { signInAtFirst } from "../../scripts/setup/sign-in-by-browser.mjs";
import { saveProducts } from "../../server/catalogue/import-products.ts";
import { inTransaction, openPool } from "../../server/database/pool.ts";
import { emptyStore } from "../../server/demo/load-demo.ts";
import { applyChangeSet } from "../../server/draft/change-set.ts";
import { median } from "../median.ts";
import { largeStore, PRODUCTS } from "./large-store.ts";

// The real app in the real browser: the Offers page from cold, a goal dragged for five seconds, a large store typed and
// dragged in.
/** As long as a finger takes to let go, in milliseconds. */
const LET_GO = 80;

const root = fileURLToPath(new URL("../../", import.meta.url));
const folder = mkdtempSync(join(tmpdir(), "bench-browser-"));
needDebianPackages([...MARIADB, ...CHROMIUM]);
await needBuild(root);
const database = await startDatabase(folder);
const link = prepareDatabase(root, database.url, { resetDemo: true });
const app = await startApp(root, database.url, await freePort());
const browser = await chromium.launch(BROWSER);
const storageState = await signInAtFirst(browser, app.address, link);
try {
  await coldOffers(browser);
  await firstFinding(browser);
  await fromSectionToSection(browser);
  await draggedGoal(browser);
  await largeLists(browser);
} finally {
  await browser.close();
  await app.stop();
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}

/** Bytes of scripts: as they came over the network, and as gzip would send them. */
type Sent = { readonly sent: number; readonly gzipped: number };
function sum(sizes: readonly number[]): number {
  return sizes.reduce((all, size) => all + size, 0);
}

function flagOf(page: Page) {
  return page.getByRole("slider", { name: "Goal of Free standard delivery" });
}

/** From an empty cache to a flag that can be moved, against an empty page of the same server; and what scripts it loads. */
async function coldOffers(from: Browser): Promise<void> {
  const times: number[] = [];
  const empty: number[] = [];
  let bytes: Sent = { sent: 0, gzipped: 0 };
  for (let i = 0; i < 5; i += 1) {
    const context = await from.newContext({ viewport: { width: 1280, height: 800 }, storageState });
    const page = await context.newPage();
    let start = performance.now();
    await page.goto(`${app.address}/api/health`);
    empty.push(performance.now() - start);
    // By address: what a worker shares with the page comes to it out of the cache.
    const scripts = new Map<string, Promise<Sent>>();
    page.on("response", (response) => {
      const url = response.url();
      if (!/\.js(\?|$)/.test(url) || scripts.has(url)) return;
      scripts.set(
        url,
        Promise.all([response.body(), response.request().sizes()]).then(
          ([body, { responseBodySize }]) => ({ sent: responseBodySize, gzipped: gzipSync(body).byteLength }),
          () => ({ sent: 0, gzipped: 0 }),
        ),
      );
    });
    start = performance.now();
    await page.goto(`${app.address}/offers`);
    await flagOf(page).waitFor();
    times.push(performance.now() - start);
    const all = await Promise.all(scripts.values());
    bytes = { sent: sum(all.map(({ sent }) => sent)), gzipped: sum(all.map(({ gzipped }) => gzipped)) };
    await context.close();
  }
  const [cold, plain] = [median(times), median(empty)];
  console.log(
    `Offers page from cold, against an empty answer: ${(cold / plain).toFixed(1)}  (${cold.toFixed(0)} ms, ${plain.toFixed(0)} ms; scripts ${(bytes.sent / 1024).toFixed(0)} KB as they are sent, ${(bytes.gzipped / 1024).toFixed(0)} by gzip, 240 wanted)`,
  );
}

/** From an empty cache to the first finding in sight, against the time that the page itself takes to stand. */
async function firstFinding(from: Browser): Promise<void> {
  const stands: number[] = [];
  const found: number[] = [];
  for (let i = 0; i < 5; i += 1) {
    const context = await from.newContext({ viewport: { width: 1280, height: 800 }, storageState });
    const page = await context.newPage();
    const start = performance.now();
    await page.goto(`${app.address}/checks`);
    await page.getByRole("button", { name: "Findings", exact: true }).waitFor();
    stands.push(performance.now() - start);
    await page.getByRole("list", { name: "Open findings" }).getByRole("listitem").first().waitFor();
    found.push(performance.now() - start);
    await context.close();
  }
  const [stood, first] = [median(stands), median(found)];
  console.log(
    `first finding in sight after the page stands / until it stands: ${((first - stood) / stood).toFixed(2)}  (${first.toFixed(0)} and ${stood.toFixed(0)} ms from the start; 1 wanted)`,
  );
}

/**
 * From a click in the rail to the new section drawn, against loading the page of that section with the same browser's cache:
 * when its scripts are first wanted, and when it has been in sight before.
 */
async function fromSectionToSection(from: Browser): Promise<void> {
  const loads: number[] = [];
  const firsts: number[] = [];
  const returns: number[] = [];
  // In the page's own time, from the click on: looking for things from outside takes as long again. It is pressed as a finger
  // presses: a script of the page that clicks leaves out the press, in which the section's script is already on its way.
  const timed = async (page: Page, link: string, shows: string) => {
    const { x, y } = await middleOf(page.locator(`nav a[href^="${link}"]`));
    await page.evaluate(`void (window.drawn = new Promise((resolve) => {
      addEventListener("click", ({ timeStamp }) => {
        const look = () => {
          const drawn = [...document.querySelectorAll("main h1")].some((one) => one.offsetParent && one.textContent === "${shows}");
          if (drawn) requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - timeStamp)));
          else setTimeout(look, 1);
        };
        look();
      }, { capture: true, once: true });
    }))`);
    await page.mouse.click(x, y, { delay: LET_GO });
    return page.evaluate<number>("window.drawn");
  };
  for (let i = 0; i < 7; i += 1) {
    const context = await from.newContext({ viewport: { width: 1280, height: 800 }, storageState });
    const page = await context.newPage();
    const heading = page.getByRole("heading", { level: 1, name: "What shoppers read" });
    await page.goto(`${app.address}/wording`);
    await heading.waitFor();
    const start = performance.now();
    await page.goto(`${app.address}/wording`, { waitUntil: "commit" });
    await heading.waitFor();
    loads.push(performance.now() - start);
    await page.goto(`${app.address}/offers`);
    await flagOf(page).waitFor();
    await page.waitForTimeout(1000);
    firsts.push(await timed(page, "/wording", "What shoppers read"));
    await timed(page, "/offers", "Offers");
    returns.push(await timed(page, "/wording", "What shoppers read"));
    await context.close();
  }
  const [load, first, again] = [median(loads), median(firsts), median(returns)];
  console.log(
    `to another section, against loading its page: ${(first / load).toFixed(2)} at first, ${(again / load).toFixed(2)} coming back  (${first.toFixed(0)} and ${again.toFixed(0)} ms, ${load.toFixed(0)} ms; 0.2 wanted)`,
  );
}

/** Frames and lag while a flag is pulled to and fro. */
async function draggedGoal(from: Browser): Promise<void> {
  const page = await from.newPage({ viewport: { width: 1280, height: 800 }, storageState });
  await page.goto(`${app.address}/offers`);
  await flagOf(page).waitFor();
  const box = await flagOf(page).boundingBox();
  if (!box) throw new Error("the flag is not drawn");
  // As text: what runs in the page must not be translated on the way.
  await page.evaluate(`{
    const frames = [];
    const lags = [];
    let last = performance.now();
    let moved = 0;
    const tick = (now) => {
      frames.push(now - last);
      last = now;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
    window.addEventListener("pointermove", () => { if (moved === 0) moved = performance.now(); }, true);
    new MutationObserver(() => {
      if (moved > 0) lags.push(performance.now() - moved);
      moved = 0;
    }).observe(document.querySelector("[data-option='standard']"), { attributes: true });
    window.measured = { frames, lags };
  }`);
  await page.mouse.move(box.x + 8, box.y + 12);
  await page.mouse.down();
  const end = performance.now() + 5000;
  for (let i = 0; performance.now() < end; i += 1) {
    await page.mouse.move(box.x + 8 + 80 * Math.sin(i / 12), box.y + 12);
    await page.waitForTimeout(8);
  }
  await page.mouse.up();
  const { frames, lags } = await page.evaluate<{ frames: number[]; lags: number[] }>("window.measured");
  const slow = frames.filter((frame) => frame > 20).length;
  console.log(
    `goal dragged for 5 s, slow frames / frames: ${(slow / frames.length).toFixed(3)}  (${slow} of ${frames.length} over 20 ms; pointer to redrawn line ${median(lags).toFixed(0)} ms, ${lags.length} redraws)`,
  );
  await page.close();
}

async function middleOf(locator: Locator): Promise<{ x: number; y: number }> {
  await locator.scrollIntoViewIfNeeded();
  const box = await locator.boundingBox();
  if (!box) throw new Error(`${locator} is not drawn`);
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

type Worst = { readonly typing: number; readonly dragging: number; readonly places: number };

/** Interactions in a store of 500 zones, 200 options and 50,000 products: the slowest of each kind, the median of some visits. */
async function largeLists(from: Browser): Promise<void> {
  const pool = openPool(database.url, 2);
  await emptyStore(pool);
  const applied = await applyChangeSet(
    pool,
    { writes: entitiesOf(largeStore()).map(({ kind, id, body }) => ({ kind, id, seen: 0, body })) },
    "bench",
  );
  if (!("sequence" in applied)) throw new Error(JSON.stringify(applied).slice(0, 500));
  await inTransaction(pool, (connection) => saveProducts(connection, PRODUCTS));
  await pool.end();
  const visits: Worst[] = [];
  for (let i = 0; i < 3; i += 1) visits.push(await largeVisit(from));
  const middle = (of: (worst: Worst) => number) => median(visits.map(of));
  const slowest = middle(({ typing, dragging, places }) => Math.max(typing, dragging, places));
  const parts = `typing ${middle(({ typing }) => typing)} ms, with dragging ${middle(({ dragging }) => dragging)} ms, Places ${middle(({ places }) => places)} ms`;
  console.log(
    `a store of 500 zones, 200 options, 50,000 products, slowest interaction / 200 ms: ${(slowest / 200).toFixed(2)}  (${parts}; 0.55 wanted)`,
  );
}

async function largeVisit(from: Browser): Promise<Worst> {
  const page = await from.newPage({ viewport: { width: 1280, height: 800 }, storageState });
  // From a key or a press until the frame that answers it has been drawn. The browser's own event timing waits for frames to
  // be shown, and of a page that nobody looks at, headless Chromium leaves some out.
  const watch = () =>
    page.evaluate(`{
      const seen = [];
      const answered = ({ timeStamp }) =>
        requestAnimationFrame(() => setTimeout(() => seen.push(Math.round(performance.now() - timeStamp))));
      for (const kind of ["pointerdown", "pointerup", "click", "keydown", "keyup", "input"])
        window.addEventListener(kind, answered, true);
      window.seen = seen;
    }`);
  const worst = async () => Math.max(0, ...(await page.evaluate<number[]>("window.seen")));
  await page.goto(`${app.address}/delivery`);
  await page.getByRole("button", { name: "Move Option 1", exact: true }).waitFor({ timeout: 60_000 });
  // Found beforehand: looking for things by what they are called takes the page's own time.
  const nameAt = await middleOf(page.getByLabel("Name in English"));
  const priceAt = await middleOf(page.getByRole("button", { name: /^Price in/ }).first());
  const finderAt = await middleOf(page.getByLabel("Add a product to the cart"));
  const gripAt = await middleOf(page.getByRole("button", { name: "Move Option 1", exact: true }));
  const press = ({ x, y }: { x: number; y: number }) => page.mouse.click(x, y, { delay: LET_GO });
  await page.waitForTimeout(4000);
  await watch();
  await press(nameAt);
  await page.keyboard.type("abc", { delay: 60 });
  await press(priceAt);
  await page.keyboard.type("7.25", { delay: 60 });
  await page.keyboard.press("Enter");
  await press(finderAt);
  await page.keyboard.type("sheet 4999", { delay: 60 });
  await page.waitForTimeout(600);
  const typing = await worst();
  await page.mouse.move(gripAt.x, gripAt.y);
  await page.mouse.down();
  for (let i = 1; i <= 20; i += 1) await page.mouse.move(gripAt.x, gripAt.y + i * 8);
  await page.mouse.up();
  await page.waitForTimeout(600);
  const dragging = await worst();
  await page.goto(`${app.address}/places`);
  await page.getByLabel("Find a country or region").waitFor({ timeout: 60_000 });
  const countryAt = await middleOf(page.getByLabel("Find a country or region"));
  await page.waitForTimeout(4000);
  await watch();
  await press(countryAt);
  await page.keyboard.type("port", { delay: 60 });
  await page.waitForTimeout(600);
  const places = await worst();
  await page.close();
  return { typing, dragging, places };
}
