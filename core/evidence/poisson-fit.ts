/**
 * Bins of counts whose expectation is width · exp(powers · a) · (1 + heaps · h): a smooth shape over where they are, with a share h of all
 * at certain places.
 */
export type BinModel = {
  /** Of each bin: powers of where it is. */
  readonly powers: readonly Float64Array[];
  /** Of each bin and kind of heap: by how much more of it would be there if all were at such places; -1 where it has none. */
  readonly heaps: readonly Float64Array[];
  readonly widths: readonly number[];
};

/** What is expected in each bin, and the parameters: a, then h. */
export type Fit = { readonly expected: Float64Array; readonly parameters: Float64Array };

const ROUNDS = 30;
const EXACT = 1e-4;
/** No bin is expected to hold less than this of what a smooth shape has there. */
const LEAST_HEAP = 0.05;
const MOST_HEAP = 0.9;

/**
 * The likeliest parameters, by Fisher's scoring, where counts are Poisson.
 *
 * @param groups of bins of which only the sum is taken, each bin in one of them
 * @param start parameters of counts much like these
 * @returns null where there is nothing to fit, or no one answer
 */
export function poissonFit(
  model: BinModel,
  groups: readonly (readonly number[])[],
  counts: Float64Array,
  start?: Float64Array,
): Fit | null {
  const total = sumOf(counts);
  if (total === 0) return null;
  const smooth = model.powers[0]?.length ?? 0;
  const size = smooth + (model.heaps[0]?.length ?? 0);
  const parameters = start ? start.slice() : new Float64Array(size);
  if (!start) parameters[0] = Math.log(total / model.widths.reduce((sum, width) => sum + width, 0));
  for (let round = 0; round < ROUNDS; round += 1) {
    const { information, score } = scoreOf(model, groups, counts, parameters);
    const step = solved(information, score);
    if (!step) return null;
    const longest = step.reduce((most, one) => Math.max(most, Math.abs(one)), 0);
    const damping = longest > 1 ? 1 / longest : 1;
    step.forEach((one, t) => {
      const next = (parameters[t] ?? 0) + damping * one;
      parameters[t] = t < smooth ? next : Math.min(MOST_HEAP, Math.max(-LEAST_HEAP, next));
    });
    if (longest < EXACT) break;
  }
  return { expected: Float64Array.from(model.widths, (_, i) => expectedIn(model, i, parameters).count), parameters };
}

const sumOf = (list: Float64Array): number => list.reduce((sum, one) => sum + one, 0);

/** What is expected in a bin, and by how much the share at heaps raises it. */
function expectedIn({ powers, heaps, widths }: BinModel, bin: number, parameters: Float64Array) {
  const [power, heap] = [powers[bin] ?? NONE, heaps[bin] ?? NONE];
  let smooth = 0;
  let raised = 1;
  for (let t = 0; t < power.length; t += 1) smooth += (power[t] ?? 0) * (parameters[t] ?? 0);
  for (let t = 0; t < heap.length; t += 1) raised += (heap[t] ?? 0) * (parameters[power.length + t] ?? 0);
  const held = Math.max(LEAST_HEAP, raised);
  return { count: (widths[bin] ?? 0) * Math.exp(Math.min(50, smooth)) * held, held };
}

const NONE = new Float64Array(0);

/** The slope of the likelihood, and the information that the groups hold. */
function scoreOf(
  model: BinModel,
  groups: readonly (readonly number[])[],
  counts: Float64Array,
  parameters: Float64Array,
): { information: Float64Array[]; score: Float64Array } {
  const size = parameters.length;
  const score = new Float64Array(size);
  // A little of each keeps it solvable where nothing is known of one.
  const information = Array.from({ length: size }, (_, i) => {
    const row = new Float64Array(size);
    row[i] = 1e-6;
    return row;
  });
  const slope = new Float64Array(size);
  for (const group of groups) {
    slope.fill(0);
    let expected = 0;
    let seen = 0;
    for (const bin of group) {
      expected += addSlope(model, bin, parameters, slope);
      seen += counts[bin] ?? 0;
    }
    for (let t = 0; t < size; t += 1) {
      const one = slope[t] ?? 0;
      score[t] = (score[t] ?? 0) + (seen / expected - 1) * one;
      const row = information[t];
      if (row) for (let u = 0; u < size; u += 1) row[u] = (row[u] ?? 0) + (one * (slope[u] ?? 0)) / expected;
    }
  }
  return { information, score };
}

/** Adds how a bin's expectation moves with each parameter. @returns what is expected in it */
function addSlope(model: BinModel, bin: number, parameters: Float64Array, slope: Float64Array): number {
  const { count, held } = expectedIn(model, bin, parameters);
  const [power, heap] = [model.powers[bin] ?? NONE, model.heaps[bin] ?? NONE];
  for (let t = 0; t < power.length; t += 1) slope[t] = (slope[t] ?? 0) + count * (power[t] ?? 0);
  for (let t = 0; t < heap.length; t += 1) {
    const at = power.length + t;
    slope[at] = (slope[at] ?? 0) + (count * (heap[t] ?? 0)) / held;
  }
  return count;
}

/** Solves a symmetric system that has one solution, by Cholesky's way; null where it has none. */
function solved(matrix: readonly Float64Array[], right: Float64Array): Float64Array | null {
  const lower = decomposed(matrix);
  if (!lower) return null;
  const size = right.length;
  const at = (i: number, j: number) => lower[i]?.[j] ?? 0;
  const found = right.slice();
  for (let i = 0; i < size; i += 1) {
    for (let k = 0; k < i; k += 1) found[i] = (found[i] ?? 0) - at(i, k) * (found[k] ?? 0);
    found[i] = (found[i] ?? 0) / at(i, i);
  }
  for (let i = size - 1; i >= 0; i -= 1) {
    for (let k = i + 1; k < size; k += 1) found[i] = (found[i] ?? 0) - at(k, i) * (found[k] ?? 0);
    found[i] = (found[i] ?? 0) / at(i, i);
  }
  return found;
}

/** The lower triangle that, times itself turned over, is the matrix; null where there is none. */
function decomposed(matrix: readonly Float64Array[]): Float64Array[] | null {
  const lower: Float64Array[] = [];
  for (const [i, from] of matrix.entries()) {
    const row = new Float64Array(matrix.length);
    lower.push(row);
    for (let j = 0; j <= i; j += 1) {
      let sum = from[j] ?? 0;
      for (let k = 0; k < j; k += 1) sum -= (row[k] ?? 0) * (lower[j]?.[k] ?? 0);
      if (i === j && sum <= 0) return null;
      row[j] = i === j ? Math.sqrt(sum) : sum / (lower[j]?.[j] ?? 1);
    }
  }
  return lower;
}
