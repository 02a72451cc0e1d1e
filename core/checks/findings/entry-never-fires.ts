import type { Charge } from "../../charges/charge.ts";
import { chargeWords } from "../../charges/words.ts";
import type { Condition } from "../../conditions/condition.ts";
import { conditionWords } from "../../conditions/words.ts";
import { type Phrase, phrase } from "../../phrases/phrase.ts";
import { savedOf } from "../../plan/plan.ts";
import { type OptionCharge, visitCharges } from "../../plan/visit-charges.ts";
import { type Check, type CheckContext, onOption } from "../check.ts";

type List = Extract<Charge, { kind: "conditional" }>;
type Entry = List["entries"][number];

/** An entry of a list that earlier ones always forestall: a narrower rule below a wider one never fires (F5). */
export const entryNeverFires: Check = {
  code: "entry-never-fires",
  severity: "wrong",
  isSlow: true,
  *find(context) {
    for (const place of visitCharges(context.plan)) {
      const { option, charge, path } = place;
      if (charge.kind !== "conditional" || charge.take !== "first") continue;
      const entries = [...charge.entries].sort((a, b) => a.position - b.position);
      for (const [i, entry] of entries.entries()) {
        const earlier = entries.slice(0, i);
        if (i === 0 || !isForestalled(context, option.zones, earlier, entry)) continue;
        // Right above the first entry that leaves nothing of it.
        const blocker = earlier.findIndex((_, j) =>
          isForestalled(context, option.zones, earlier.slice(0, j + 1), entry),
        );
        yield {
          sentence: phrase("{option} never charges {entry}: an entry above it always applies first.", {
            option: context.optionName(option.id),
            entry: wordsOf(context, option.zones, entry),
          }),
          at: onOption(option, `${path}/entries/${charge.entries.indexOf(entry)}`),
          witness: null,
          ...(entry.when && blocker >= 0 ? { fix: moveUp(place, charge, entries, entry, blocker) } : {}),
        };
      }
    }
  },
};

/** Whether nothing is left for an entry by those before it. */
function isForestalled(
  context: CheckContext,
  zones: readonly string[],
  earlier: readonly Entry[],
  { when }: Entry,
): boolean {
  if (earlier.some((one) => one.when === undefined)) return true;
  const open = earlier.flatMap((one): Condition[] => (one.when ? [{ kind: "not", of: one.when }] : []));
  const left: Condition = { kind: "all", of: [...open, ...(when ? [when] : [])] };
  return left.of.length > 0 && context.decide(zones, left, true).kind === "never";
}

/** @example "€5 (when the cart holds more than 8 items)" */
function wordsOf(context: CheckContext, zones: readonly string[], { when, charge }: Entry): Phrase {
  const [where] = context.contextsOf(zones);
  const amounts = where ? context.amountContext(where) : { zone: null, market: "", currency: "EUR", rates: new Map() };
  const saved = savedOf(context.plan);
  const price = chargeWords(charge, amounts, saved);
  return when
    ? phrase("{price} (when {condition})", { price, condition: conditionWords(when, amounts, saved) })
    : phrase("{price} (otherwise)", { price });
}

function moveUp({ option, replace }: OptionCharge, charge: List, entries: readonly Entry[], entry: Entry, to: number) {
  const others = entries.filter((one) => one !== entry);
  const order = [...others.slice(0, to), entry, ...others.slice(to)];
  const moved: Charge = { ...charge, entries: order.map((one, j) => ({ ...one, position: (j + 1) * 10 })) };
  return {
    words: phrase("Move it above that entry"),
    changes: [{ kind: "option" as const, id: option.id, body: replace(moved) }],
  };
}
