import { type Climb, type ClimbInterval, priceAt } from "../../../core/climb/interval.ts";

type Scale = (value: number) => number;

const DASHES = ["none", "7 3", "2 3", "10 3 2 3"];
const LINES = ["var(--line-1)", "var(--line-2)", "var(--line-3)", "var(--line-4)"];

export const lineColour = (option: number) => LINES[option % LINES.length];

/** Lines of the same price lie beside each other. */
export const nudgeOf = (climb: Climb, option: number) => (option - (climb.options.length - 1) / 2) * 1.5;

type Props = {
  climb: Climb;
  against: Climb | null;
  optionNames: readonly string[];
  /** What each option costs the store, in minor units; null where nobody has said. */
  costs: readonly (number | null)[];
  costWords: (option: number, minor: number) => string;
  x: Scale;
  y: Scale;
};

/** A stepped line per option with its name, and those of another climb thin behind them. */
export function ClimbLines({ climb, against, optionNames, costs, costWords, x, y }: Props) {
  return (
    <>
      {against?.options.map((id, option) => {
        const own = climb.options.indexOf(id);
        return (
          <path
            key={`against ${id}`}
            d={pathOf(against.intervals, option, x, y, 0)}
            fill="none"
            stroke={own < 0 ? "var(--quiet)" : lineColour(own)}
            strokeWidth={1}
            opacity={0.75}
            pointerEvents="none"
            data-against={id}
          />
        );
      })}
      {climb.options.map((id, option) => {
        const cost = costs[option];
        return cost === null || cost === undefined ? null : (
          <g key={`cost ${id}`} data-cost={id} pointerEvents="none">
            <line
              x1={x(0)}
              x2={x(climb.to)}
              y1={y(cost)}
              y2={y(cost)}
              stroke={lineColour(option)}
              strokeWidth={1}
              strokeDasharray="1 4"
            />
            <text x={x(climb.to)} y={y(cost) - 4} textAnchor="end" className="text-[13px]" fill={lineColour(option)}>
              {costWords(option, cost)}
            </text>
          </g>
        );
      })}
      {climb.options.map((id, option) => (
        <path
          key={id}
          d={pathOf(climb.intervals, option, x, y, nudgeOf(climb, option))}
          fill="none"
          stroke={lineColour(option)}
          strokeWidth={2.5}
          strokeDasharray={DASHES[option % DASHES.length]}
          pointerEvents="none"
          data-option={id}
        />
      ))}
      {labels(climb, optionNames, x, y).map(({ name, left, top, option }) => (
        <text key={option} x={left} y={top} className="text-[13px] font-semibold" fill={lineColour(option)}>
          {name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1)}…` : name}
        </text>
      ))}
    </>
  );
}

/** Of a name on a line: what is longer would run out of the drawing. */
const MOST_LETTERS = 32;

/** The drawn line of one option; broken where it cannot be had. Lines that coincide are set off by `nudge` pixels. */
function pathOf(intervals: readonly ClimbInterval[], option: number, x: Scale, y: Scale, nudge: number): string {
  let path = "";
  let drawing = false;
  for (const interval of intervals) {
    const ends = pricesOf(interval, option);
    if (!ends) {
      drawing = false;
      continue;
    }
    const [start, end] = ends;
    path += `${drawing ? "L" : "M"}${x(interval.from)} ${y(start) + nudge}L${x(interval.to + 1)} ${y(end) + nudge}`;
    drawing = true;
  }
  return path;
}

/** Each option's name above its line at the left, moved up where it would cover another. */
function labels(climb: Climb, names: readonly string[], x: Scale, y: Scale) {
  const placed: { name: string; left: number; top: number; option: number }[] = [];
  climb.options.forEach((id, option) => {
    const first = climb.intervals.find((interval) => pricesOf(interval, option));
    const [price] = (first && pricesOf(first, option)) ?? [];
    if (!first || price === undefined) return;
    let top = y(price) - 8;
    while (placed.some((other) => Math.abs(other.top - top) < 15)) top -= 15;
    placed.push({ name: names[option] ?? id, left: x(first.from) + 14, top, option });
  });
  return placed;
}

/** What an option costs at both ends of an interval; undefined where it cannot be had. */
export function pricesOf(interval: ClimbInterval, option: number): [number, number] | undefined {
  const [start, end] = [priceAt(interval, option, interval.from), priceAt(interval, option, interval.to)];
  return typeof start === "number" && typeof end === "number" ? [start, end] : undefined;
}
