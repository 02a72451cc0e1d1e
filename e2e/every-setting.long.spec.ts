import { type Entity, type EntityKind, entitiesOf, entityKey, entityKinds } from "../core/plan/entities.ts";
import { leafValuesOf, leavesOf } from "../scripts/schema-leaves.ts";
import type { Draft } from "../server/draft/read-draft.ts";
import { expect, test } from "./demo-store.ts";
import { planWithEverySetting } from "./plan-with-every-setting.ts";
import { type Poked, pokeControls } from "./poke-controls.ts";

/** How often a control is tried that changes nothing. */
const MOST_TRIES = 3;

/** Leaves of the plan's schema that no editor shows, at most: fewer with every release, never more. */
const MOST_MISSING = 0;

/**
 * What no control sets by itself: what a thing is known by, which is made when it is; what a translation was made from, which
 * goes with its text; and which finding was accepted, which is done where it is found (a journey of its own). Nor, by itself,
 * the stretches of a note, which are marks within it, and what a picture is made of, which its file says (another journey).
 */
const KEPT_BY_THE_APP =
  /^\w+\/(steps\/|surcharges\/|windows\/slots\/)?id$|\/translatedFrom\/|^store\/accepted\/|^option\/note\/\*\/|^option\/picture\/(type|data|width|height)$/;

type Page = { readonly at: string; readonly surface?: string };

const WORDING: readonly Page[] = ["everywhere", "only on the banner", "only in the cart", "only in the checkout"].map(
  (surface) => ({ at: "/wording#", surface }),
);

/** Where things of a kind are changed. */
const PAGES: Readonly<Record<EntityKind, readonly Page[]>> = {
  store: [
    { at: "/places#store/settings" },
    { at: "/wording#words" },
    ...WORDING.map((page) => ({ ...page, at: "/wording#plan" })),
  ],
  market: [{ at: "/places#market/" }],
  zone: [{ at: "/places#zone/" }],
  location: [{ at: "/places#location/" }],
  option: [{ at: "/delivery#" }],
  offer: [{ at: "/offers#" }, { at: "/offers#all" }, ...WORDING],
  notice: [{ at: "/wording#notice/" }],
  condition: [{ at: "/offers#condition/" }],
  rates: [{ at: "/offers#rates" }],
};

