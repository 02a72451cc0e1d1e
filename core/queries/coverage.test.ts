import { readFileSync } from "node:fs";
import { iso31661 } from "iso-3166/1.js";
import { describe, expect, it } from "vitest";
import { indexPlaces, resolvePlace } from "../places/resolve.ts";
import { parentOf } from "../places/territory.ts";
import type { Plan } from "../plan/plan.ts";
import { coverageOf } from "./coverage.ts";

const demo: Plan = JSON.parse(readFileSync(new URL("../../demo/plan.json", import.meta.url), "utf8"));
const countries = iso31661.filter(({ state }) => state === "assigned").map(({ alpha2 }) => alpha2);

describe("coverage", () => {
  it("tells of every country of ISO 3166-1 what an address there is told", () => {
    const { rows } = coverageOf(demo, countries);
    const index = indexPlaces(demo.zones);
    expect(rows.filter(({ code }) => !code.includes("-"))).toHaveLength(249);
    for (const { code, zones, orNowhere } of rows) {
      if (code.includes("-") || parentOf(code) !== undefined) continue;
      const { zones: told, orNowhere: maybe } = resolvePlace(index, { country: code });
      expect([code, zones, orNowhere]).toEqual([code, told, maybe]);
    }
    const served = rows.filter(({ zones }) => zones.length > 0).map(({ code }) => code);
    expect(served).toEqual(expect.arrayContaining(["PT", "PT-30", "US-AK", "JP"]));
    // Puerto Rico is carved out of the United States, by either of its codes.
    expect(served).not.toContain("US-PR");
    expect(served).not.toContain("PR");
  });

  it("finds places claimed twice, zones with nothing to offer and narrow zones that lack what is around them", () => {
    const { emptyZones, lacking, rows } = coverageOf(demo, countries);
    expect(emptyZones).toEqual([]);
    expect(rows.flatMap(({ claimedTwice }) => claimedTwice)).toEqual([]);
    expect(lacking.map(({ zone, options }) => [zone, options])).toEqual([
      ["madeira", ["express", "freight", "trade-pallet"]],
      ["azores", ["express", "freight", "trade-pallet"]],
      ["alaska-hawaii", ["courier", "veldcart-air"]],
    ]);
    const broken: Plan = {
      ...demo,
      zones: demo.zones.map((zone) => (zone.id === "kuwait" ? { ...zone, destinations: [{ country: "JP" }] } : zone)),
      options: demo.options.map((option) => ({ ...option, zones: option.zones.filter((zone) => zone !== "azores") })),
    };
    const found = coverageOf(broken, countries);
    expect(found.emptyZones).toEqual(["azores"]);
    expect(found.rows.find(({ code }) => code === "JP")?.claimedTwice).toEqual(["japan", "kuwait"]);
    expect(found.rows.find(({ code }) => code === "KW")?.zones).toEqual([]);
  });
});
