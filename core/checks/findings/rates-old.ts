import { phrase } from "../../phrases/phrase.ts";
import { DAY } from "../../time/instant.ts";
import type { Check } from "../check.ts";

const OLD_DAYS = 14;

/** Exchange rates whose newest day is long past, where amounts are converted by them. */
export const ratesOld: Check = {
  code: "rates-old",
  severity: "risky",
  *find({ plan, around }) {
    const text = JSON.stringify([plan.offers, plan.options]);
    for (const table of plan.rates ?? []) {
      if (!text.includes(`"table":"${table.id}"`)) continue;
      const newest = table.days.reduce((latest, { date }) => (date > latest ? date : latest), "");
      const days = Math.floor((around.at - Date.parse(`${newest}T00:00:00Z`)) / DAY);
      if (days > OLD_DAYS)
        yield {
          sentence: phrase("The newest rates of “{id}” are {days} days old: converted amounts go by them.", {
            id: table.id,
            days,
          }),
          at: { kind: "rates", id: table.id, path: "/days" },
          witness: null,
        };
    }
  },
};
