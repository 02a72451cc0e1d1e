import { median } from "./median.ts";

/**
 * Times several ways of doing something, turn and turn about, so that what slows the machine slows them all.
 *
 * @param repeats how often each is done within one timing
 * @returns the median milliseconds of doing each once, in their order
 */
export async function interleaved(
  ways: readonly (() => unknown)[],
  { rounds, repeats }: { rounds: number; repeats: number },
): Promise<number[]> {
  const times = ways.map((): number[] => []);
  for (let round = -Math.ceil(rounds / 4); round < rounds; round += 1) {
    for (const [which, way] of ways.entries()) {
      const start = performance.now();
      for (let i = 0; i < repeats; i += 1) await way();
      if (round >= 0) times[which]?.push((performance.now() - start) / repeats);
    }
  }
  return times.map(median);
}

/** `name: ratio`, with the medians it was made from beside it. */
export function report(name: string, ratio: number, medians: Readonly<Record<string, number>>): void {
  const raw = Object.entries(medians).map(([way, ms]) => `${way} ${inWords(ms)}`);
  console.log(`${name}: ${ratio >= 10 ? ratio.toFixed(0) : ratio.toFixed(2)}  (${raw.join(", ")})`);
}

const inWords = (ms: number) => (ms >= 1 ? `${ms.toFixed(2)} ms` : `${(1000 * ms).toFixed(1)} µs`);
