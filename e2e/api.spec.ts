import { readdir, readFile } from "node:fs/promises";
import http from "node:http";
import { json } from "node:stream/consumers";
import { fileURLToPath } from "node:url";
import { expect, test } from "./demo-store.ts";

const demo = (name: string) => readFile(fileURLToPath(new URL(`../demo/${name}`, import.meta.url)), "utf8");

type Draft = { sequence: number; entities: { kind: string; id: string; revision: number; body: { name: string } }[] };
type ProblemDocument = {
  title: string;
  status: number;
  errors?: { pointer: string; detail: string }[];
  conflicts?: unknown[];
};

test("the quote endpoint answers a shop's cart, and the remaining amount as a line makes the option free", async ({
  request,
}) => {
  const below = await request.post("/api/quote", { data: JSON.parse(await demo("requests/below-goal.json")) });
  expect(below.status()).toBe(200);
  const at = await request.post("/api/quote", { data: JSON.parse(await demo("requests/at-goal.json")) });
  const read = async (response: typeof at) => {
    const {
      options,
      progress,
    }: { options: { id: string; price: number }[]; progress: { remaining: number | null; state: string }[] } =
      await response.json();
    return { standard: options.find(({ id }) => id === "standard")?.price, progress: progress[0] };
  };
  expect(await read(below)).toMatchObject({ standard: 490, progress: { remaining: 640, state: "on-the-way" } });
  expect(await read(at)).toMatchObject({ standard: 0, progress: { remaining: null, state: "reached" } });
});

test("bad requests get problem documents that say where, and nothing breaks", async ({ request }) => {
  const good = await demo("requests/below-goal.json");
  const json = { "content-type": "application/json" };
  const cases = [
    { body: good.replace('"unitPrice": 980', '"unitPrice": -980'), status: 422, pointer: "#/cart/lines/0/unitPrice" },
    { body: good.replace('"EUR"', '"USD"'), status: 422, pointer: "#/currency" },
    { body: good.replace('"EUR"', '"euro"'), status: 422, pointer: "#/currency" },
    { body: good.replace("2026-11-28T10:00:00Z", "tomorrow"), status: 422, pointer: "#/at" },
    { body: good.replace('"cart"', '"basket"'), status: 422, pointer: "#/cart" },
    { body: good.replace('"quantity": 2', '"quantity": 1e99'), status: 422, pointer: "#/cart/lines/0/quantity" },
    { body: good.slice(0, 80), status: 400, pointer: "#" },
    { body: "", status: 400, pointer: "#" },
    { body: '{"__proto__": {"polluted": true}}', status: 422, pointer: "#/at" },
    { body: `{"at": "${"x".repeat(300_000)}"}`, status: 413, pointer: undefined },
  ];
  for (const { body, status, pointer } of cases) {
    const response = await request.post("/api/quote", { headers: json, data: Buffer.from(body) });
    expect(response.headers()["content-type"]).toBe("application/problem+json");
    const problem: ProblemDocument = await response.json();
    expect({ body: body.slice(0, 60), status: response.status(), document: problem.status }).toEqual({
      body: body.slice(0, 60),
      status,
      document: status,
    });
    if (pointer !== undefined) expect(problem.errors?.map((error) => error.pointer)).toContain(pointer);
  }
  const text = await request.post("/api/quote", { headers: { "content-type": "text/plain" }, data: good });
  expect(text.status()).toBe(415);
  expect((await request.get("/api/nothing-here")).status()).toBe(404);
  const still = await request.post("/api/quote", { headers: json, data: Buffer.from(good) });
  expect(still.status()).toBe(200);
});

