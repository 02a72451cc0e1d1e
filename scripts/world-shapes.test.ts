import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { COUNTRY_CODES } from "../web/names/country-codes.ts";
import { worldMapText, worldShapes } from "./world-shapes.ts";

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
});
