import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { geoArea, geoCentroid, geoEqualEarth, geoPath } from "d3-geo";
import { iso31661 } from "iso-3166/1.js";
import { feature } from "topojson-client";
import type { GeometryCollection, Topology } from "topojson-specification";

type World = Topology<{ countries: GeometryCollection<{ name: string }> }>;

const WIDTH = 800;
const HEIGHT = 345;
/** A country that covers less of the sphere than this is too small to be hit with a pointer. */
const ANTARCTICA = "010";
const SMALLEST = 2e-5;

const require = createRequire(import.meta.url);
const read = (file: string): World => JSON.parse(readFileSync(file, "utf8"));
const COARSE = require.resolve("world-atlas/countries-110m.json");
const FINE = require.resolve("world-atlas/countries-50m.json");
const CODES = new Map(iso31661.map(({ numeric, alpha2 }) => [numeric, alpha2]));

/**
 * The world's countries as outlines, in the Equal Earth projection, from the open data set Natural Earth as the package world-atlas
 * carries it: those of the coarse set as they are, the small ones as a point each.
 */
export function worldShapes(): { land: [string, string][]; points: [string, number, number][] } {
  const projection = geoEqualEarth().fitWidth(WIDTH, { type: "Sphere" });
  const path = geoPath(projection).digits(1);
  const coarse = feature(read(COARSE), read(COARSE).objects.countries);
  const fine = feature(read(FINE), read(FINE).objects.countries);
  // Nobody lives where nothing is sold to: without it the rest has more room.
  const peopled = coarse.features.filter(({ id }) => String(id) !== ANTARCTICA);
  const land: [string, string][] = peopled.map((one) => [CODES.get(String(one.id)) ?? "", path(one) ?? ""]);
  const drawn = new Set(coarse.features.filter((one) => geoArea(one) >= SMALLEST).map((one) => String(one.id)));
  const points = fine.features.flatMap((one): [string, number, number][] => {
    const code = CODES.get(String(one.id));
    const at = projection(geoCentroid(one));
    return code && at && !drawn.has(String(one.id)) ? [[code, Math.round(at[0]), Math.round(at[1])]] : [];
  });
  return { land, points: points.sort(([a], [b]) => (a < b ? -1 : 1)) };
}

/** The same as a file of the app. */
export function worldMapText(): string {
  const { land, points } = worldShapes();
  return `// Made by \`npm run schemas\` from Natural Earth, which is in the public domain, as the package world-atlas carries it.
export const MAP_SIZE = { width: ${WIDTH}, height: ${HEIGHT} };
export const LAND = ${JSON.stringify(land)};
export const POINTS = ${JSON.stringify(points)};
`;
}
