/** A place on a line and how much lies there. */
export type Weighted = { readonly at: number; readonly weight: number };

/**
 * Cuts a line into `parts` so that the squared distances to each part's mean add up to the least there is: k-means in one dimension,
 * exact by dynamic programming (Wang and Song, The R Journal 3/2, 2011), with weights.
 *
 * @param points the smallest first, each with a weight above nothing
 * @returns for each part the index of its first point
 * @example partition([{ at: 1, weight: 1 }, { at: 2, weight: 1 }, { at: 9, weight: 1 }], 2) // [0, 2]
 */
export function partition(points: readonly Weighted[], parts: number): number[] {
  const count = points.length;
  const wanted = Math.min(parts, count);
  if (wanted === 0) return [];
  const costs = costsOf(points);
  // best[i]: the least for the points before i in as many parts as were added so far.
  let best = Float64Array.from({ length: count + 1 }, (_, i) => (i === 0 ? 0 : costs(0, i)));
  const starts: Int32Array[] = [new Int32Array(count + 1)];
  for (let part = 1; part < wanted; part += 1) {
    const next = new Float64Array(count + 1).fill(Number.POSITIVE_INFINITY);
    const start = new Int32Array(count + 1);
    for (let end = part + 1; end <= count; end += 1) {
      for (let from = part; from < end; from += 1) {
        const cost = (best[from] ?? 0) + costs(from, end);
        if (cost < (next[end] ?? 0)) {
          next[end] = cost;
          start[end] = from;
        }
      }
    }
    best = next;
    starts.push(start);
  }
  const cuts: number[] = [];
  let end = count;
  for (const start of starts.reverse()) {
    end = start[end] ?? 0;
    cuts.unshift(end);
  }
  return cuts;
}

/** What one part from a point up to before another costs. */
function costsOf(points: readonly Weighted[]): (from: number, end: number) => number {
  const count = points.length;
  const [weights, sums, squares] = [0, 1, 2].map(() => new Float64Array(count + 1));
  if (!weights || !sums || !squares) throw new RangeError("three sums are made");
  // Far from nothing, squares lose what they are compared by.
  const middle = points[count >> 1]?.at ?? 0;
  points.forEach(({ at, weight }, i) => {
    const off = at - middle;
    weights[i + 1] = (weights[i] ?? 0) + weight;
    sums[i + 1] = (sums[i] ?? 0) + weight * off;
    squares[i + 1] = (squares[i] ?? 0) + weight * off * off;
  });
  const over = (totals: Float64Array, from: number, end: number) => (totals[end] ?? 0) - (totals[from] ?? 0);
  return (from, end) => {
    const sum = over(sums, from, end);
    return Math.max(0, over(squares, from, end) - (sum * sum) / over(weights, from, end));
  };
}
