import { chargeWords } from "../../charges/words.ts";
import type { Condition } from "../../conditions/condition.ts";
import { conditionWords } from "../../conditions/words.ts";
import { savedOf } from "../../plan/plan.ts";
import { visitCharges } from "../../plan/visit-charges.ts";
import { type Check, onOption } from "../check.ts";

/** An entry of a list that earlier ones always forestall: a narrower rule below a wider one never fires (F5). */
export const entryNeverFires: Check = {
  code: "entry-never-fires",
  severity: "wrong",
  *find(context) {
    for (const { option, charge, path, replace } of visitCharges(context.plan)) {
      if (charge.kind !== "conditional" || charge.take !== "first") continue;
      const entries = [...charge.entries].sort((a, b) => a.position - b.position);
      for (const [i, entry] of entries.entries()) {
        if (i === 0) continue;
        const earlier = entries.slice(0, i).map(({ when }): Condition | undefined => when && { kind: "not", of: when });
        const open = earlier.filter((when) => when !== undefined);
        const reached: Condition = { kind: "all", of: [...open, ...(entry.when ? [entry.when] : [])] };
        const shut = earlier.some((when) => when === undefined);
        if (!shut && (reached.of.length === 0 || context.decide(option.zones, reached, true).kind !== "never"))
          continue;
        const [where] = context.contextsOf(option.zones);
        const amounts = where ? context.amountContext(where) : { market: "", currency: "EUR", rates: new Map() };
        const saved = savedOf(context.plan);
        const words = entry.when ? `when ${conditionWords(entry.when, amounts, saved)}` : "otherwise";
        // Right above the first entry that leaves nothing of it.
        const blocker = entries.slice(0, i).findIndex((_, j) => {
          const before = entries
            .slice(0, j + 1)
            .map(({ when }): Condition | undefined => when && { kind: "not", of: when });
          const left: Condition = {
            kind: "all",
            of: [...before.filter((when) => when !== undefined), ...(entry.when ? [entry.when] : [])],
          };
          return before.includes(undefined) || context.decide(option.zones, left, true).kind === "never";
        });
        const others = entries.filter((one) => one !== entry);
        const order = [...others.slice(0, blocker), entry, ...others.slice(blocker)];
        const moved = { ...charge, entries: order.map((one, j) => ({ ...one, position: (j + 1) * 10 })) };
        const fix = {
          words: "Move it above that entry",
          changes: [{ kind: "option" as const, id: option.id, body: replace(moved) }],
        };
        yield {
          sentence: `${context.optionName(option.id)} never charges ${chargeWords(entry.charge, amounts, saved)} (${words}): an entry above it always applies first.`,
          at: onOption(option, `${path}/entries/${charge.entries.indexOf(entry)}`),
          witness: null,
          ...(entry.when && blocker >= 0 ? { fix } : {}),
        };
      }
    }
  },
};
