import { useMemo } from "react";
import { type Phrase, phrase } from "../../../../core/phrases/phrase.ts";
import type { Plan } from "../../../../core/plan/plan.ts";
import { type Coverage, type CoverageRow, coverageRows } from "../../../../core/queries/coverage.ts";
import { say } from "../../../language/say.ts";
import { LAND, MAP_SIZE, POINTS, REGIONS } from "./world.js";

type Props = {
  plan: Plan;
  /** Of the countries. */
  coverage: Coverage;
  nameOf: (code: string) => string;
  zoneName: (id: string) => string;
  /** The zone that is looked at. */
  chosen: string | null;
  onZone: (id: string) => void;
};

/** How a country stands: served, by the chosen zone, claimed by two, in part by nobody, by nobody. */
type Standing = "chosen" | "twice" | "partly" | "served" | "nobody";

const FILLS: Readonly<Record<Standing, string>> = {
  chosen: "fill-primary",
  twice: "fill-[url(#claimed-twice)]",
  partly: "fill-base-content/30",
  served: "fill-base-content/55",
  nobody: "fill-base-100",
};

const REGION_CODES = REGIONS.map(([code]) => code);
const IN_REGIONS = new Set(REGION_CODES.map((code) => code.slice(0, 2)));
/** Regions stand in the place of their country. */
const OUTLINES = [...LAND.filter(([code]) => !IN_REGIONS.has(code)), ...REGIONS];

/**
 * The world in paper and ink, some countries by their regions: who is served, by the chosen zone in ultramarine. The table beside it
 * says the same in words.
 */
export function CoverageMap({ plan, coverage, nameOf, zoneName, chosen, onZone }: Props) {
  const rows = useMemo(
    () => new Map([...coverage.rows, ...coverageRows(plan, REGION_CODES)].map((row) => [row.code, row])),
    [coverage, plan],
  );
  const empty = useMemo(() => new Set(coverage.emptyZones), [coverage]);
  const shape = (code: string) => {
    const row = rows.get(code);
    const zones = row?.zones.filter((zone) => !empty.has(zone)) ?? [];
    const standing = row ? standingOf(row, zones, chosen) : "nobody";
    const by = zones.length > 0 ? zones.map(zoneName).join(", ") : say("nobody");
    const [first] = zones.includes(chosen ?? "") ? zones.filter((zone) => zone !== chosen) : zones;
    return {
      className: `${FILLS[standing]} stroke-base-300 ${first === undefined ? "" : "cursor-pointer hover:opacity-70"}`,
      title: code === "" ? null : `${nameOf(code)}: ${by}${standing === "twice" ? say(", claimed twice") : ""}`,
      ...(first === undefined ? {} : { onClick: () => onZone(first) }),
    };
  };
  return (
    <figure className="border border-base-300 bg-base-200">
      <svg
        viewBox={`0 0 ${MAP_SIZE.width} ${MAP_SIZE.height}`}
        className="block w-full"
        role="img"
        aria-label={say("The countries and regions that are served, as a map; the table below says the same")}
      >
        <defs>
          <pattern id="claimed-twice" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="4" height="4" className="fill-base-100" />
            <rect width="2" height="4" className="fill-warning" />
          </pattern>
        </defs>
        {OUTLINES.map(([code, outline], i) => {
          const { title, ...looks } = shape(code);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: the outlines never change
            <path key={i} d={outline} strokeWidth={0.5} {...looks} data-country={code || undefined}>
              {title && <title>{title}</title>}
            </path>
          );
        })}
        {POINTS.map(([code, x, y]) => {
          const { title, ...looks } = shape(code);
          return (
            <circle key={code} cx={x} cy={y} r={2} strokeWidth={0.5} {...looks} data-country={code}>
              {title && <title>{title}</title>}
            </circle>
          );
        })}
      </svg>
      <figcaption className="flex flex-wrap gap-x-4 gap-y-1 px-3 py-2 text-[13px] text-quiet">
        {KEY.map(({ standing, words }) =>
          standing === "chosen" && chosen === null ? null : (
            <span key={standing} className="flex items-center gap-1.5">
              <svg width="14" height="14" aria-hidden>
                <rect width="14" height="14" className={`${FILLS[standing]} stroke-base-300`} />
              </svg>
              {standing === "chosen" && chosen !== null ? zoneName(chosen) : say(words)}
            </span>
          ),
        )}
      </figcaption>
    </figure>
  );
}

const KEY: readonly { standing: Standing; words: Phrase }[] = [
  { standing: "chosen", words: phrase("the chosen zone") },
  { standing: "served", words: phrase("served") },
  { standing: "partly", words: phrase("some addresses by nobody") },
  { standing: "twice", words: phrase("claimed twice") },
  { standing: "nobody", words: phrase("served by nobody") },
];

function standingOf(
  { orNowhere, claimedTwice }: CoverageRow,
  zones: readonly string[],
  chosen: string | null,
): Standing {
  if (zones.length === 0) return "nobody";
  if (claimedTwice.length > 0) return "twice";
  if (chosen !== null && zones.includes(chosen)) return "chosen";
  return orNowhere ? "partly" : "served";
}
