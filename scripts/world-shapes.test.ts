import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { COUNTRY_CODES } from "../web/names/country-codes.ts";
import { regionShapes, worldMapText, worldShapes } from "./world-shapes.ts";

describe("the world on the coverage map", () => {
  it("is what the script makes of the data set", () => {
    const kept = readFileSync(new URL("../web/sections/places/map/world.js", import.meta.url), "utf8");
    expect(kept).toBe(worldMapText());
  });

  it("has every country of ISO 3166-1 once, but for territories that the data set counts to their country", () => {
    const { land, points } = worldShapes();
    const drawn = [...land.map(([code]) => code).filter((code) => code !== ""), ...points.map(([code]) => code)];
    const missing = COUNTRY_CODES.filter((code) => !drawn.includes(code));
    expect(missing).toEqual(["AQ", "BQ", "BV", "CC", "CX", "GF", "GI", "GP", "MQ", "RE", "SJ", "TK", "TV", "UM", "YT"]);
    for (const code of new Set(drawn)) expect(COUNTRY_CODES).toContain(code);
  });

  it("has the fifty states and the District of Columbia, each with an outline of its own", () => {
    const regions = regionShapes();
    expect(regions).toHaveLength(51);
    expect(new Set(regions.map(([, outline]) => outline)).size).toBe(51);
    // Alaska lies west of Maine, and Hawaii south of both.
    const at = (code: string) => {
      const [x = 0, y = 0] = (regions.find(([one]) => one === code)?.[1].match(/-?[\d.]+/g) ?? []).map(Number);
      return { x, y };
    };
    expect(at("US-AK").x).toBeLessThan(at("US-ME").x);
    expect(at("US-HI").y).toBeGreaterThan(at("US-ME").y);
  });
});
