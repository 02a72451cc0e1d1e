import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Condition } from "../conditions/condition.ts";
import { SURFACES } from "../messages/states.ts";
import type { Notice } from "../offers/notice.ts";
import type { Plan } from "../plan/plan.ts";
import { planProblems } from "../plan/problems/plan-problems.ts";
import { explainAt } from "../queries/explain-at.ts";
import { anyCase, anyCondition } from "../tests/arbitrary.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";
import type { Schedule } from "../time/stretch.ts";

const AT = "2026-11-28T10:00:00Z";
const notice = (id: string, more: Partial<Notice> = {}): Notice => ({
  id,
  position: 1,
  name: id,
  on: true,
  zones: [],
  surfaces: ["banner", "cart"],
  texts: { en: `${id} in English`, pt: `${id} em português` },
  ...more,
});

/** Two zones of one market, told apart by region. */
const inTwoZones = (plan: Plan, notices: Notice[]): Plan => ({
  ...plan,
  zones: plan.zones.flatMap((zone) => [
    zone,
    { ...zone, id: "islands", position: 2, name: "Islands", destinations: [{ region: "PT-20" }] },
  ]),
  notices,
});

const schedules = fc.constantFrom<Schedule | undefined>(
  undefined,
  [{ from: "2026-11-28", until: "2026-11-28" }],
  [{ until: "2026-11-27" }],
  [{ from: "2026-12-01" }],
  [{ until: "2026-11-01" }, { from: "2026-11-28T09:00", until: "2026-11-28T11:00" }],
);

describe("notices", () => {
  it("are told exactly where, when and to whom they are for, and change nothing else of the answer", () => {
    const drawn = fc.record({
      on: fc.boolean(),
      zones: fc.subarray(["zone", "islands"]),
      schedule: schedules,
      when: fc.option(anyCondition("EUR", 6000), { nil: undefined }),
      surfaces: fc.subarray([...SURFACES], { minLength: 1 }),
    });
    let told = 0;
    fc.assert(
      fc.property(anyCase(6000), fc.array(drawn, { maxLength: 3 }), fc.boolean(), (one, list, onIslands) => {
        const [currency = "EUR"] = one.plan.markets[0]?.currencies ?? [];
        const inCurrency = (when: Condition | undefined): Condition | undefined =>
          when &&
          JSON.parse(
            JSON.stringify(when)
              .replaceAll('"EUR":', `"${currency}":`)
              .replaceAll(/("[A-Z]{3}":"\d+)\.\d+"/g, '$1"'),
          );
        const notices = list.map(({ when, schedule, ...rest }, i) => {
          const asked = inCurrency(when);
          return notice(`n${i}`, {
            ...rest,
            position: i,
            ...(asked ? { when: asked } : {}),
            ...(schedule ? { schedule } : {}),
          });
        });
        const plan = inTwoZones(one.plan, notices);
        const request = {
          ...one.request,
          at: AT,
          destination: onIslands
            ? { country: "PT", region: "PT-20", postcode: "9500-001" }
            : { country: "PT", postcode: "4000-001", region: "PT-13" },
        };
        const compiled = compiledPlan(plan);
        const { notices: answered = [], ...rest } = quoteOf(compiled, request);
        expect(rest).toEqual(quoteOf(compiledPlan(inTwoZones(one.plan, [])), request));
        const zone = onIslands ? "islands" : "zone";
        const wanted = SURFACES.flatMap((surface) =>
          notices
            .filter(
              ({ on, zones, schedule, when, surfaces }) =>
                on &&
                surfaces.includes(surface) &&
                (zones.length === 0 || zones.includes(zone)) &&
                // Of the stretches above, the first and the last are about this moment.
                (!schedule || schedule.at(-1)?.from?.startsWith("2026-11-28") === true) &&
                (!when || explainAt(compiled, request, when)?.truth === true),
            )
            .map(({ id }) => ({ surface, notice: id, text: `${id} in English` })),
        );
        expect(answered).toEqual(wanted);
        told += wanted.length;
      }),
      { seed: 20261126, numRuns: 300 },
    );
    expect(told).toBeGreaterThan(80);
  });

  it("are told to whoever may be in several zones where all of them have it, in the shopper's language", () => {
    const [drawn] = fc.sample(anyCase(3000), { seed: 1, numRuns: 1 });
    if (!drawn) throw new Error("nothing was drawn");
    const link = { to: "/help", texts: { pt: "saber mais" } };
    const compiled = compiledPlan(
      inTwoZones(drawn.plan, [
        notice("all", { position: 2 }),
        notice("some", { zones: ["islands"] }),
        notice("first", { link }),
      ]),
    );
    const answer = quoteOf(compiled, { ...drawn.request, locale: "pt-PT", destination: {} });
    expect(answer.orNowhere).toBe(true);
    expect(answer.notices?.filter(({ surface }) => surface === "cart")).toEqual([
      { surface: "cart", notice: "first", text: "first em português", link: { to: "/help", text: "saber mais" } },
      { surface: "cart", notice: "all", text: "all em português" },
    ]);
    // Nobody is served there at all.
    expect(quoteOf(compiled, { ...drawn.request, destination: { country: "DE" } })).not.toHaveProperty("notices");
  });

  it("are refused with their place where they name what is not there", () => {
    const [drawn] = fc.sample(anyCase(3000), { seed: 1, numRuns: 1 });
    const bad = notice("n", {
      zones: ["nowhere"],
      when: { kind: "saved", id: "gone" },
      schedule: [{ from: "2026-02-30" }],
    });
    const problems = drawn ? planProblems({ ...drawn.plan, notices: [bad, bad] }) : [];
    expect(problems.map(({ path }) => path)).toEqual(
      expect.arrayContaining([
        "/notices/1/id",
        "/notices/0/zones/0",
        "/notices/0/when/id",
        "/notices/0/schedule/0/from",
      ]),
    );
  });
});
