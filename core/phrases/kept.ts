/** What takes long to make and is wanted again, by its key; once there are too many, all are forgotten. @example formats.of("pt EUR", () => …) */
export class Kept<T, Key = string> {
  private readonly made = new Map<Key, T>();
  private readonly most: number;
  constructor(most: number) {
    this.most = most;
  }
  of(key: Key, make: () => T): T {
    const known = this.made.get(key);
    if (known !== undefined) return known;
    if (this.made.size >= this.most) this.made.clear();
    const fresh = make();
    this.made.set(key, fresh);
    return fresh;
  }
}

/** What is made of a thing, made once for it and forgotten with it. @example const wordsOf = keptBy((plan: Plan) => …) */
export function keptBy<Thing extends object, T extends object | string>(
  make: (thing: Thing) => T,
): (thing: Thing) => T {
  const made = new WeakMap<Thing, T>();
  return (thing) => {
    const known = made.get(thing);
    if (known !== undefined) return known;
    const fresh = make(thing);
    made.set(thing, fresh);
    return fresh;
  };
}
