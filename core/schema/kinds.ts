import type { Static, TSchema } from "./type.ts";

/** One of several kinds of things, told apart by `kind`. */
export type OfKind = { readonly kind: string };

/** A schema of objects told apart by `kind`. */
export type KindSchema = TSchema & { static: OfKind };

/**
 * Takes a thing of any kind for one of the kind that a definition is about. Things have been checked against the schemas before
 * they get here.
 *
 * @param noun what it is one of: "charge"
 * @example ownKind<typeof FlatCharge>("flat", "charge")(charge).amount
 * @throws RangeError for one of another kind
 */
export function ownKind<Schema extends KindSchema>(
  kind: Static<Schema>["kind"],
  noun: string,
): (one: OfKind) => Static<Schema> {
  const isOwn = (one: OfKind): one is Static<Schema> => one.kind === kind;
  return (one) => {
    if (isOwn(one)) return one;
    throw new RangeError(`"${one.kind}" is no ${noun} of kind "${kind}"`);
  };
}

/** Definitions by kind, in the order in which they are listed. */
export const registry = <Definition extends OfKind>(
  definitions: readonly Definition[],
): ReadonlyMap<string, Definition> => new Map(definitions.map((one): [string, Definition] => [one.kind, one]));

/**
 * The definition of a thing's kind.
 *
 * @throws RangeError for a kind that is not there, which the schema refuses before
 */
export function definitionOf<Definition>(
  kinds: ReadonlyMap<string, Definition>,
  { kind }: OfKind,
  noun: string,
): Definition {
  const found = kinds.get(kind);
  if (!found) throw new RangeError(`there is no kind of ${noun} "${kind}"`);
  return found;
}
