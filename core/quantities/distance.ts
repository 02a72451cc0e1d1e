import type { Coordinates } from "./coordinates.ts";

/** Mean radius of the Earth in metres (IUGG). */
const EARTH = 6_371_008.8;

/**
 * Great-circle distance in whole metres, by the haversine formula on a sphere of the Earth's mean radius. Binary floats
 * are right here: it is geometry, not money, and a metre is as fine as anyone sets a radius.
 *
 * @example distanceBetween([41.15, -8.61], [38.72, -9.14]) // Porto to Lisbon: 273910 or so
 */
export function distanceBetween([latA, lonA]: Coordinates, [latB, lonB]: Coordinates): number {
  const [a, b] = [radians(latA), radians(latB)];
  const across = Math.sin(radians(lonB - lonA) / 2) ** 2 * Math.cos(a) * Math.cos(b);
  const h = Math.sin((b - a) / 2) ** 2 + across;
  return Math.round(2 * EARTH * Math.asin(Math.min(1, Math.sqrt(h))));
}

/**
 * A place so many metres away: due north, or due south where the pole is nearer than that.
 *
 * @param metres up to half a meridian, some 10,000 km
 * @example distanceBetween([41.15, -8.61], placeAway([41.15, -8.61], 3000)) // 3000
 */
export function placeAway([latitude, longitude]: Coordinates, metres: number): Coordinates {
  const degrees = (metres / EARTH) * (180 / Math.PI);
  return [latitude + degrees <= 90 ? latitude + degrees : latitude - degrees, longitude];
}

const radians = (degrees: number) => (degrees * Math.PI) / 180;
