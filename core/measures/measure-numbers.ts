import type { AmountContext } from "../money/amount.ts";
import type { Rational } from "../money/rational.ts";
import { compileSpec, type Measure } from "./measure.ts";
import { type LadderMeasure, type MeasureSpec, measureKey, type Scope } from "./measure-spec.ts";

/** Numbers the measures that a tariff counts. */
export type MeasureNumber = (spec: MeasureSpec | LadderMeasure | { readonly kind: "lines" }, scope: Scope) => number;

/** Numbers measures as they are first asked for, each that means the same once. `measures` grows with it. */
export function measureNumbers(
  pricesIncludeTax: boolean,
  standardTax: Rational,
  context: AmountContext,
): { readonly measures: Measure[]; readonly measureNumber: MeasureNumber } {
  const numbers = new Map<string, number>();
  const measures: Measure[] = [];
  const measureNumber: MeasureNumber = (spec, scope) => {
    const key = spec.kind === "lines" ? "lines" : measureKey(spec, scope);
    const known = numbers.get(key);
    if (known !== undefined) return known;
    measures.push(compileSpec(spec, scope, pricesIncludeTax, standardTax, context));
    numbers.set(key, measures.length - 1);
    return measures.length - 1;
  };
  return { measures, measureNumber };
}
