import { phrase } from "../../phrases/phrase.ts";
import { visitCharges } from "../../plan/visit-charges.ts";
import { type Check, onOption } from "../check.ts";

/** Products without a weight, where a charge asks for it. */
export const weightMissing: Check = {
  code: "weight-missing",
  severity: "wrong",
  *find({ plan, around, list, optionName }) {
    const without = around.products.filter(({ weight, shipped }) => weight === null && shipped);
    if (without.length === 0) return;
    const names =
      without.length > 3
        ? phrase("{count} products", { count: without.length })
        : list(without.map(({ name }) => name));
    for (const { option, charge, path } of visitCharges(plan)) {
      const needs =
        charge.kind === "carrier" ||
        (charge.kind === "bands" && ["weight", "chargeable-weight", "weight-volume"].includes(charge.by.kind));
      if (needs)
        yield {
          sentence: phrase(
            "{option} goes by weight, which is not known of {names}: with them in the cart it has no price.",
            { option: optionName(option.id), names },
          ),
          at: onOption(option, path),
          witness: null,
        };
    }
  },
};