test("every leaf of the plan's schema that a control shows is changed by it alone; those that none shows are printed", async ({
  page,
  request,
}) => {
  test.setTimeout(1_500_000);
  const plan = planWithEverySetting();
  const draft: Draft = await (await request.get("/api/draft")).json();
  const revisions = new Map(draft.entities.map((entity) => [entityKey(entity), entity.revision]));
  const writes = entitiesOf(plan).map((entity) => ({ ...entity, seen: revisions.get(entityKey(entity)) ?? 0 }));
  expect(await (await request.post("/api/draft/changes", { data: { writes } })).json()).toMatchObject({ removed: [] });
  const known = new Map(entitiesOf(plan).map((entity) => [entityKey(entity), entity]));

  // What is changed stays unsaved: the page keeps it, and says what it would send.
  await page.route("**/api/draft/changes", (route) => route.abort());
  // Nor is anything worked out beside.
  await page.route("**/*-worker*.js", (route) => route.abort());
  await page.addInitScript(() => localStorage.setItem("summant.shopper-open", "false"));
  await page.goto("/places");
  await expect(page.getByRole("heading", { name: "Places" })).toBeAttached();
  // The editor of texts is loaded when it is first opened.
  await page.evaluate(() => history.pushState(null, "", "/wording#plan"));
  await page
    .getByRole("button", { name: /Change$/ })
    .first()
    .click();
  await expect(page.locator("main [contenteditable=true]")).toBeVisible();
  await page.keyboard.press("Escape");
  const seen = new Set<string>();
  const shown = new Set<string>();
  const tried = new Set<string>();
  const idle = new Map<string, number>();
  const read = new Set<string>();
  for (const entity of entitiesOf(plan)) {
    const leaves = leafValuesOf(entity.kind, entity.body).map(({ leaf }) => `${entity.kind} ${leaf}`);
    if (leaves.every((leaf) => seen.has(leaf))) continue;
    for (const leaf of leaves) seen.add(leaf);
    for (const { at, surface } of PAGES[entity.kind]) {
      // Texts are the same for every offer.
      if (surface && read.has(`${entity.kind} ${surface}`)) continue;
      if (surface) read.add(`${entity.kind} ${surface}`);
      const id = /(#|\/)$/.test(at) ? encodeURIComponent(entity.id) : "";
      const from = new URL(page.url()).pathname;
      await page.evaluate((address) => history.pushState(null, "", address), `${at}${id}`);
      // A section that is drawn for the first time loads its scripts first.
      await page.waitForTimeout(at.startsWith(from) && !/#\w+$/.test(at) ? 150 : 1500);
      if (surface) await page.getByRole("radio", { name: surface }).check();
      const prefix = `${entity.kind} ${surface ?? ""} `;
      const before = [...tried].filter((name) => name.startsWith(prefix)).map((name) => name.slice(prefix.length));
      for (const poked of await page.evaluate(pokeControls, before)) {
        const leaves = changedBy(poked, known);
        for (const leaf of leaves) shown.add(leaf);
        // What changed more than it is about here, or nothing for what there is, may change that alone elsewhere.
        const name = `${prefix}${poked.name}`;
        if (poked.changed.length === 0) idle.set(name, (idle.get(name) ?? 0) + 1);
        if (leaves.length > 0 || idle.get(name) === MOST_TRIES) tried.add(name);
      }
    }
  }
  const all = [...entityKinds(), "when", "charge", "amount", "mark", "only"]
    .flatMap((root) => [...leavesOf(root).values()])
    // Where there is one value only, there is nothing to set.
    .filter(({ name, schemas }) => !KEPT_BY_THE_APP.test(name) && !(schemas.length === 1 && schemas[0]?.const === true))
    .map(({ name }) => name);
  const missing = all.filter((leaf) => !shown.has(leaf)).sort();
  console.log(`leaves of the schema ${all.length}, shown by an editor ${all.length - missing.length}; not shown:`);
  for (const leaf of missing) console.log(`  ${leaf}`);
  expect(missing.length).toBeLessThanOrEqual(MOST_MISSING);
});

/**
 * The leaf that a control changed: alone, or as the choice of a kind, which changes what belongs to the kind. Of an amount, where
 * it stands and what of it, and of the goods that a price is for.
 */
function changedBy({ changed }: Poked, known: ReadonlyMap<string, Entity>): string[] {
  const paths = new Map<string, string>();
  for (const { key, was, now } of changed) {
    const entity = known.get(key);
    if (!entity || now === null) return [];
    const [before, after] = [valuesOf(entity.kind, was ?? entity.body), valuesOf(entity.kind, now)];
    for (const [at, { leaf, path, value }] of after) if (before.get(at)?.value !== value) paths.set(leaf, path);
    for (const [at, { leaf, path }] of before) if (!after.has(at)) paths.set(leaf, path);
  }
  const isPart = (leaf: string) => /^(amount|mark|only)\b/.test(leaf);
  const leaves = [...paths.keys()];
  const parts = leaves.filter((leaf) => isPart(leaf) && leaf !== "mark");
  const others = leaves.filter((leaf) => !isPart(leaf));
  const kinds = others.filter((leaf) => /\/(kind|rule|carrier|per)$/.test(leaf));
  const [only] = kinds.length === 1 ? kinds : others.length === 1 ? others : [];
  if (only === undefined) return [];
  // One in the other, as an amount is in a price of goods.
  const [outer, ...inner] = parts.map((leaf) => paths.get(leaf) ?? "").sort((a, b) => a.length - b.length);
  const nested = inner.every((path) => path.startsWith(`${outer}/`));
  return [only, ...(nested ? parts : []), "mark"];
}

/** What every leaf of a body holds, by where it stands. */
const valuesOf = (kind: EntityKind, body: unknown) =>
  new Map(
    leafValuesOf(kind, body).map(
      ({ path, leaf, value }) => [`${path} ${leaf}`, { path, leaf, value: JSON.stringify(value) }] as const,
    ),
  );
