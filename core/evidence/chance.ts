import { uniformFloat64 } from "pure-rand/distribution/uniformFloat64";
import { xoroshiro128plus } from "pure-rand/generator/xoroshiro128plus";

/** Numbers drawn alike from nothing up to one, the same ones for the same seed. */
export type Chance = () => number;

/** @example const chance = chanceFrom(7); chance() // the same figure in every run */
export function chanceFrom(seed: number): Chance {
  const generator = xoroshiro128plus(seed);
  return () => uniformFloat64(generator);
}

/** A draw from the standard normal distribution, by the way of Box and Muller. */
export const normalFrom = (chance: Chance): number =>
  Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());

const BY_NORMAL = 60;

/** A draw from the Poisson distribution; from a mean of 60 on by the normal one that is as good there. */
export function poissonFrom(chance: Chance, mean: number): number {
  if (mean >= BY_NORMAL) return Math.max(0, Math.round(mean + Math.sqrt(mean) * normalFrom(chance)));
  const end = Math.exp(-mean);
  let drawn = 0;
  for (let product = chance(); product > end; product *= chance()) drawn += 1;
  return drawn;
}
