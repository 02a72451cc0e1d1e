import { optionNameOf } from "../../../core/explain/option-name.ts";
import { majorIn } from "../../../core/money/decimal.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { OverviewRow } from "../../../core/queries/overview.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { csvOf } from "../../fields/csv-of.ts";
import { say } from "../../language/say.ts";
import { bandsWords, nowWords, stepWords } from "./overview-words.ts";

const HEADER = [
  phrase("market"),
  phrase("place"),
  phrase("currency"),
  phrase("option"),
  phrase("price now"),
  phrase("why none"),
  phrase("free from"),
  phrase("bands"),
  phrase("goals"),
  phrase("note"),
];

/**
 * The overview as CSV: a row for each option of each zone, figures in the currency's major units.
 *
 * @example overviewCsv(plan, rows).split("\r\n")[1] // "Portugal,Mainland Portugal,EUR,Standard,4.90,,45.00,,free from €45,"
 */
export function overviewCsv(plan: Plan, rows: ReadonlyMap<string, OverviewRow>): string {
  const lines = [...plan.markets].sort(byPosition).flatMap((market) =>
    plan.zones
      .filter((zone) => zone.market === market.id)
      .sort(byPosition)
      .flatMap((zone) => {
        const row = rows.get(zone.id);
        if (!row) return [];
        const { currency, cells, problem } = row;
        const place = [market.name, zone.name, currency];
        const major = (minor: number) => majorIn(minor, currency);
        if (problem !== null) return [[...place, "", "", "", "", "", "", say(problem)]];
        return cells.map((cell) => {
          const { now, freeFrom, steps } = cell;
          return [
            ...place,
            optionNameOf(plan, cell.option),
            ...(typeof now === "number" ? [major(now), ""] : ["", nowWords(cell, currency)]),
            freeFrom === null ? "" : major(freeFrom),
            bandsWords(plan, zone, cell.option, currency) ?? "",
            steps.map((step) => stepWords(step, currency)).join("; "),
            "",
          ];
        });
      }),
  );
  return csvOf([HEADER.map((name) => say(name)), ...lines]);
}
