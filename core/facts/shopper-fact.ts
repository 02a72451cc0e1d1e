import type { Static, TObject, TProperties } from "../schema/type.ts";
import type { AskedOfFact } from "./asked.ts";
import type { Fact } from "./fact.ts";

/** A fact about the shopper: what requests say of it, how it is read from them, and how somebody is made of whom it is so. */
export type ShopperFact<Fields extends TProperties, Value> = Fact & {
  /** Its part of a request's shopper; all of it may be left out. */
  readonly fields: Fields;
  /** Its value at a moment (milliseconds of UTC); null: not known. */
  readonly read: (shopper: Static<TObject<Fields>>, at: number) => Value | null;
  /** Shoppers as asked, the plainest first; none: nobody can be. */
  readonly witnesses: (asked: AskedOfFact, at: number) => readonly Static<TObject<Fields>>[];
};

/**
 * Defines a fact about the shopper.
 *
 * @example shopperFact({ name: "shopper.business", domain: { kind: "flag" }, words: "…", fields: { business: … }, read, witnesses })
 */
export const shopperFact = <Fields extends TProperties, Value>(
  fact: ShopperFact<Fields, Value>,
): ShopperFact<Fields, Value> => fact;
