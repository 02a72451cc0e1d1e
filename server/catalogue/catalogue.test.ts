import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { inEnglish } from "../../core/tests/in-english.ts";
import { databaseUrl, inTransaction, openPool } from "../database/pool.ts";
import { emptyStore } from "../demo/load-demo.ts";
import {
  allProducts,
  findProducts,
  keepSampleCart,
  listSampleCarts,
  productsNamed,
  productsWithoutWeight,
  removeSampleCart,
  tallyProducts,
} from "./catalogue.ts";
import { finishImport, previewImport, saveProducts, stageProducts } from "./import-products.ts";
import type { Product } from "./product.ts";

const pool = openPool(databaseUrl(), 3);
afterAll(() => pool.end());

const PRODUCTS: readonly Product[] = [
  {
    sku: "ink-50%",
    name: "Iron gall ink, half price",
    prices: { EUR: "6.25", JPY: "980", KWD: "2.100" },
    categories: ["ink", "sale"],
    tags: ["glass"],
    taxRate: "23",
    weight: { value: "0.35", unit: "kg" },
    size: { length: "6", width: "6", height: "9.5", unit: "cm" },
    parcelClass: "fragile",
    used: true,
  },
  { sku: "INK_red", name: "Tinta encarnada Évora", prices: { EUR: "7.00" } },
  {
    sku: "easel",
    name: "Easel",
    prices: { EUR: "90" },
    delivery: { kind: "own-charge", amounts: { EUR: "12.50" }, per: "piece" },
  },
  { sku: "voucher", name: "Voucher", prices: { EUR: "20" }, delivery: { kind: "nothing-to-ship" } },
];

beforeEach(async () => {
  await emptyStore(pool);
  await inTransaction(pool, (connection) => saveProducts(connection, PRODUCTS));
});

const skus = (products: readonly { sku: string }[]) => products.map(({ sku }) => sku);

