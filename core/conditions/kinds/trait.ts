import type { ReadLine } from "../../cart/read-cart.ts";
import { cartLines } from "../../facts/cart/goods.ts";
import { joined, phrase } from "../../phrases/phrase.ts";
import { closed } from "../../schema/atoms.ts";
import { Type } from "../../schema/type.ts";
import { NO_NEED } from "../constraint.ts";
import { defineCondition, leaf } from "../definition.ts";

const TRAITS = {
  used: { has: (line: ReadLine) => line.used, words: phrase("used") },
  new: { has: (line: ReadLine) => !line.used, words: phrase("new") },
  "ships-free": {
    has: (line: ReadLine) => line.delivery?.kind === "ships-free",
    words: phrase("shipped free by itself"),
  },
  "own-charge": { has: (line: ReadLine) => line.delivery?.kind === "own-charge", words: phrase("charged on its own") },
  "nothing-to-ship": {
    has: (line: ReadLine) => line.delivery?.kind === "nothing-to-ship",
    words: phrase("nothing that is shipped"),
  },
  reduced: { has: (line: ReadLine) => line.discount > 0, words: phrase("reduced") },
} as const;
const HOW_WORDS = { any: phrase("some line is"), none: phrase("no line is"), only: phrase("every line is") } as const;

/** What lines are like: new or used, reduced, shipped free, charged on their own, nothing to ship. */
export const trait = defineCondition({
  kind: "trait",
  family: "cart",
  schema: Type.Object(
    {
      kind: Type.Literal("trait"),
      trait: Type.Union(
        (["used", "new", "ships-free", "own-charge", "nothing-to-ship", "reduced"] as const).map((name) =>
          Type.Literal(name),
        ),
      ),
      how: Type.Union((["any", "none", "only"] as const).map((name) => Type.Literal(name))),
    },
    closed,
  ),
  example: { kind: "trait", trait: "used", how: "none" },
  compile: ({ trait: name, how }) => {
    const { has } = TRAITS[name];
    return leaf(
      (situation) => {
        const { lines } = situation;
        // Part of a reduced line carries its share of the discount, rounded down: at first that may be nothing.
        const is = name === "reduced" ? (line: ReadLine) => situation.lineReaches(line, "discount", 1) === true : has;
        return how === "any" ? lines.some(is) : how === "none" ? !lines.some(is) : lines.every(is);
      },
      ({ lines }) => lines.filter(has).map(({ sku }) => sku),
      name === "reduced" ? "figures" : "lines",
    );
  },
  constrains: ({ trait: name, how }) => ({
    fact: cartLines,
    within: { kind: "lines", how, need: (wanted) => ({ ...NO_NEED, traits: [{ trait: name, wanted }] }) },
  }),
  words: ({ trait: name, how }) => joined([HOW_WORDS[how], TRAITS[name].words]),
});
