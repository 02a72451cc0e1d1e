import { type KeyboardEvent, type PointerEvent, useLayoutEffect, useRef, useState } from "react";
import { type Climb, type ClimbInterval, priceAt } from "../../../core/climb/interval.ts";
import { OUT_OF_REACH } from "../../../core/messages/states.ts";
import { formatMoney } from "../../../core/money/format.ts";
import { linear } from "../../drawing/linear.ts";
import type { MessageStretch } from "./message-strip.ts";

type Flag = { offer: string; step: string; goal: number; flag: number | null };

type Props = {
  climb: Climb;
  /** Another climb, drawn thin behind this one; options go by their ids. */
  against?: Climb | null;
  to: number;
  optionNames: readonly string[];
  offerName: (id: string) => string;
  stretches: readonly MessageStretch[];
  /** Shelf value of the shopper's cart. */
  cursor: number;
  /** One major unit of the currency in minor units: what an arrow key moves by. */
  unit: number;
  onCursor: (x: number) => void;
  /** A flag is being moved to x; `done` when it was let go. */
  onFlag: (flag: Flag, x: number, done: boolean) => void;
  onFlagCancel: () => void;
  /** A flag was moved by keyboard, by so many minor units of its goal. */
  onFlagNudge: (flag: Flag, by: number) => void;
};

const HEIGHT = 350;
const MARGIN = { top: 34, right: 30, bottom: 26, left: 62 };
/** `letter` is the room a letter takes, generously, so that texts are cut rather than run over. */
const STRIP = { gap: 30, height: 24, letter: 6.6 };
const DASHES = ["none", "7 3", "2 3", "10 3 2 3"];
const LINES = ["var(--line-1)", "var(--line-2)", "var(--line-3)", "var(--line-4)"];

