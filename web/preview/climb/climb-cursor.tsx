import type { KeyboardEvent } from "react";
import { type Climb, type ClimbInterval, priceAt } from "../../../core/climb/interval.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { lineColour, nudgeOf } from "./climb-lines.tsx";
import type { MessageStretch } from "./message-strip.ts";
import { steppedBy } from "./moves.ts";

type Scale = (value: number) => number;

type Props = {
  climb: Climb;
  optionNames: readonly string[];
  stretches: readonly MessageStretch[];
  cursor: number;
  to: number;
  unit: number;
  x: Scale;
  y: Scale;
  top: number;
  base: number;
  onCursor: (x: number) => void;
};

/** The room that the cursor's figure takes. */
export const badgeWidth = (climb: Climb, cursor: number) => 16 + 7.5 * makersMoney(cursor, climb.currency).length;

/** The shopper's cart on the climb, moved by keys: by units, or from change to change. */
export function ClimbCursor(props: Props) {
  const { climb, optionNames, stretches, cursor, to, unit, x, y, top, base, onCursor } = props;
  const badge = badgeWidth(climb, cursor);
  const changes = climb.intervals.map(({ from }) => from);
  const moveCursor = (event: KeyboardEvent) => {
    if (event.key === "[" || event.key === "]") {
      event.preventDefault();
      const isOn = event.key === "]";
      const next = isOn ? changes.find((at) => at > cursor) : changes.findLast((at) => at < cursor);
      if (next !== undefined) onCursor(next);
      return;
    }
    const next = steppedBy(event, cursor, unit, to);
    if (next !== null) onCursor(next);
  };
  return (
    <g
      tabIndex={0}
      role="slider"
      aria-label={say("Cart value")}
      aria-valuemin={0}
      aria-valuemax={to}
      aria-valuenow={cursor}
      aria-valuetext={readout(climb, optionNames, stretches, cursor)}
      onKeyDown={moveCursor}
      className="cursor-ew-resize outline-none [&:focus-visible>rect]:stroke-primary [&:focus-visible>rect]:stroke-[3px]"
    >
      <line x1={x(cursor)} x2={x(cursor)} y1={top} y2={base} stroke="var(--color-base-content)" strokeDasharray="3 3" />
      {pointsAt(climb, cursor).map(({ option, price }) => (
        <circle
          key={option}
          cx={x(cursor)}
          cy={y(price) + nudgeOf(climb, option)}
          r={5}
          fill="var(--color-base-100)"
          stroke={lineColour(option)}
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
      <text x={x(cursor)} y={base + 17} textAnchor="middle" className="fill-base-content text-[13px] font-semibold">
        {makersMoney(cursor, climb.currency)}
      </text>
    </g>
  );
}

function intervalAt(climb: Climb, x: number): ClimbInterval | undefined {
  return climb.intervals.find(({ from, to }) => from <= x && x <= to);
}

function shownAt(climb: Climb, x: number): (number | string)[] {
  const interval = intervalAt(climb, x);
  return interval ? interval.prices.map((_, option) => priceAt(interval, option, x)) : [];
}

const pointsAt = (climb: Climb, x: number) =>
  shownAt(climb, x).flatMap((price, option) => (typeof price === "number" ? [{ option, price }] : []));

/** What the cursor stands on, as text. */
function readout(climb: Climb, names: readonly string[], stretches: readonly MessageStretch[], x: number): string {
  const money = (minor: number) => makersMoney(minor, climb.currency);
  const prices = shownAt(climb, x).map(
    (price, option) =>
      `${names[option]} ${typeof price === "number" ? (price === 0 ? say("free") : money(price)) : say("not available")}`,
  );
  const messages = stretches.find(({ from, to }) => from <= x && x <= to)?.texts ?? [];
  return [say("Cart {money}", { money: money(x) }), ...prices, ...messages].join(", ");
}
