import { afterAll, beforeEach, describe, expect, it } from "vitest";
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
import { saveProducts } from "./import-products.ts";
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
