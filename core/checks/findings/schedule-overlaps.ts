import { phrase } from "../../phrases/phrase.ts";
import { intervalsOf } from "../../time/occurrences.ts";
import { type Check, onOffer } from "../check.ts";
import { timeZonesOf } from "../time-zones.ts";

/** Gaps this short between two stretches are hardly meant: an hour. */
const SHORT = 3_600_000;

/** Stretches of one offer that overlap, or leave a gap so short that it is hardly meant. */
export const scheduleOverlaps: Check = {
  code: "schedule-overlaps",
  severity: "odd",
  *find({ plan }) {
    for (const offer of plan.offers) {
      const [timeZone = "UTC"] = timeZonesOf(plan, offer.zones);
      const stretches = intervalsOf(offer.schedule ?? [], timeZone).sort((a, b) => a[0] - b[0]);
      for (const [i, [start]] of stretches.entries()) {
        const before = stretches[i - 1];
        if (!before) continue;
        const gap = start - before[1];
        if (gap < 0)
          yield {
            sentence: phrase("Two stretches of “{name}” overlap.", { name: offer.name }),
            at: onOffer(offer, "/schedule"),
            witness: null,
          };
        if (gap > 0 && gap <= SHORT)
          yield {
            sentence: phrase("“{name}” pauses for {minutes} minutes between two stretches.", {
              name: offer.name,
              minutes: Math.round(gap / 60_000),
            }),
            at: onOffer(offer, "/schedule"),
            witness: null,
          };
      }
    }
  },
};
