// @vitest-environment jsdom
import { fireEvent, render } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Plan } from "../../../../core/plan/plan.ts";
import { coverageOf } from "../../../../core/queries/coverage.ts";
import { COUNTRY_CODES } from "../../../names/country-codes.ts";
import { demoPlan } from "../../../tests/demo-plan.ts";
import { CoverageMap } from "./coverage-map.tsx";

const plan = demoPlan();
const coverage = coverageOf(plan, COUNTRY_CODES);

function drawn(shown: Plan, chosen: string | null = null) {
  const asked: string[] = [];
  const { container } = render(
    <CoverageMap
      plan={shown}
      coverage={coverageOf(shown, COUNTRY_CODES)}
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
    const { asked, country, titleOf } = drawn(plan);
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
    const without = (zone: string): Plan => ({
      ...plan,
      options: plan.options.map((option) => ({ ...option, zones: option.zones.filter((id) => id !== zone) })),
    });
    expect(drawn(without("japan")).titleOf("JP")).toBe("JP: nobody");
    const twice = plan.zones.map((zone) =>
      zone.id === "kuwait" ? { ...zone, destinations: [...zone.destinations, { country: "JP" }] } : zone,
    );
    const { titleOf, country } = drawn({ ...plan, zones: twice });
    expect(titleOf("JP")).toBe("JP: japan, claimed twice");
    expect(country("JP")?.getAttribute("class")).toContain("claimed-twice");
  });

  it("shows a country by its regions where they are known, each as the plan serves it", () => {
    const { titleOf, country } = drawn(plan, "alaska-hawaii");
    expect(country("US")).toBeNull();
    expect(titleOf("US-AK")).toBe("US-AK: alaska-hawaii");
    expect(country("US-AK")?.getAttribute("class")).toContain("fill-primary");
    expect(titleOf("US-TX")).toBe("US-TX: united-states");
  });

  it("shows the chosen zone's places apart from all others", () => {
    const { country } = drawn(plan, "japan");
    expect(country("JP")?.getAttribute("class")).toContain("fill-primary");
    expect(country("FR")?.getAttribute("class")).not.toContain("fill-primary");
  });
});
