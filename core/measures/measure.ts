import type { ReadCart, ReadLine } from "../cart/read-cart.ts";
import type { Basis } from "./basis.ts";
import { basisKey } from "./basis.ts";
import { type ValueMeasure, valuePath } from "./value-measure.ts";
import { lastCrossing, turns, type ValuePath, valueAt } from "./value-path.ts";

/** What is counted, as a plan names it: a value on a basis, pieces, or lines. */
export type MeasureSpec = { readonly kind: "value"; readonly basis: Basis } | { readonly kind: "items" | "lines" };

/** The same text for specs that mean the same, so that a measure is counted once per quote. */
export const measureKey = (spec: MeasureSpec): string =>
  spec.kind === "value" ? `value ${basisKey(spec.basis)}` : spec.kind;

/** A measure compiled for one zone. */
export type Measure = { readonly kind: "value"; readonly value: ValueMeasure } | { readonly kind: "items" | "lines" };

/** A measure along a path on which goods of one kind are added a minor unit at a time. */
export type MeasurePath =
  | { readonly kind: "value"; readonly path: ValuePath }
  /** `begun` from the first unit on, `whole` from unit number `length` on, when a line is complete. */
  | {
      readonly kind: "steps";
      readonly before: number;
      readonly begun: number;
      readonly whole: number;
      readonly length: number;
    };

/** The path of a measure from a cart onwards as `next` is added, or filler when `next` is null. */
export function measurePath(measure: Measure, cart: ReadCart, next: ReadLine | null): MeasurePath {
  if (measure.kind === "value") return { kind: "value", path: valuePath(measure.value, cart, next) };
  const pieces = (line: ReadLine) => (measure.kind === "items" ? line.quantity : 1);
  const before = cart.lines.reduce((sum, line) => sum + pieces(line), 0);
  return {
    kind: "steps",
    before,
    begun: before + 1,
    whole: before + (next ? pieces(next) : 1),
    length: next?.shelf ?? 1,
  };
}

/** The measure after y units were added, in its whole units: minor units, pieces or lines. */
export function measureAt(measured: MeasurePath, y: number): number {
  if (measured.kind === "value") return valueAt(measured.path, y);
  if (y === 0) return measured.before;
  return y >= measured.length ? measured.whole : measured.begun;
}

/** Every y in 1..length (null: for good) at which "at least `least`" turns, ascending. */
export function measureTurns(measured: MeasurePath, least: number, length: number | null): number[] {
  if (measured.kind === "value") return turns(measured.path, least, length);
  const { length: complete } = measured;
  return [...new Set([1, complete])].filter(
    (y) => (length === null || y <= length) && measureAt(measured, y) >= least !== measureAt(measured, y - 1) >= least,
  );
}

/** The least y from which on the measure is at least `least` for good; null when it never is. */
export function measureCrossing(measured: MeasurePath, least: number): number | null {
  if (measured.kind === "value") return lastCrossing(measured.path, least);
  if (measured.before >= least) return 0;
  return measureTurns(measured, least, null).at(-1) ?? null;
}