test("many who ask at once each get what they asked for, also beside those whose bodies are refused", async ({
  request,
}) => {
  const names = (await readdir(fileURLToPath(new URL("../demo/requests/", import.meta.url)))).sort();
  const good = await Promise.all(names.map((name) => demo(`requests/${name}`)));
  const bodies = [
    ...good,
    ...good.map((text) => text.replace('"currency"', '"curency"')),
    good.join().slice(0, -9),
    "",
  ];
  const ask = async (body: string) => {
    const headers = { "content-type": "application/json" };
    const response = await request.post("/api/quote", { headers, data: Buffer.from(body) });
    return { status: response.status(), text: await response.text() };
  };
  const alone: Awaited<ReturnType<typeof ask>>[] = [];
  for (const body of bodies) alone.push(await ask(body));
  expect(new Set(alone.map(({ status }) => status))).toEqual(new Set([200, 400, 422]));
  expect(new Set(alone.map(({ text }) => text)).size).toBeGreaterThan(names.length);
  // Each three times over, and not in the order in which they were asked alone.
  const asked = [...bodies, ...bodies, ...bodies].map((_, i) => (i * 7) % bodies.length);
  const together = await Promise.all(asked.map((i) => ask(bodies[i] ?? "")));
  expect(together).toEqual(asked.map((i) => alone[i]));
});

test("files come as compressed as whoever asks can read them, and are the same", async ({ page, request }) => {
  await page.goto("/sign-in");
  const src = await page
    .locator("script[src], astro-island")
    .first()
    .evaluate((element) => element.getAttribute("component-url") ?? element.getAttribute("src") ?? "");
  const lengths: number[] = [];
  const texts = new Set<string>();
  for (const [asked, sent] of [
    ["br, gzip", "br"],
    ["gzip", "gzip"],
    ["identity", undefined],
  ] as const) {
    const response = await request.get(src, { headers: { "accept-encoding": asked } });
    expect([asked, response.headers()["content-encoding"]]).toEqual([asked, sent]);
    expect(response.headers()).toMatchObject({
      "content-type": expect.stringMatching(/^text\/javascript/),
      "cache-control": "public, max-age=31536000, immutable",
      vary: "Accept-Encoding",
    });
    lengths.push(Number(response.headers()["content-length"]));
    texts.add(await response.text());
  }
  expect(texts.size).toBe(1);
  const [brotli = 0, gzip = 0, whole = 0] = lengths;
  expect(brotli).toBeLessThan(gzip);
  expect(gzip).toBeLessThan(whole / 1.5);
});

test("regions come country by country, and a country that is none is refused", async ({ request }) => {
  const portugal: { regions: { code: string; name: string }[] } = await (await request.get("/api/regions/PT")).json();
  // ISO 3166-2: eighteen districts and two autonomous regions.
  expect(portugal.regions).toHaveLength(20);
  expect(portugal.regions).toContainEqual({ code: "PT-20", name: "Região Autónoma dos Açores" });
  expect((await request.get("/api/regions/XX")).status()).toBe(404);
  expect((await request.get("/api/regions/%3Cb%3E")).status()).toBe(404);
});

test("a change-set on an old revision is refused with both versions; one that breaks the plan says where", async ({
  request,
}) => {
  const draft: Draft = await (await request.get("/api/draft")).json();
  const offer = draft.entities.find(({ kind }) => kind === "offer");
  if (!offer) throw new Error("the demo has no offer");
  const write = (seen: number, body: object) =>
    request.post("/api/draft/changes", { data: { writes: [{ kind: "offer", id: offer.id, seen, body }] } });

  expect((await write(offer.revision, { ...offer.body, name: "First" })).status()).toBe(200);
  const stale = await write(offer.revision, { ...offer.body, name: "Second" });
  expect(stale.status()).toBe(409);
  const refused: ProblemDocument = await stale.json();
  expect(refused.conflicts).toEqual([
    {
      kind: "offer",
      id: offer.id,
      seen: offer.revision,
      current: { revision: draft.sequence + 1, body: { ...offer.body, name: "First" } },
      yours: { ...offer.body, name: "Second" },
    },
  ]);

  const broken = await write(draft.sequence + 1, { ...offer.body, zones: ["atlantis"] });
  expect(broken.status()).toBe(422);
  const problem: ProblemDocument = await broken.json();
  expect(problem.errors).toEqual([
    { pointer: "#/writes/0/body/zones/0", detail: 'there is no zone "atlantis"', phrase: expect.anything() },
  ]);

  const removed = await request.post("/api/draft/changes", {
    data: {
      writes: [
        {
          kind: "option",
          id: "standard",
          seen: draft.entities.find(({ id }) => id === "standard")?.revision,
          body: null,
        },
      ],
    },
  });
  expect(removed.status()).toBe(422);
  const after: Draft = await (await request.get("/api/draft")).json();
  expect(after.sequence).toBe(draft.sequence + 1);
});

