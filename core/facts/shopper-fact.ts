import type { Static, TObject, TProperties } from "../schema/type.ts";
import type { AskedOfFact } from "./asked.ts";
import type { Fact } from "./fact.ts";

/** How a person on screen describes a shopper in one respect, and what a request then says. */
export type DescribedFact<Described extends TProperties, Fields extends TProperties> = {
  readonly fields: Described;
  /** Of a shopper of whom no more is known than that they are signed in. */
  readonly plain: Static<TObject<Described>>;
  readonly toRequest: (described: Static<TObject<Described>>) => Static<TObject<Fields>>;
  /** Which of the fields are days, to be looked up in the calendar. */
  readonly days?: readonly (keyof Described & string)[];
};

/** A fact about the shopper: what requests say of it, how it is read from them, and how somebody is made of whom it is so. */
export type ShopperFact<Fields extends TProperties, Described extends TProperties, Value> = Fact & {
  /** Its part of a request's shopper; all of it may be left out. */
  readonly fields: Fields;
  readonly described: DescribedFact<Described, Fields>;
  /** Its value at a moment (milliseconds of UTC); null: not known. */
  readonly read: (shopper: Static<TObject<Fields>>, at: number) => Value | null;
  /** Shoppers as asked, the plainest first; none: nobody can be. */
  readonly witnesses: (asked: AskedOfFact, at: number) => readonly Static<TObject<Fields>>[];
};

/**
 * Defines a fact about the shopper.
 *
 * @example shopperFact({ name: "shopper.business", domain: { kind: "flag" }, words: "…", fields, described, read, witnesses })
 */
export const shopperFact = <Fields extends TProperties, Described extends TProperties, Value>(
  fact: ShopperFact<Fields, Described, Value>,
): ShopperFact<Fields, Described, Value> => fact;
