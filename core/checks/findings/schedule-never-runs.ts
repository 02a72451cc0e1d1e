import { phrase } from "../../phrases/phrase.ts";
import { interval } from "../../time/local.ts";
import { type Check, onOffer } from "../check.ts";
import { timeZonesOf } from "../time-zones.ts";

/** A stretch of time that ends before it starts. */
export const scheduleNeverRuns: Check = {
  code: "schedule-never-runs",
  severity: "wrong",
  *find({ plan }) {
    for (const offer of plan.offers) {
      for (const [i, stretch] of (offer.schedule ?? []).entries()) {
        const [timeZone = "UTC"] = timeZonesOf(plan, offer.zones);
        const [start, end] = interval(stretch, timeZone);
        if (start < end || !stretch.from || !stretch.until) continue;
        const turned = offer.schedule?.map((one, j) =>
          j === i ? { ...one, from: stretch.until, until: stretch.from } : one,
        );
        const schedule = turned?.map(({ from, until, again }) => ({
          ...(from ? { from } : {}),
          ...(until ? { until } : {}),
          ...(again ? { again } : {}),
        }));
        yield {
          sentence: phrase("“{name}” ends ({until}) before it starts ({from}): it never runs then.", {
            name: offer.name,
            until: stretch.until,
            from: stretch.from,
          }),
          at: onOffer(offer, `/schedule/${i}`),
          witness: null,
          ...(schedule
            ? {
                fix: {
                  words: phrase("Turn start and end round"),
                  changes: [{ kind: "offer" as const, id: offer.id, body: { ...offer, schedule } }],
                },
              }
            : {}),
        };
      }
    }
  },
};