test("hostile text in names and wording is shown as text", async ({ page, request }) => {
  const draft: Draft = await (await request.get("/api/draft")).json();
  const body = await demo("plan.json");
  const hostile = '<img src=x onerror="document.title=1"><script>document.title=2</script>';
  const option = JSON.parse(body).options[0];
  const seen = draft.entities.find(({ id }) => id === "standard")?.revision;
  const write = {
    kind: "option",
    id: "standard",
    seen,
    body: { ...option, name: { en: hostile }, note: { en: hostile } },
  };
  expect((await request.post("/api/draft/changes", { data: { writes: [write] } })).status()).toBe(200);
  await page.goto("/offers");
  await expect(page.getByRole("heading", { level: 2 }).first()).toContainText("<img src=x");
  await expect(page.getByRole("complementary", { name: "Shopper view" })).toContainText("<script>");
  await expect(page).toHaveTitle("Offers · Summant");
});

test("a shop claims a code once per shopper, its quotes know, a cancelled order gives it back", async ({ request }) => {
  const post = async (path: string, data: object) => {
    const response = await request.post(path, { data });
    return { status: response.status(), body: await response.json() };
  };
  const base = JSON.parse(await demo("requests/berlin-guest.json"));
  const asked = { ...base, shopper: { id: "s-77", signedIn: false }, cart: { ...base.cart, codes: ["paperpost"] } };
  const post1 = async () => {
    const { body } = await post("/api/quote", asked);
    return body.options.find(({ id }: { id: string }) => id === "post").price;
  };
  expect(await post1()).toBe(0);
  const claim = { order: "o-1", offers: ["newsletter"], shopper: "s-77" };
  expect(await post("/api/redemptions", claim)).toEqual({ status: 200, body: { claimed: ["newsletter"] } });
  expect(await post("/api/redemptions", claim)).toEqual({ status: 200, body: { claimed: ["newsletter"] } });
  expect(await post("/api/redemptions", { ...claim, order: "o-2" })).toMatchObject({
    status: 409,
    body: { refused: { offer: "newsletter", reason: "shopper-limit-reached" } },
  });
  expect(await post1()).toBeGreaterThan(0);
  expect(await post("/api/redemptions/cancel", { order: "o-1" })).toEqual({
    status: 200,
    body: { givenBack: ["newsletter"] },
  });
  expect(await post1()).toBe(0);
  expect(await (await request.get("/api/redemptions")).json()).toEqual({ uses: { newsletter: 0 } });
});

test("whatever connection asks next, it is answered by what was written last", async ({ request, baseURL }) => {
  const base = JSON.parse(await demo("requests/berlin-guest.json"));
  const body = JSON.stringify({
    ...base,
    shopper: { id: "s-78", signedIn: false },
    cart: { ...base.cart, codes: ["paperpost"] },
  });
  const { cookies } = await request.storageState();
  const headers = {
    "content-type": "application/json",
    cookie: cookies.map(({ name, value }) => `${name}=${value}`).join("; "),
  };
  // Over a connection of its own, so that every front is asked.
  const alone = () =>
    new Promise<{ price: number; release: string | undefined }>((resolve, reject) => {
      const address = new URL("/api/quote", baseURL);
      const asked = http.request(address, { method: "POST", agent: false, headers }, (answer) => {
        json(answer).then((quoted) => {
          const { options } = quoted as { options: { id: string; price: number }[] };
          const price = options.find(({ id }) => id === "post")?.price ?? Number.NaN;
          resolve({ price, release: String(answer.headers["summant-release"]) });
        }, reject);
      });
      asked.once("error", reject).end(body);
    });
  const everywhere = () => Promise.all(Array.from({ length: 8 }, alone));
  const free = (answers: Awaited<ReturnType<typeof everywhere>>) => answers.map(({ price }) => price === 0);
  const all = (isFree: boolean) => Array.from({ length: 8 }, () => isFree);
  const claim = { order: "o-3", offers: ["newsletter"], shopper: "s-78" };
  for (let round = 0; round < 5; round += 1) {
    expect(free(await everywhere())).toEqual(all(true));
    expect((await request.post("/api/redemptions", { data: claim })).status()).toBe(200);
    expect(free(await everywhere())).toEqual(all(false));
    expect((await request.post("/api/redemptions/cancel", { data: { order: "o-3" } })).status()).toBe(200);
  }
  for (let round = 0; round < 3; round += 1) {
    const { entities }: Draft = await (await request.get("/api/draft")).json();
    const offer = entities.find(({ kind, id }) => kind === "offer" && id === "newsletter");
    if (!offer) throw new Error("there is no such offer");
    const writes = [
      { kind: "offer", id: offer.id, seen: offer.revision, body: { ...offer.body, name: `Newsletter ${round}` } },
    ];
    const saved: { sequence: number } = await (await request.post("/api/draft/changes", { data: { writes } })).json();
    const made = await request.post("/api/releases", { data: { sequence: saved.sequence } });
    expect(made.status()).toBe(201);
    const { number }: { number: number } = await made.json();
    expect((await everywhere()).map(({ release }) => release)).toEqual(Array.from({ length: 8 }, () => String(number)));
  }
});