describe("the catalogue", () => {
  it("says what an import would change before it does: new, changed and untouched products, and what of them", async () => {
    const [ink, red, easel] = PRODUCTS;
    if (!ink || !red || !easel) throw new Error("products are missing");
    const pen = { sku: "pen", name: "Pen", prices: { EUR: "3" } };
    // The same in another writing: no change.
    const easelAgain = { ...easel, prices: { EUR: "90.00" }, categories: [], tags: [], used: false };
    const redder = { ...red, prices: { EUR: "7.50", JPY: "1000" }, weight: { value: "100", unit: "g" } as const };
    const retagged = { ...ink, tags: ["glass", "new"] };
    await stageProducts(pool, "first", 2, [pen, easelAgain]);
    await stageProducts(pool, "first", 4, [redder, retagged]);
    expect(await previewImport(pool, "first")).toEqual({
      added: 1,
      changed: 2,
      same: 1,
      examples: [
        { sku: "pen", name: "Pen", differences: [] },
        {
          sku: "INK_red",
          name: red.name,
          differences: expect.arrayContaining([
            { part: "prices EUR", before: "7.00", after: "7.50" },
            { part: "prices JPY", before: "nothing", after: "1000" },
            { part: "weight", before: "nothing", after: "value:100, unit:g" },
          ]),
        },
        { sku: "ink-50%", name: ink.name, differences: [{ part: "tags", before: "glass", after: "glass, new" }] },
      ],
    });
    expect((await findProducts(pool, "Pen", 10)).map(({ sku }) => sku)).toEqual([]);
    expect(await finishImport(pool, "first")).toEqual({ taken: 4 });
    await stageProducts(pool, "again", 2, [pen, easelAgain, redder, retagged]);
    expect(await previewImport(pool, "again")).toEqual({ added: 0, changed: 0, same: 4, examples: [] });
    await stageProducts(pool, "again", 3, [pen]);
    expect(inEnglish(await previewImport(pool, "again"))).toEqual({
      problems: [{ path: "SKU pen", message: "is there twice" }],
    });
  });

  it("keeps sample carts as they are sold: prices, discounts, used goods and codes", async () => {
    const cart = {
      id: "sale",
      name: "On sale",
      lines: [
        { sku: "easel", quantity: 1, asSold: { prices: { EUR: "75.00" }, off: { EUR: "5" }, used: true } },
        { sku: "INK_red", quantity: 2 },
      ],
      codes: ["INKLOVE"],
      discounts: [{ percent: "10" }, { amounts: { EUR: "2.50" } }],
    };
    await keepSampleCart(pool, cart);
    expect(await listSampleCarts(pool)).toEqual([cart]);
    const plain = { id: "sale", name: "Plain", lines: [{ sku: "easel", quantity: 3 }] };
    await keepSampleCart(pool, plain);
    expect(await listSampleCarts(pool)).toEqual([plain]);
  });

  it("gives products back whole, with prices in minor units of each currency", async () => {
    const [ink, , easel, voucher] = (await findProducts(pool, "", 10)).toSorted(
      (a, b) => skus(PRODUCTS).indexOf(a.sku) - skus(PRODUCTS).indexOf(b.sku),
    );
    expect(ink).toMatchObject({ ...PRODUCTS[0], prices: { EUR: 625, JPY: 980, KWD: 2100 } });
    expect(easel?.delivery).toEqual({ kind: "own-charge", amounts: { EUR: 1250 }, per: "piece" });
    expect(voucher?.delivery).toEqual({ kind: "nothing-to-ship" });
    expect(voucher).not.toHaveProperty("weight");
  });

  it("is searched by what is typed, letter for letter but for case and accents", async () => {
    expect(skus(await findProducts(pool, "evora", 10))).toEqual(["INK_red"]);
    expect(skus(await findProducts(pool, "ink_", 10))).toEqual(["INK_red"]);
    expect(skus(await findProducts(pool, "50%", 10))).toEqual(["ink-50%"]);
    expect(skus(await findProducts(pool, "%", 10))).toEqual(["ink-50%"]);
    expect(skus(await findProducts(pool, "\\", 10))).toEqual([]);
    expect((await findProducts(pool, "ink", 1)).length).toBe(1);
  });

  it("knows which of what is shipped has no weight", async () => {
    expect(await tallyProducts(pool)).toEqual({ products: 4, withoutWeight: 2 });
    expect(skus(await productsWithoutWeight(pool, 10)).sort()).toEqual(["INK_red", "easel"]);
    expect(await productsWithoutWeight(pool, 1)).toHaveLength(1);
  });

  it("finds products by name, leaves out those that are not there, and compares to the letter", async () => {
    expect(skus(await productsNamed(pool, ["voucher", "nothing", "easel", "EASEL"])).sort()).toEqual([
      "easel",
      "voucher",
    ]);
    expect(await productsNamed(pool, [])).toEqual([]);
  });

  it("is read whole, in parts, each product once", async () => {
    const many = Array.from({ length: 4500 }, (_, i) => ({ sku: `p-${i}`, name: `P ${i}`, prices: { EUR: "1" } }));
    await inTransaction(pool, (connection) => saveProducts(connection, many));
    const parts: number[] = [];
    const seen = new Set<string>();
    for await (const part of allProducts(pool)) {
      parts.push(part.length);
      for (const { sku } of part) seen.add(sku);
    }
    expect(parts).toEqual([2000, 2000, 504]);
    expect(seen.size).toBe(4504);
  });

  it("keeps sample carts in their order: a new one behind, a new version in its place", async () => {
    const cart = (id: string, name: string) => ({ id, name, lines: [{ sku: "easel", quantity: 2 }] });
    for (const one of [cart("a", "A"), cart("b", "B"), cart("c", "C"), cart("b", "B again")])
      await keepSampleCart(pool, one);
    expect((await listSampleCarts(pool)).map(({ name }) => name)).toEqual(["A", "B again", "C"]);
    await removeSampleCart(pool, "a");
    // Kept at the same time, none takes the other's place.
    const together = ["d", "e", "f", "g"].map((id) => cart(id, id.toUpperCase()));
    await Promise.all(together.map((one) => keepSampleCart(pool, one)));
    expect((await listSampleCarts(pool)).map(({ id }) => id).sort()).toEqual(["b", "c", "d", "e", "f", "g"]);
    for (const { id } of together) await removeSampleCart(pool, id);
    await keepSampleCart(pool, { id: "empty", name: "Empty", lines: [] });
    expect(await listSampleCarts(pool)).toEqual([
      cart("b", "B again"),
      cart("c", "C"),
      { id: "empty", name: "Empty", lines: [] },
    ]);
  });
});
