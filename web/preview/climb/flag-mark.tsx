import type { PointerEvent } from "react";
import { say } from "../../language/say.ts";
import { moveOf } from "./moves.ts";

type Props = {
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

/** A goal on the climb, which can be dragged or moved by keys. */
export function FlagMark({ label, offer, at, left, base, unit, to, valueAt, onMove, onCancel, onNudge }: Props) {
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
      aria-label={say("Goal of {offer}", { offer })}
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
      <title>{say("Drag, or use the arrow keys; with Shift to the smallest unit")}</title>
      <line x1={left} x2={left} y1={14} y2={base} stroke="transparent" strokeWidth={14} />
      <line x1={left} x2={left} y1={10} y2={base} stroke="var(--color-neutral)" strokeWidth={1.5} />
      <path d={`M${left} 8 h${width} l-6 9.5 l6 9.5 h${-width} z`} fill="var(--color-neutral)" />
      <text x={left + 8} y={22} className="text-[13px] font-bold" fill="var(--color-neutral-content)">
        {label}
      </text>
    </g>
  );
}
