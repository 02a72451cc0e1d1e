import { localMoment } from "../../time/local-moment.ts";
import { type Check, onOffer } from "../check.ts";
import { timeZonesOf } from "../time-zones.ts";

/** A start or end that clocks skip over, or pass twice. */
export const scheduleInSkippedHour: Check = {
  code: "schedule-in-skipped-hour",
  severity: "odd",
  *find({ plan }) {
    for (const offer of plan.offers)
      for (const [i, stretch] of (offer.schedule ?? []).entries())
        for (const side of ["from", "until"] as const)
          for (const timeZone of timeZonesOf(plan, offer)) {
            const local = stretch[side];
            if (!local) continue;
            const { clocks } = localMoment(local, timeZone, side === "from" ? "start" : "end");
            if (clocks === "plain") continue;
            const words = clocks === "skipped" ? "clocks in {} skip that hour" : "clocks in {} show that hour twice";
            yield {
              sentence: `“${offer.name}” ${side === "from" ? "starts" : "ends"} at ${local.replace("T", " ")}: ${words.replace("{}", timeZone)}.`,
              at: onOffer(offer, `/schedule/${i}/${side}`),
              witness: null,
            };
          }
  },
};
