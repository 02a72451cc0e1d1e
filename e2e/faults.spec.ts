import { databaseUrl, openPool } from "../server/database/pool.ts";
import { expect, test } from "./demo-store.ts";

// Whatever is stored, the app is there: it says what is wrong where, the rest works, and it can be mended.

/** Puts rows where no edit would let them, as an older version may have. */
async function stored(work: (pool: ReturnType<typeof openPool>) => Promise<unknown>): Promise<void> {
  const pool = openPool(databaseUrl(), 1);
  await work(pool);
  await pool.end();
}

const deep = {
  id: "deep",
  name: "Deep",
  when: Array.from({ length: 100 }).reduce<object>((of) => ({ kind: "not", of }), { kind: "signed-in" }),
};

test("a row that cannot be read is shown, mended as text, and nothing else is in its way", async ({
  page,
  request,
}) => {
  await stored((pool) =>
    pool.query(
      "INSERT INTO draft_entities (kind, id, position, body, revision) VALUES ('condition', 'deep', 0, ?, 1)",
      [JSON.stringify(deep)],
    ),
  );
  await page.goto("/places");
  const panel = page.getByRole("alert").filter({ hasText: "The condition “deep” cannot be read" });
  await expect(panel).toContainText("lies in more than 64 others");
  await expect(page.getByRole("complementary", { name: "Shopper view" })).toContainText("Standard");
  const draft: { sequence: number } = await (await request.get("/api/draft")).json();
  const refused = await request.post("/api/releases", { data: { sequence: draft.sequence } });
  expect(refused.status()).toBe(409);
  expect(await refused.text()).toContain('condition \\"deep\\" cannot be read');

  await panel.getByLabel("As it is stored").fill("{ no json");
  await panel.getByRole("button", { name: "Keep it like this" }).click();
  await expect(page.getByRole("status").filter({ hasText: "is no JSON" })).toBeVisible();
  await panel.getByLabel("As it is stored").fill('{"id":"deep","name":"Deep","when":{"kind":"signed-in"}}');
  await panel.getByRole("button", { name: "Keep it like this" }).click();
  await expect(panel).toBeHidden();
  await page.reload();
  await expect(page.getByRole("heading", { name: "Mainland Portugal" })).toBeVisible();
  await expect(panel).toBeHidden();
});

test("an impossible standpoint kept in the browser or by a team is set aside, with a word", async ({
  page,
  request,
}) => {
  const impossible = {
    country: "P1",
    region: "",
    postcode: "",
    currency: "XXX",
    locale: "not a locale",
    shopper: null,
  };
  const body = { ...impossible, moment: "2026-99-99T00:00", moods: {} };
  const kept = await request.post("/api/standpoints", { data: { do: "keep", id: "bad", name: "Bad", body } });
  expect(kept.status()).toBe(422);
  await stored((pool) =>
    pool.query(
      "INSERT INTO kept (kind, id, name, body, kept_at) VALUES ('standpoint', 'bad', 'Bad', ?, UTC_TIMESTAMP(3))",
      [JSON.stringify(body)],
    ),
  );
  await page.addInitScript(`localStorage.setItem("summant.standpoint", ${JSON.stringify(JSON.stringify(body))})`);
  await page.goto("/offers");
  await expect(page.getByRole("heading", { level: 2 }).first()).toContainText("Free Standard delivery");
  await page.getByRole("button", { name: /^Kept standpoints/ }).click();
  await expect(page.getByText(/“Bad” is set aside: /)).toBeVisible();
  await page.getByRole("button", { name: "Forget it" }).click();
  await expect(page.getByText("is set aside")).toBeHidden();
});