/** Delivery prices over cart value: a stepped line per option, goals as flags, the shopper's cart as a cursor. */
export function ClimbChart({
  climb,
  against = null,
  to,
  optionNames,
  offerName,
  stretches,
  cursor,
  unit,
  onCursor,
  onFlag,
  onFlagCancel,
  onFlagNudge,
}: Props) {
  const [frame, width] = useWidth();
  const svg = useRef<SVGSVGElement>(null);
  const money = (minor: number) => formatMoney(minor, climb.currency, "en", "short");
  const highest = Math.max(
    unit,
    ...[...climb.intervals, ...(against?.intervals ?? [])].flatMap((interval) =>
      interval.prices.flatMap((_, option) => pricesOf(interval, option) ?? []),
    ),
  );
  const x = linear([0, to], [MARGIN.left, width - MARGIN.right]);
  const y = linear([0, highest * 1.15], [HEIGHT - MARGIN.bottom, MARGIN.top], 5);
  // Lines of the same price lie beside each other.
  const nudge = (option: number) => (option - (climb.options.length - 1) / 2) * 1.5;
  const base = HEIGHT - MARGIN.bottom;
  const badge = 16 + 7.5 * formatMoney(cursor, climb.currency, "en").length;

  const valueAt = (event: PointerEvent) => {
    const left = svg.current?.getBoundingClientRect().left ?? 0;
    return Math.min(to, Math.max(0, Math.round(x.invert(event.clientX - left))));
  };
  const nearestUnit = (value: number) => Math.min(to, Math.round(value / unit) * unit);

  const changes = climb.intervals.map(({ from }) => from);
  const jump = (forward: boolean) => {
    const next = forward ? changes.find((at) => at > cursor) : changes.findLast((at) => at < cursor);
    if (next !== undefined) onCursor(next);
  };
  const moveCursor = (event: KeyboardEvent) => {
    if (event.key === "[" || event.key === "]") {
      event.preventDefault();
      jump(event.key === "]");
      return;
    }
    const next = steppedBy(event, cursor, unit, to);
    if (next !== null) onCursor(next);
  };

  return (
    <div ref={frame} className="select-none">
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing cannot be a fieldset, and holds sliders */}
      <svg
        ref={svg}
        width={width}
        height={HEIGHT + STRIP.height + STRIP.gap - MARGIN.bottom + 6}
        role="group"
        aria-label="Delivery prices by cart value"
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          onCursor(valueAt(event));
        }}
        onPointerMove={(event) => {
          if (event.currentTarget.hasPointerCapture(event.pointerId)) onCursor(valueAt(event));
        }}
      >
        <rect x={0} y={0} width={width} height={HEIGHT} fill="transparent" />
        {y.ticks(4).map((tick) => (
          <g key={tick}>
            <line x1={MARGIN.left} x2={width - MARGIN.right} y1={y(tick)} y2={y(tick)} stroke="var(--color-base-300)" />
            <text x={MARGIN.left - 8} y={y(tick) + 4} textAnchor="end" className="fill-quiet text-[12px]">
              {money(tick)}
            </text>
          </g>
        ))}
        {x
          .ticks(Math.max(3, Math.floor(width / 110)))
          .filter((tick) => Math.abs(x(tick) - x(cursor)) > badge / 2 + 24)
          .map((tick) => (
            <text key={tick} x={x(tick)} y={base + 17} textAnchor="middle" className="fill-quiet text-[12px]">
              {money(tick)}
            </text>
          ))}
        {climb.steps.map(({ goal, ...mark }, number) => {
          // Goals of items and weight stand nowhere on a scale of value.
          if (goal === null || mark.measure !== "value") return null;
          const flag = { ...mark, goal };
          return flag.flag === null || flag.flag > to || !canStand(climb, number) ? null : (
            <FlagMark
              key={`${flag.offer}/${flag.step}`}
              label={money(flag.goal)}
              offer={offerName(flag.offer)}
              at={flag.flag}
              left={x(flag.flag)}
              base={base}
              unit={unit}
              to={to}
              valueAt={(event, fine) => (fine ? valueAt(event) : nearestUnit(valueAt(event)))}
              onMove={(value, done) => onFlag(flag, value, done)}
              onCancel={onFlagCancel}
              onNudge={(by) => onFlagNudge(flag, by)}
            />
          );
        })}
        {against?.options.map((id, option) => {
          const own = climb.options.indexOf(id);
          return (
            <path
              key={`against ${id}`}
              d={pathOf(against.intervals, option, x, y, 0)}
              fill="none"
              stroke={own < 0 ? "var(--quiet)" : LINES[own % LINES.length]}
              strokeWidth={1}
              opacity={0.75}
              pointerEvents="none"
              data-against={id}
            />
          );
        })}
        {climb.options.map((id, option) => (
          <path
            key={id}
            d={pathOf(climb.intervals, option, x, y, nudge(option))}
            fill="none"
            stroke={LINES[option % LINES.length]}
            strokeWidth={2.5}
            strokeDasharray={DASHES[option % DASHES.length]}
            pointerEvents="none"
            data-option={id}
          />
        ))}
        {labels(climb, optionNames, x, y).map(({ name, left, top, option }) => (
          <text key={name} x={left} y={top} className="text-[13px] font-semibold" fill={LINES[option % LINES.length]}>
            {name}
          </text>
        ))}
        <StripRow stretches={stretches} x={x} to={to} top={base + STRIP.gap} money={money} />
        <g
          tabIndex={0}
          role="slider"
          aria-label="Cart value"
          aria-valuemin={0}
          aria-valuemax={to}
          aria-valuenow={cursor}
          aria-valuetext={readout(climb, optionNames, stretches, cursor)}
          onKeyDown={moveCursor}
          className="cursor-ew-resize outline-none [&:focus-visible>rect]:stroke-primary [&:focus-visible>rect]:stroke-[3px]"
        >
          <line
            x1={x(cursor)}
            x2={x(cursor)}
            y1={MARGIN.top + 8}
            y2={base}
            stroke="var(--color-base-content)"
            strokeDasharray="3 3"
          />
          {pointsAt(climb, cursor).map(({ option, price }) => (
            <circle
              key={option}
              cx={x(cursor)}
              cy={y(price) + nudge(option)}
              r={5}
              fill="var(--color-base-100)"
              stroke={LINES[option % LINES.length]}
              strokeWidth={2.5}
            />
          ))}
          <rect
            x={x(cursor) - badge / 2}
            y={base + 4}
            width={badge}
            height={18}
            rx={2}
            fill="var(--color-base-100)"
            stroke="var(--color-base-content)"
          />
          <text x={x(cursor)} y={base + 17} textAnchor="middle" className="fill-base-content text-[12px] font-semibold">
            {formatMoney(cursor, climb.currency, "en")}
          </text>
        </g>
      </svg>
    </div>
  );
}

/** A step that is blocked whatever the cart is worth has no flag for this shopper. */
const canStand = (climb: Climb, step: number) =>
  climb.intervals.some(({ steps }) => !OUT_OF_REACH.has(steps[step]?.state ?? "blocked"));

type FlagMarkProps = {
  label: string;
  offer: string;
  at: number;
  left: number;
  base: number;
  unit: number;
  to: number;
  valueAt: (event: PointerEvent, fine: boolean) => number;
  onMove: (value: number, done: boolean) => void;
  onCancel: () => void;
  onNudge: (by: number) => void;
};

