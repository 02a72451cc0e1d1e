import * as fc from "fast-check";
import { getDistance, getPreciseDistance } from "geolib";
import { describe, expect, it } from "vitest";

import type { Coordinates } from "./coordinates.ts";
import { distanceBetween, placeAway } from "./distance.ts";

const anywhere = fc.tuple(
  fc.double({ min: -89.9, max: 89.9, noNaN: true }),
  fc.double({ min: -180, max: 180, noNaN: true }),
);
const named = ([latitude, longitude]: Coordinates) => ({ latitude, longitude });

describe("the distance between two places", () => {
  // geolib takes the equator's radius, 6378137 m, for the sphere; here it is the mean radius of the IUGG.
  it("agrees with geolib on a sphere, and with its ellipsoid to six in a thousand", () => {
    fc.assert(
      fc.property(anywhere, anywhere, (a, b) => {
        const ours = distanceBetween(a, b);
        const sphere = getDistance(named(a), named(b), 0.001) * (6_371_008.8 / 6_378_137);
        // Its cosine formula cannot tell very near places apart, nor ends of the Earth.
        if (sphere > 1000 && sphere < 19_900_000) expect(Math.abs(ours - sphere)).toBeLessThan(1 + sphere * 1e-6);
        expect(distanceBetween(b, a)).toBe(ours);
        const metres = Math.abs(Math.round(b[1] * 10_000));
        expect(Math.abs(distanceBetween(a, placeAway(a, metres)) - metres)).toBeLessThanOrEqual(1);
      }),
      { numRuns: 1000 },
    );
    for (const [a, b] of [
      [
        [41.1496, -8.6109],
        [38.7223, -9.1393],
      ],
      [
        [41.1496, -8.6109],
        [32.6669, -16.9241],
      ],
      [
        [51.5074, -0.1278],
        [57.4778, -4.2247],
      ],
    ] as const) {
      const precise = getPreciseDistance(named([...a]), named([...b]));
      expect(Math.abs(distanceBetween([...a], [...b]) - precise) / precise).toBeLessThan(0.006);
    }
  });
});
