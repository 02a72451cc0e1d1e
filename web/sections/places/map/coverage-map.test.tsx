// @vitest-environment jsdom
import { fireEvent, render } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { type Coverage, coverageOf } from "../../../../core/queries/coverage.ts";
import { COUNTRY_CODES } from "../../../names/country-codes.ts";
import { demoPlan } from "../../../tests/demo-plan.ts";
import { CoverageMap } from "./coverage-map.tsx";

const plan = demoPlan();
const coverage = coverageOf(plan, COUNTRY_CODES);

function drawn(shown: Coverage, chosen: string | null = null) {
  const asked: string[] = [];
  const { container } = render(
    <CoverageMap
      coverage={shown}
      nameOf={(code) => code}
      zoneName={(id) => id}
      chosen={chosen}
      onZone={(id) => asked.push(id)}
    />,
  );
  const country = (code: string) => container.querySelector(`[data-country="${code}"]`);
  return { asked, country, titleOf: (code: string) => country(code)?.querySelector("title")?.textContent };
}

describe("the coverage map", () => {
  it("says of every country what the coverage says, and leads to the zone that serves it", () => {
    const { asked, country, titleOf } = drawn(coverage);
    const served = coverage.rows.filter(({ code, zones }) => zones.length > 0 && country(code));
    expect(served.length).toBeGreaterThan(25);
    for (const { code, zones } of served) {
      expect(titleOf(code)).toBe(`${code}: ${zones.join(", ")}`);
      fireEvent.click(country(code) ?? document.body);
      expect(asked.at(-1)).toBe(zones[0]);
    }
    expect(titleOf("BR")).toBe("BR: nobody");
  });

  it("counts a zone without options as nobody, and hatches what is claimed twice", () => {
    const empty = { ...coverage, emptyZones: ["japan"] };
    expect(drawn(empty).titleOf("JP")).toBe("JP: nobody");
    const rows = coverage.rows.map((row) => (row.code === "JP" ? { ...row, claimedTwice: ["japan", "kuwait"] } : row));
    const { titleOf, country } = drawn({ ...coverage, rows });
    expect(titleOf("JP")).toBe("JP: japan, claimed twice");
    expect(country("JP")?.getAttribute("class")).toContain("claimed-twice");
  });

  it("shows the chosen zone's places apart from all others", () => {
    const { country } = drawn(coverage, "japan");
    expect(country("JP")?.getAttribute("class")).toContain("fill-primary");
    expect(country("FR")?.getAttribute("class")).not.toContain("fill-primary");
  });
});