test("what is kept, imported and claimed is checked too, and says where it is wrong", async ({ request }) => {
  const refused = async (path: string, data: object) => {
    const response = await request.post(path, { data });
    const { errors }: ProblemDocument = await response.json();
    return [response.status(), errors?.[0]?.pointer];
  };
  expect(await refused("/api/redemptions", { order: "", offers: ["newsletter"] })).toEqual([422, "#/order"]);
  expect(await refused("/api/redemptions", { order: "o", offers: [] })).toEqual([422, "#/offers"]);
  expect(await refused("/api/redemptions", { order: "o", offers: ["nothing-such"] })).toEqual([409, "#/offers"]);
  const window = { option: "porto-round", slot: "morning", day: "2026-11-28" };
  expect(await refused("/api/redemptions", { order: "o", offers: [], window })).toEqual([409, "#/window"]);
  expect(await refused("/api/standpoints", { do: "keep", id: "x", name: "x", body: {} })).toEqual([
    422,
    "#/body/country",
  ]);
  const from = { country: "PT", region: "", postcode: "", currency: "EUR", locale: "en", shopper: null, moment: null };
  const away = { ...from, moods: {}, away: { location: "workshop", km: -1 } };
  expect(await refused("/api/standpoints", { do: "keep", id: "x", name: "x", body: away })).toEqual([
    422,
    "#/body/away/km",
  ]);
  expect(await refused("/api/standpoints", { do: "burn" })).toEqual([422, "#"]);
  expect(await refused("/api/samples", { do: "keep", samples: [{ id: "x", name: "x", request: {} }] })).toEqual([
    422,
    "#/samples/0/request/at",
  ]);
  const cart = { id: "x", name: "x", lines: [{ sku: "no-such-thing", quantity: 1 }] };
  expect(await refused("/api/sample-carts", { do: "keep", cart })).toEqual([422, "#/cart/lines/0/sku"]);
  expect(await refused("/api/products", { products: [{ sku: "x", name: "x", prices: { EUR: "-1" } }] })).toEqual([
    422,
    "#/products/0/prices/EUR",
  ]);
  const rows = { do: "rows", import: "i", header: ["sku", "name", "price_EUR"], first: 2, rows: [["a", "A", "1,50"]] };
  expect(await refused("/api/products/import", rows)).toEqual([422, "#row 2, column 3"]);
  expect(await refused("/api/draft/check", { format: 2 })).toEqual([422, "#/store"]);
  const large = { products: [{ sku: "x", name: "x".repeat(2_000_000), prices: {} }] };
  expect((await request.post("/api/products", { data: large })).status()).toBe(413);
  // An import that was begun and never finished leaves the catalogue as it was.
  const good = { ...rows, rows: [["half-there", "Half", "1.50"]] };
  expect((await request.post("/api/products/import", { data: good })).status()).toBe(200);
  const found = await (await request.get("/api/products?search=half-there")).json();
  expect(found).toMatchObject({ products: [], tally: { products: 83 } });
});