test("a text that fails is left out of quotes and found, and the page stays", async ({ page, request }) => {
  const text = "Only {remaining, date, short} to {goal, number, ::currency/nope}";
  // As an older release and its draft have it: no edit would let it in now.
  await stored(async (pool) => {
    await pool.query(
      "UPDATE draft_entities SET body = REPLACE(body, 'Add {remaining} more for free post', ?) WHERE id = 'free-post'",
      [text],
    );
  });
  await page.goto("/offers");
  await page.getByLabel("Country", { exact: true }).selectOption("ES");
  await page.getByLabel("Postcode", { exact: true }).fill("41001");
  await page.getByLabel("Postcode", { exact: true }).press("Enter");
  const shopper = page.getByRole("complementary", { name: "Shopper view" });
  await expect(shopper).toContainText("Courier");
  await expect(shopper).not.toContainText("NaN");
  for (const section of ["Wording", "Checks"]) {
    await page.getByRole("link", { name: new RegExp(section) }).click();
    await expect(page.getByRole("heading", { level: 1 }).first()).toBeVisible();
  }
  await expect(
    page
      .getByText(/nothing can be released until it is mended/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible({ timeout: 30_000 });

  const draft: {
    sequence: number;
    entities: { id: string; revision: number; body: { steps: { wording: object }[] } }[];
  } = await (await request.get("/api/draft")).json();
  const release = await request.post("/api/releases", { data: { sequence: draft.sequence } });
  expect([release.status(), await release.text()]).toEqual([409, expect.stringContaining("{remaining}")]);
  // The same edit made now is refused at its place; one beside it is not.
  const newsletter = draft.entities.find(({ id }) => id === "newsletter");
  if (!newsletter) throw new Error("the demo has no newsletter");
  const write = (wording: object) => ({
    writes: [
      {
        kind: "offer",
        id: "newsletter",
        seen: newsletter.revision,
        body: { ...newsletter.body, steps: newsletter.body.steps.map((step) => ({ ...step, wording })) },
      },
    ],
  });
  const bad = await request.post("/api/draft/changes", {
    data: write({ reached: { en: "{goal, number, ::unit/nope}" } }),
  });
  expect([bad.status(), (await bad.json()).errors[0].pointer]).toEqual([
    422,
    "#/writes/0/body/steps/0/wording/reached/en",
  ]);
  expect((await request.post("/api/draft/changes", { data: write({ reached: { en: "Free" } }) })).status()).toBe(200);
});

test("names are compared to the letter, blank ones and doubled keys are refused, a byte-order mark is skipped", async ({
  request,
}) => {
  const claim = async (order: string, shopper: string) =>
    (await request.post("/api/redemptions", { data: { order, offers: ["newsletter"], shopper } })).status();
  // Four orders and four shoppers, as quotes tell them apart.
  expect(await claim("Ab1", "S-1")).toBe(200);
  expect(await claim("ab1", "s-1")).toBe(200);
  expect(await claim("áb1", "S-1 ")).toBe(200);
  expect(await claim("ab1 ", "ß-1")).toBe(200);
  expect(await claim("ab1", "s-1")).toBe(200);
  expect(await (await request.get("/api/redemptions")).json()).toEqual({ uses: { newsletter: 4 } });
  expect([await claim("o-5", " "), await claim("\u0000", "s-9"), await claim(" ", "s-9")]).toEqual([422, 422, 422]);

  const json = { "content-type": "application/json" };
  const post = (body: string) => request.post("/api/redemptions/cancel", { headers: json, data: Buffer.from(body) });
  const doubled = await post('{"order": "Ab1", "order": "ab1"}');
  expect([doubled.status(), (await doubled.json()).errors[0].pointer]).toEqual([400, "#/order"]);
  expect((await post('\uFEFF{"order": "ab1 "}')).status()).toBe(200);
  expect(await (await request.get("/api/redemptions")).json()).toEqual({ uses: { newsletter: 3 } });
});

test("a part that cannot be drawn says so, the rest goes on, and giving up the edit mends it", async ({ page }) => {
  const edits = [{ change: { kind: "offer", id: "free-standard", body: { id: "free-standard" } }, seen: 1 }];
  await page.addInitScript(
    `if (!sessionStorage.done) { sessionStorage.done = "1"; localStorage.setItem("summant.unsaved", ${JSON.stringify(JSON.stringify(edits))}); }`,
  );
  await page.goto("/offers");
  await expect(page.getByRole("heading", { name: "Offers cannot be shown" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "This cannot be quoted yet" })).toBeVisible();
  await expect(page.getByRole("complementary", { name: "Shopper view" })).toContainText("Standard");
  await page.getByRole("button", { name: "Give up what is not saved" }).click();
  await expect(page.getByRole("heading", { level: 2 }).first()).toContainText("Free Standard delivery");
  await expect(page.getByText("cannot be shown")).toBeHidden();
});

test("the climb and the checks say that their workers have failed, and come back by themselves", async ({ page }) => {
  let failures = 0;
  let broken = true;
  await page.route(/(climb|checks)-worker/, (route) => {
    if (!broken) return route.continue();
    failures += 1;
    return route.abort();
  });
  await page.goto("/offers");
  await expect.poll(() => failures).toBeGreaterThanOrEqual(2);
  const goal = page.getByRole("slider", { name: "Goal of Free standard delivery" });
  await expect(page.getByText(/The climb could not be drawn: .*It is tried again/)).toBeVisible();
  await expect(goal).toBeHidden();
  await page.getByRole("link", { name: "Checks" }).click();
  await expect(page.getByText(/The checks could not be run: .*They are tried again/)).toBeVisible();
  broken = false;
  await expect(page.getByRole("link", { name: /Checks \d+ findings/ })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/could not be run/)).toBeHidden();
  await page.getByRole("link", { name: "Offers" }).click();
  await expect(goal).toBeVisible({ timeout: 30_000 });
});
