import { type PointerEvent, type ReactNode, useLayoutEffect, useRef, useState } from "react";
import type { Climb } from "../../../core/climb/interval.ts";
import { OUT_OF_REACH } from "../../../core/messages/states.ts";
import { linear } from "../../drawing/linear.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { badgeWidth, ClimbCursor } from "./climb-cursor.tsx";
import { ClimbLines, pricesOf } from "./climb-lines.tsx";
import { FlagMark } from "./flag-mark.tsx";
import type { MessageStretch } from "./message-strip.ts";
import { STRIP, StripRow } from "./strip-row.tsx";

type Flag = { offer: string; step: string; goal: number; flag: number | null };

type Props = {
  climb: Climb;
  /** Another climb, drawn thin behind this one; options go by their ids. */
  against?: Climb | null;
  to: number;
  optionNames: readonly string[];
  /** What options cost the store, by id, in minor units. */
  costs: ReadonlyMap<string, number>;
  offerName: (id: string) => string;
  stretches: readonly MessageStretch[];
  /** Drawn behind everything, between these edges. */
  behind?: (edges: { left: number; right: number; top: number; base: number }) => ReactNode;
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

/** Delivery prices over cart value: a stepped line per option, goals as flags, the shopper's cart as a cursor. */
export function ClimbChart({
  climb,
  against = null,
  to,
  optionNames,
  costs,
  offerName,
  stretches,
  behind,
  cursor,
  unit,
  onCursor,
  onFlag,
  onFlagCancel,
  onFlagNudge,
}: Props) {
  const [frame, width] = useWidth();
  const svg = useRef<SVGSVGElement>(null);
  const money = (minor: number) => makersMoney(minor, climb.currency, "short");
  // Of what cannot be had here nothing is drawn.
  const drawnCosts = climb.options.map((id, option) =>
    climb.intervals.some((interval) => pricesOf(interval, option)) ? (costs.get(id) ?? null) : null,
  );
  const highest = Math.max(
    unit,
    ...drawnCosts.flatMap((cost) => cost ?? []),
    ...[...climb.intervals, ...(against?.intervals ?? [])].flatMap((interval) =>
      interval.prices.flatMap((_, option) => pricesOf(interval, option) ?? []),
    ),
  );
  const x = linear([0, to], [MARGIN.left, width - MARGIN.right]);
  const y = linear([0, highest * 1.15], [HEIGHT - MARGIN.bottom, MARGIN.top], 5);
  const base = HEIGHT - MARGIN.bottom;
  const badge = badgeWidth(climb, cursor);

  const valueAt = (event: PointerEvent) => {
    const left = svg.current?.getBoundingClientRect().left ?? 0;
    return Math.min(to, Math.max(0, Math.round(x.invert(event.clientX - left))));
  };
  const nearestUnit = (value: number) => Math.min(to, Math.round(value / unit) * unit);

  return (
    <div ref={frame} className="overflow-x-auto select-none">
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing cannot be a fieldset, and holds sliders */}
      <svg
        ref={svg}
        width={width}
        height={HEIGHT + STRIP.height + STRIP.gap - MARGIN.bottom + 6}
        role="group"
        aria-label={say("Delivery prices by cart value")}
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
        {behind?.({ left: MARGIN.left, right: width - MARGIN.right, top: MARGIN.top, base })}
        {y.ticks(4).map((tick) => (
          <g key={tick}>
            <line x1={MARGIN.left} x2={width - MARGIN.right} y1={y(tick)} y2={y(tick)} stroke="var(--color-base-300)" />
            <text x={MARGIN.left - 8} y={y(tick) + 4} textAnchor="end" className="fill-quiet text-[13px]">
              {money(tick)}
            </text>
          </g>
        ))}
        {x
          .ticks(Math.max(3, Math.floor(width / 110)))
          .filter((tick) => Math.abs(x(tick) - x(cursor)) > badge / 2 + 24)
          .map((tick) => (
            <text key={tick} x={x(tick)} y={base + 17} textAnchor="middle" className="fill-quiet text-[13px]">
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
        <ClimbLines
          climb={climb}
          against={against}
          optionNames={optionNames}
          costs={drawnCosts}
          costWords={(option, minor) =>
            say("{option} costs you {money}", { option: optionNames[option] ?? "", money: money(minor) })
          }
          x={x}
          y={y}
        />
        <StripRow stretches={stretches} x={x} to={to} top={base + STRIP.gap} money={money} />
        <ClimbCursor
          {...{ climb, optionNames, stretches, cursor, to, unit, x, y, base, onCursor }}
          top={MARGIN.top + 8}
        />
      </svg>
    </div>
  );
}

/** A step that is blocked whatever the cart is worth has no flag for this shopper. */
const canStand = (climb: Climb, step: number) =>
  climb.intervals.some(({ steps }) => !OUT_OF_REACH.has(steps[step]?.state ?? "blocked"));

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
