import type { Offer } from "../../offers/offer.ts";
import { phrase } from "../../phrases/phrase.ts";
import { localMoment } from "../../time/local-moment.ts";
import { type Check, onOffer } from "../check.ts";
import { timeZonesOf } from "../time-zones.ts";

/** A start or end that clocks skip over, or pass twice. */
export const scheduleInSkippedHour: Check = {
  code: "schedule-in-skipped-hour",
  severity: "odd",
  *find({ plan }) {
    for (const offer of plan.offers)
      for (const { local, side, path } of endsOf(offer))
        for (const timeZone of timeZonesOf(plan, offer.zones)) {
          const { clocks } = localMoment(local, timeZone, side);
          if (clocks === "plain") continue;
          const said = { name: offer.name, local: local.replace("T", " ") };
          const words =
            clocks === "skipped"
              ? phrase("clocks in {zone} skip that hour", { zone: timeZone })
              : phrase("clocks in {zone} show that hour twice", { zone: timeZone });
          yield {
            sentence:
              side === "start"
                ? phrase("“{name}” starts at {local}: {words}.", { ...said, words })
                : phrase("“{name}” ends at {local}: {words}.", { ...said, words }),
            at: onOffer(offer, path),
            witness: null,
          };
        }
  },
};

/** Every start and end of an offer's schedule. */
const endsOf = ({ schedule = [] }: Offer) =>
  schedule.flatMap(({ from, until }, i) => [
    ...(from ? [{ local: from, side: "start" as const, path: `/schedule/${i}/from` }] : []),
    ...(until ? [{ local: until, side: "end" as const, path: `/schedule/${i}/until` }] : []),
  ]);
