import type { Fact, OneName, SomeNames, SomePostcodes } from "./fact.ts";
import { type Intervals, samples } from "./intervals.ts";

/** What is asked of facts, all of it at once; a fact that is not in it may be anything. */
export type Asked = {
  readonly flags: ReadonlyMap<Fact, boolean>;
  readonly numbers: ReadonlyMap<Fact, Intervals>;
  readonly names: ReadonlyMap<Fact, OneName>;
  readonly sets: ReadonlyMap<Fact, SomeNames>;
  readonly postcodes: readonly (SomePostcodes & { readonly fact: Fact })[];
};

/** What is asked of one fact, in the terms of its domain. */
export type AskedOfFact = {
  readonly flag: boolean | undefined;
  readonly numbers: Intervals | undefined;
  readonly name: OneName | undefined;
  readonly set: SomeNames | undefined;
  readonly postcodes: readonly SomePostcodes[];
};

export const askedOf = ({ flags, numbers, names, sets, postcodes }: Asked, fact: Fact): AskedOfFact => ({
  flag: flags.get(fact),
  numbers: numbers.get(fact),
  name: names.get(fact),
  set: sets.get(fact),
  postcodes: postcodes.filter((asked) => asked.fact === fact),
});

/** Numbers worth trying; undefined: nothing is asked. */
export const numbersFor = ({ numbers }: Pick<AskedOfFact, "numbers">, most: number): readonly number[] | undefined =>
  numbers && samples(numbers, 0, most);

/** A name as asked, else a plain one, else another. @example nameFor({ name: undefined }, "shop") // "shop" */
export function nameFor({ name }: Pick<AskedOfFact, "name">, plain: string, otherwise = `${plain}-2`): string {
  const [first] = name?.in ?? [];
  if (first !== undefined) return first;
  return name?.not.includes(plain) ? otherwise : plain;
}

/** One name of each list that is asked for. */
export function namesFor({ set }: Pick<AskedOfFact, "set">): readonly string[] {
  const chosen = set?.someOf.map((list) => list.find((name) => !set.noneOf.includes(name)) ?? "") ?? [];
  return [...new Set(chosen)];
}