function FlagMark({ label, offer, at, left, base, unit, to, valueAt, onMove, onCancel, onNudge }: FlagMarkProps) {
  const width = 18 + label.length * 8;
  const stop = (event: PointerEvent<SVGGElement>, keep: boolean) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    event.currentTarget.releasePointerCapture(event.pointerId);
    if (keep) onMove(valueAt(event, event.shiftKey), true);
    else onCancel();
  };
  return (
    <g
      tabIndex={0}
      role="slider"
      aria-label={`Goal of ${offer}`}
      aria-valuemin={0}
      aria-valuemax={to}
      aria-valuenow={at}
      aria-valuetext={label}
      className="cursor-ew-resize outline-none [&:focus-visible>path]:stroke-primary [&:focus-visible>path]:stroke-[3px]"
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
        event.stopPropagation();
        onMove(valueAt(event, event.shiftKey), false);
      }}
      onPointerUp={(event) => stop(event, true)}
      onPointerCancel={(event) => stop(event, false)}
      onKeyDown={(event) => {
        const by = moveOf(event, unit);
        if (by === null) return;
        event.preventDefault();
        onNudge(by);
      }}
    >
      <title>Drag, or use the arrow keys; with Shift to the smallest unit</title>
      <line x1={left} x2={left} y1={14} y2={base} stroke="transparent" strokeWidth={14} />
      <line x1={left} x2={left} y1={10} y2={base} stroke="var(--color-neutral)" strokeWidth={1.5} />
      <path d={`M${left} 8 h${width} l-6 9.5 l6 9.5 h${-width} z`} fill="var(--color-neutral)" />
      <text x={left + 8} y={22} className="text-[13px] font-bold" fill="var(--color-neutral-content)">
        {label}
      </text>
    </g>
  );
}

const cutTo = (text: string, letters: number) =>
  text.length <= letters ? text : letters < 4 ? "" : `${text.slice(0, Math.floor(letters) - 1)}…`;

type Scale = (value: number) => number;

function StripRow({
  stretches,
  x,
  to,
  top,
  money,
}: {
  stretches: readonly MessageStretch[];
  x: Scale;
  to: number;
  top: number;
  money: (minor: number) => string;
}) {
  return (
    <g>
      {stretches.map(({ from, to: end, texts, gained }) => {
        const left = x(from);
        const width = Math.max(1, x(Math.min(to, end + 1)) - left - 1);
        const text = texts.join(" · ") || "No message";
        return (
          <g key={from} data-strip={from}>
            <title>{`From ${money(from)}: ${text}`}</title>
            <rect
              x={left}
              y={top}
              width={width}
              height={STRIP.height}
              fill={gained > 0 ? "var(--tint-strong)" : "var(--tint)"}
            />
            <text x={left + 7} y={top + 16} className="fill-base-content text-[12px]">
              {cutTo(text, (width - 14) / STRIP.letter)}
            </text>
          </g>
        );
      })}
    </g>
  );
}

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

function intervalAt(climb: Climb, x: number): ClimbInterval | undefined {
  return climb.intervals.find(({ from, to }) => from <= x && x <= to);
}

/** What an option costs at both ends of an interval; undefined where it cannot be had. */
function pricesOf(interval: ClimbInterval, option: number): [number, number] | undefined {
  const [start, end] = [priceAt(interval, option, interval.from), priceAt(interval, option, interval.to)];
  return typeof start === "number" && typeof end === "number" ? [start, end] : undefined;
}

function shownAt(climb: Climb, x: number): (number | string)[] {
  const interval = intervalAt(climb, x);
  return interval ? interval.prices.map((_, option) => priceAt(interval, option, x)) : [];
}

const pointsAt = (climb: Climb, x: number) =>
  shownAt(climb, x).flatMap((price, option) => (typeof price === "number" ? [{ option, price }] : []));

/** What the cursor stands on, as text. */
function readout(climb: Climb, names: readonly string[], stretches: readonly MessageStretch[], x: number): string {
  const money = (minor: number) => formatMoney(minor, climb.currency, "en");
  const prices = shownAt(climb, x).map(
    (price, option) =>
      `${names[option]} ${typeof price === "number" ? (price === 0 ? "free" : money(price)) : "not available"}`,
  );
  const messages = stretches.find(({ from, to }) => from <= x && x <= to)?.texts ?? [];
  return [`Cart ${money(x)}`, ...prices, ...messages].join(", ");
}

/** How far a key moves a value: by one unit, by ten with Page keys, by the smallest unit with Shift. */
function moveOf(event: KeyboardEvent, unit: number): number | null {
  const step = event.shiftKey ? 1 : unit;
  const moves: Record<string, number> = {
    ArrowLeft: -step,
    ArrowDown: -step,
    ArrowRight: step,
    ArrowUp: step,
    PageDown: -10 * unit,
    PageUp: 10 * unit,
  };
  return moves[event.key] ?? null;
}

/** Where a key moves a value between 0 and `to`; Home and End lead to the ends. */
function steppedBy(event: KeyboardEvent, value: number, unit: number, to: number): number | null {
  const by = moveOf(event, unit);
  const next = event.key === "Home" ? 0 : event.key === "End" ? to : by === null ? null : value + by;
  if (next === null) return null;
  event.preventDefault();
  return Math.min(to, Math.max(0, next));
}

function useWidth() {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(760);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.max(320, entry.contentRect.width)));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width] as const;
}
