import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountsIn } from "../money/amounts-in.ts";
import type { Zone } from "../places/market.ts";
import type { Plan } from "../plan/plan.ts";
import type { Destination } from "../request/request.ts";
import { anyCase } from "../tests/arbitrary.ts";
import { compiledPlan, quoteOf } from "../tests/compiled.ts";

const CLAIMS = [
  { id: "islands", destinations: [{ region: "PT-30" }, { country: "PT", postcodes: ["9000..9399"] }] },
  { id: "capital", destinations: [{ country: "PT", postcodes: ["1*"] }] },
  // A district that postcodes do not tell.
  { id: "lisbon", destinations: [{ region: "PT-11" }] },
  { id: "mainland", destinations: [{ country: "PT", exceptRegions: ["PT-20"] }] },
] satisfies Pick<Zone, "id" | "destinations">[];

const WAYS: { known: Destination; full: Destination[] }[] = [
  {
    known: { country: "PT" },
    full: [
      { country: "PT", postcode: "9000-001" },
      { country: "PT", postcode: "1000-001" },
      { country: "PT", postcode: "4000-001" },
      { country: "PT", region: "PT-30", postcode: "5000-001" },
      { country: "PT", region: "PT-20", postcode: "5000-001" },
    ],
  },
  {
    known: { country: "PT", region: "PT-30" },
    full: [
      { country: "PT", region: "PT-30", postcode: "9000-001" },
      { country: "PT", region: "PT-30", postcode: "1000-001" },
      { country: "PT", region: "PT-30", postcode: "4000-001" },
    ],
  },
  {
    known: { country: "PT", postcode: "4000-001" },
    full: [
      { country: "PT", region: "PT-11", postcode: "4000-001" },
      { country: "PT", region: "PT-13", postcode: "4000-001" },
    ],
  },
  {
    known: { country: "PT", postcode: "9000-001" },
    full: [{ country: "PT", region: "PT-30", postcode: "9000-001" }],
  },
  {
    known: {},
    full: [{ country: "PT", postcode: "9000-001" }, { country: "PT", postcode: "4000-001" }, { country: "DE" }],
  },
];

/** Several zones in place of the drawn one, each with some of its options and offers. */
function inSeveralZones(plan: Plan, draws: readonly boolean[]): Plan {
  const [drawn] = plan.zones;
  if (!drawn) throw new Error("no zone was drawn");
  const some = (offset: number) => CLAIMS.filter((_, i) => draws[(offset + i) % draws.length]).map(({ id }) => id);
  const own = structuredClone(plan);
  for (const amount of amountsIn(own)) if (amount.byZone) amount.byZone = { islands: amount.byZone.zone ?? {} };
  const stopped = draws[13] ? { on: false, whenOff: "stops-selling" as const } : {};
  return {
    ...own,
    zones: CLAIMS.map((claim, position) => ({
      ...drawn,
      ...claim,
      position,
      name: claim.id,
      ...(claim.id === "capital" ? stopped : {}),
    })),
    options: own.options.map((option, i) => ({ ...option, zones: some(4 * i) })),
    offers: own.offers.map((offer, i) => ({ ...offer, zones: some(8 + 4 * i) })),
  };
}

describe("a place that is only partly known", () => {
  it("is answered only with what holds for every address that completes it", () => {
    const counts = { prices: 0, from: 0, promises: 0 };
    fc.assert(
      fc.property(
        anyCase(9000),
        fc.array(fc.oneof({ weight: 3, arbitrary: fc.constant(true) }, fc.constant(false)), {
          minLength: 15,
          maxLength: 15,
        }),
        fc.constantFrom(...WAYS),
        (drawn, draws, { known, full }) => {
          const compiled = compiledPlan(inSeveralZones(drawn.plan, draws));
          const stated = quoteOf(compiled, { ...drawn.request, destination: known });
          for (const destination of full) {
            const actual = quoteOf(compiled, { ...drawn.request, destination });
            expect(actual.totals).toEqual(stated.totals);
            if (actual.zone === null) expect(stated.orNowhere).toBe(true);
            else expect(stated.zonesPossible ?? [stated.zone]).toContain(actual.zone);
            for (const option of stated.options) {
              const real = actual.options.find(({ id }) => id === option.id);
              if (option.certain && option.available) expect(real?.available).toBe(true);
              if (!real?.available || option.price === null || real.price === null) continue;
              if (option.from) expect(real.price).toBeGreaterThanOrEqual(option.price);
              else expect(real.price).toBe(option.price);
              counts[option.from ? "from" : "prices"] += 1;
              if (option.total !== null) expect(real.total).toBe(option.total);
              for (const offer of option.offers) expect(real.offers).toContain(offer);
              if (option.chosen) expect(real.chosen).toBe(true);
            }
            for (const step of stated.progress) {
              if (step.state === "place-unknown") continue;
              expect(actual.progress).toContainEqual(step);
              counts.promises += 1;
            }
          }
        },
      ),
      { numRuns: 500 },
    );
    expect(Math.min(...Object.values(counts))).toBeGreaterThan(50);
  });
});
