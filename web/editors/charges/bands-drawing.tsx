import { type PointerEvent, useRef, useState } from "react";
import type { BandedCharge } from "../../../core/charges/kinds/bands.ts";
import { markAt, measured } from "../../../core/measures/measure-spec.ts";
import { type AmountContext, amountFor } from "../../../core/money/amount.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { linear } from "../../drawing/linear.ts";
import { makersMoney } from "../../language/money.ts";
import { say, theReader } from "../../language/say.ts";
import { markOf } from "./bands-text.ts";

type Props = {
  charge: BandedCharge;
  context: AmountContext;
  /** The charge with an edge elsewhere; `done` once it is let go. */
  onEdge: (index: number, at: BandedCharge["edges"][number]["at"], done: boolean) => void;
  onCancel: () => void;
};

const WIDTH = 520;
const HEIGHT = 150;
const LEFT = 52;
const BOTTOM = 24;

/** One step of a move: a whole unit of money, a piece, a hundred grams, a hundred metres. */
const stepOf = (kind: BandedCharge["by"]["kind"], currency: string) =>
  kind === "value" ? 10 ** (exponentOf(currency) ?? 2) : kind === "items" ? 1 : kind === "distance" ? 100 : 100_000;

/** The bands as steps; their edges are dragged, or moved by the arrow keys. */
export function BandsDrawing({ charge, context, onEdge, onCancel }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [dragged, setDragged] = useState<number | null>(null);
  const { kind } = charge.by;
  const { currency } = context;
  const edges = charge.edges.flatMap((edge, index) => {
    const at = markAt(edge.at, context);
    return at === undefined ? [] : [{ index, at, side: edge.edge, price: edge.price }];
  });
  edges.sort((a, b) => a.at - b.at);
  const priceOf = (price: BandedCharge["first"]): number | null => {
    if (price === "free") return 0;
    if (price === "not-offered") return null;
    return amountFor("fixed" in price ? price.fixed : price, context) ?? null;
  };
  const bands = [{ at: 0, price: charge.first }, ...edges].map((band, i) => ({
    from: band.at,
    to: edges[i]?.at ?? null,
    price: priceOf(band.price),
    rising: typeof band.price === "object" && "fixed" in band.price,
  }));
  const step = stepOf(kind, currency);
  const [kept, setKept] = useState(0);
  const farthest = Math.max((edges.at(-1)?.at ?? 0) * 1.35, step * 10);
  const end = dragged === null ? farthest : Math.max(kept, 1);
  const highest = Math.max(1, ...bands.map(({ price }) => price ?? 0));
  const x = linear([0, end], [LEFT, WIDTH - 12]);
  const y = linear([0, highest * 1.25], [HEIGHT - BOTTOM, 14]);
  const movable = markOf(kind, step, currency) !== null;

  const move = (index: number, units: number, done: boolean) => {
    const snapped = Math.max(step, Math.round(units / step) * step);
    const mark = markOf(kind, snapped, currency);
    const was = charge.edges[index];
    if (!mark || !was) return;
    // Other currencies keep their own amounts.
    const at =
      kind === "value" && "byCurrency" in was.at
        ? { ...was.at, byCurrency: { ...was.at.byCurrency, ...("byCurrency" in mark ? mark.byCurrency : {}) } }
        : mark;
    onEdge(index, at, done);
  };
  const unitsAt = (event: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    return box ? x.invert(((event.clientX - box.left) / box.width) * WIDTH) : 0;
  };
  const words = (units: number) => measured(kind, units, currency, theReader().locale, "short");

  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full border border-base-300 bg-base-100"
      aria-label={say("Bands")}
    >
      {y.ticks(3).map((tick) => (
        <g key={tick}>
          <line x1={LEFT} x2={WIDTH - 12} y1={y(tick)} y2={y(tick)} className="stroke-base-300" />
          <text x={LEFT - 6} y={y(tick) + 4} textAnchor="end" className="fill-quiet text-[13px]">
            {makersMoney(Math.round(tick), currency, "short")}
          </text>
        </g>
      ))}
      {bands.map((band) => (
        <BandLine key={band.from} band={band} x={x} y={y} />
      ))}
      {edges.map(({ index, at, side }) => (
        <g
          key={index}
          role="slider"
          tabIndex={movable ? 0 : -1}
          aria-label={say("Edge {number}", { number: index + 1 })}
          aria-valuenow={at}
          aria-valuemin={0}
          aria-valuetext={`${side} ${words(at)}`}
          aria-disabled={!movable}
          className={movable ? "cursor-ew-resize outline-offset-4" : ""}
          onPointerDown={(event) => {
            if (!movable) return;
            event.currentTarget.setPointerCapture(event.pointerId);
            setKept(end);
            setDragged(index);
          }}
          onPointerMove={(event) => dragged === index && move(index, unitsAt(event), false)}
          onPointerUp={(event) => {
            if (dragged !== index) return;
            setDragged(null);
            move(index, unitsAt(event), true);
          }}
          onPointerCancel={() => {
            setDragged(null);
            onCancel();
          }}
          onKeyDown={(event) => {
            const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
            if (by === undefined) return;
            event.preventDefault();
            move(index, at + by * step, true);
          }}
        >
          <line x1={x(at)} x2={x(at)} y1={14} y2={HEIGHT - BOTTOM} className="stroke-neutral" strokeWidth={1.5} />
          <rect x={x(at) - 8} y={10} width={16} height={HEIGHT - BOTTOM - 6} fill="transparent" />
          <circle cx={x(at)} cy={14} r={5} className="fill-neutral" />
          <text x={x(at)} y={HEIGHT - 8} textAnchor="middle" className="fill-base-content text-[13px] font-semibold">
            {side === "above" ? "> " : ""}
            {words(at)}
          </text>
        </g>
      ))}
    </svg>
  );
}

type Band = { from: number; to: number | null; price: number | null; rising: boolean };

/** What a band costs; grey where the option is not offered. */
function BandLine({ band, x, y }: { band: Band; x: (value: number) => number; y: (value: number) => number }) {
  const { from, to, price, rising } = band;
  const [left, right] = [x(from), to === null ? WIDTH - 12 : x(to)];
  if (price === null)
    return (
      <g>
        <rect
          x={left}
          y={14}
          width={Math.max(0, right - left)}
          height={HEIGHT - BOTTOM - 14}
          className="fill-base-300/40"
        />
        <text x={(left + right) / 2} y={HEIGHT / 2} textAnchor="middle" className="fill-quiet text-[13px]">
          {say("not offered")}
        </text>
      </g>
    );
  return (
    <path
      d={`M${left},${y(price)} L${right},${y(rising ? price * 1.2 : price)}`}
      className="fill-none stroke-primary"
      strokeWidth={2.5}
      strokeDasharray={rising ? "5 3" : undefined}
    />
  );
}
