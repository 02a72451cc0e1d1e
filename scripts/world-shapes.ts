import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { geoArea, geoCentroid, geoEqualEarth, geoPath } from "d3-geo";
import { iso31661 } from "iso-3166/1.js";
import { iso31662 } from "iso-3166/2.js";
import { feature } from "topojson-client";
import type { GeometryCollection, Topology } from "topojson-specification";

type World = Topology<{ countries: GeometryCollection<{ name: string }> }>;
type States = Topology<{ states: GeometryCollection<{ name: string }> }>;

const WIDTH = 800;
const HEIGHT = 345;
/** A country that covers less of the sphere than this is too small to be hit with a pointer. */
const ANTARCTICA = "010";
const SMALLEST = 2e-5;

const require = createRequire(import.meta.url);
const read = (file: string): World => JSON.parse(readFileSync(file, "utf8"));
const STATES = require.resolve("us-atlas/states-10m.json");
const STATE_CODES = new Map(
  iso31662.filter(({ parent }) => parent === "US").map(({ name, code }) => [name, code] as const),
);
/** Outlying areas have codes of their own among the countries, and are drawn there. */
const COUNTRIES_TOO: ReadonlySet<string> = new Set(["US-AS", "US-GU", "US-MP", "US-PR", "US-UM", "US-VI"]);
/** Points of a border nearer to each other than this, in degrees, are one on a map of the world. */
const TOO_NEAR = 0.35;
const COARSE = require.resolve("world-atlas/countries-110m.json");
const FINE = require.resolve("world-atlas/countries-50m.json");
const CODES = new Map(iso31661.map(({ numeric, alpha2 }) => [numeric, alpha2]));

/**
 * The world's countries as outlines, in the Equal Earth projection, from the open data set Natural Earth as the package world-atlas
 * carries it: those of the coarse set as they are, the small ones as a point each.
 */
export function worldShapes(): { land: [string, string][]; points: [string, number, number][] } {
  const { projection, path } = drawing();
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

function drawing() {
  const projection = geoEqualEarth().fitWidth(WIDTH, { type: "Sphere" });
  return { projection, path: geoPath(projection).digits(1) };
}

/**
 * Regions that an open data set has: the states of the US, by the Census Bureau as the package us-atlas carries them. Those that are
 * countries of ISO 3166-1 as well are not among them.
 */
export function regionShapes(): [string, string][] {
  const { path } = drawing();
  const states = coarser(JSON.parse(readFileSync(STATES, "utf8")));
  return feature(states, states.objects.states)
    .features.flatMap((one): [string, string][] => {
      const code = STATE_CODES.get(one.properties.name);
      const outline = path(one);
      return code && outline && !COUNTRIES_TOO.has(code) ? [[code, outline]] : [];
    })
    .sort(([a], [b]) => (a < b ? -1 : 1));
}

/** Borders with fewer points: shared ones stay shared, since they are thinned before they are put together. */
function coarser(states: States): States {
  const { scale, translate } = states.transform ?? { scale: [1, 1], translate: [0, 0] };
  const arcs = states.arcs.map((arc) => {
    let [x, y] = [0, 0];
    const points = arc.map(([dx = 0, dy = 0]): [number, number] => {
      x += dx;
      y += dy;
      return [x * (scale[0] ?? 1) + (translate[0] ?? 0), y * (scale[1] ?? 1) + (translate[1] ?? 0)];
    });
    const kept: [number, number][] = [];
    for (const [i, point] of points.entries()) {
      const [before] = kept.slice(-1);
      const isEnd = i === points.length - 1;
      if (!before || isEnd || Math.hypot(point[0] - before[0], point[1] - before[1]) >= TOO_NEAR) kept.push(point);
    }
    return kept;
  });
  const { transform: _, ...rest } = states;
  return { ...rest, arcs };
}

/** The same as a file of the app. */
export function worldMapText(): string {
  const { land, points } = worldShapes();
  return `// Made by \`npm run schemas\` from Natural Earth and the Census Bureau's states, both in the public domain, as the
// packages world-atlas and us-atlas carry them.
export const MAP_SIZE = { width: ${WIDTH}, height: ${HEIGHT} };
export const LAND = ${JSON.stringify(land)};
export const POINTS = ${JSON.stringify(points)};
export const REGIONS = ${JSON.stringify(regionShapes())};
`;
}
