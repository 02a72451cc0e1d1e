/** Offers by which may be used together: a company is told apart by its number. */
export type Companies = {
  readonly of: (offer: number) => number;
  /** Whether all of a company may be used together. */
  readonly complete: (company: number) => boolean;
};

/**
 * Puts offers into companies: two that may be used together are in the same one, and so is whoever may be used with either. No set
 * of offers that stand each other has members of two.
 *
 * @param stacks by the numbers of both
 * @example companiesOf([[false, true], [true, false]]).complete(0) // true
 */
export function companiesOf(stacks: readonly (readonly boolean[])[]): Companies {
  const company: number[] = [];
  const members: number[][] = [];
  for (const first of stacks.keys()) {
    if (company[first] !== undefined) continue;
    const found = [first];
    company[first] = members.length;
    for (const one of found)
      for (const [other, stands] of (stacks[one] ?? []).entries())
        if (stands && company[other] === undefined) {
          company[other] = members.length;
          found.push(other);
        }
    members.push(found);
  }
  const complete = members.map((all) => all.every((a) => all.every((b) => a === b || stacks[a]?.[b] === true)));
  return { of: (offer) => company[offer] ?? -1, complete: (number) => complete[number] === true };
}
