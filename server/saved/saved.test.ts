import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { english } from "../../core/phrases/speak.ts";
import { inEnglish } from "../../core/tests/in-english.ts";
import { databaseUrl, openPool } from "../database/pool.ts";
import { savedAddresses } from "./addresses.ts";
import { checkSample } from "./samples.ts";
import { dropSaved, listSaved, save } from "./saved.ts";
import { checkStandpoint } from "./standpoint.ts";

const pool = openPool(databaseUrl(), 3);
afterAll(() => pool.end());
beforeEach(() => pool.query("DELETE FROM kept"));

const standpoint = {
  country: "PT",
  region: "",
  postcode: "3000-001",
  currency: "EUR",
  locale: "pt",
  shopper: null,
  moment: null,
  moods: {},
};
const sample = {
  id: "plain",
  name: "Plain",
  request: {
    at: "2026-11-28T10:00:00Z",
    currency: "EUR",
    destination: { country: "PT", postcode: "9000-001" },
    cart: { lines: [] },
  },
};
const kept = () => listSaved(pool, "standpoint", checkStandpoint);

describe("what a team saves beside its plan", () => {
  it("is kept under its id and name, replaced by the same id, and dropped by kind", async () => {
    await save(pool, "standpoint", { id: "a", name: "Mainland", body: standpoint });
    await save(pool, "sample", { id: "a", name: "Another kind", body: sample });
    await save(pool, "standpoint", { id: "b", name: "Second", body: standpoint });
    await save(pool, "standpoint", { id: "a", name: "Renamed", body: { ...standpoint, locale: "en" } });
    const { kept: all, setAside } = await kept();
    expect(setAside).toEqual([]);
    // In the order in which they came; a replaced one keeps its place.
    expect(all.map(({ id, name, body }) => [id, name, body.locale])).toEqual([
      ["a", "Renamed", "en"],
      ["b", "Second", "pt"],
    ]);
    await dropSaved(pool, "standpoint", "a");
    expect((await kept()).kept.map(({ id }) => id)).toEqual(["b"]);
    expect((await listSaved(pool, "sample", checkSample)).kept).toHaveLength(1);
  });

  it("is set aside, with why, where nobody can use it any more", async () => {
    await save(pool, "standpoint", { id: "money", name: "Old money", body: { ...standpoint, currency: "PTE" } });
    await save(pool, "standpoint", { id: "form", name: "Old form", body: { country: "PT" } });
    await pool.query(
      "INSERT INTO kept (kind, id, name, body, kept_at) VALUES ('standpoint', 'text', 'No JSON', '{', NOW())",
    );
    await save(pool, "standpoint", { id: "good", name: "Good", body: standpoint });
    const { kept: good, setAside } = await kept();
    expect(good.map(({ id }) => id)).toEqual(["good"]);
    expect(Object.fromEntries(setAside.map(({ id, why }) => [id, english(why)]))).toMatchObject({
      money: expect.stringMatching(/currency "PTE" is no active/),
      form: expect.stringMatching(/region is missing/),
      text: expect.stringMatching(/./),
    });
  });

  it("is looked at where checks look for addresses", async () => {
    await save(pool, "standpoint", { id: "s", name: "Mainland", body: standpoint });
    await save(pool, "sample", { id: "plain", name: "Plain", body: sample });
    expect(inEnglish(await savedAddresses(pool))).toEqual([
      { whose: "The standpoint “Mainland”", destination: { country: "PT", postcode: "3000-001" } },
      { whose: "The sample “Plain”", destination: sample.request.destination },
    ]);
  });
});
