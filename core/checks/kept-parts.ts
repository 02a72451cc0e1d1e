import type { Decision } from "../analysis/decide.ts";
import type { Condition } from "../conditions/condition.ts";
import type { Problem } from "../schema/problem.ts";

type Kept<T> = { readonly madeOf: readonly unknown[]; readonly value: T };

/** What the parts of a check came to in the run before, each with what it was made of. */
export class KeptParts<T> {
  private before: ReadonlyMap<string, Kept<T>> = new Map();
  private now = new Map<string, Kept<T>>();

  /** @param madeOf everything that `make` looks at: the very same things, by identity, come to the same */
  of(key: string, madeOf: readonly unknown[], make: () => T): T {
    const known = this.now.get(key) ?? this.before.get(key);
    const same = known && known.madeOf.length === madeOf.length && known.madeOf.every((one, i) => one === madeOf[i]);
    const kept = same ? known : { madeOf, value: make() };
    this.now.set(key, kept);
    return kept.value;
  }

  /** A new run begins: what the last one had no use for is forgotten. */
  begin(): void {
    // A run that was broken off has not asked for everything.
    this.before = this.whole ? this.now : new Map([...this.before, ...this.now]);
    this.now = new Map();
    this.whole = false;
  }

  /** The run has come to its end. */
  end(): void {
    this.whole = true;
  }
  private whole = false;
}

/** Delivery that gets dearer by a lot where a cart grows past `from`; in minor units. */
export type Cliff = { readonly option: string; readonly rise: number; readonly past: number; readonly from: number };

/** What a zone has for those who pay in one currency. */
export type There = {
  readonly options: readonly {
    readonly id: string;
    readonly asked: Condition | undefined;
    readonly isCollected: boolean;
  }[];
  /** Steps that have no amount in that currency. */
  readonly withoutAmount: readonly { readonly offer: string; readonly step: string }[];
};

/** What takes long in the checks, kept from one run to the next, so that after an edit only what it can change is looked at anew. */
export class CheckMemory {
  readonly decisions = new KeptParts<Decision>();
  /** Whether a step gives something somewhere. */
  readonly gives = new KeptParts<boolean>();
  readonly cliffs = new KeptParts<readonly Cliff[]>();
  readonly there = new KeptParts<There>();
  /** Rules that an entity breaks. */
  readonly broken = new KeptParts<readonly Problem[]>();
  /** A thing that stands for many: the very same as long as they are. */
  readonly stands = new KeptParts<object>();

  begin(): void {
    for (const parts of this.all) parts.begin();
  }
  end(): void {
    for (const parts of this.all) parts.end();
  }
  private readonly all = [this.decisions, this.gives, this.cliffs, this.there, this.broken, this.stands];
}
