import type { Offer } from "../../offers/offer.ts";
import { phrase } from "../../phrases/phrase.ts";
import type { Plan } from "../../plan/plan.ts";
import { zonesWithin } from "../../queries/coverage.ts";
import { rewardOptions } from "../../rewards/reward.ts";
import { type Check, onOffer } from "../check.ts";

/** An offer that holds around a narrow zone and not in it, though its options are there: often the zone was drawn later (F7). */
export const zoneLeftOut: Check = {
  code: "zone-left-out",
  severity: "odd",
  *find({ plan, list, zoneName }) {
    const within = zonesWithin(plan);
    const given = givenIn(plan);
    for (const offer of plan.offers) {
      if (!offer.on) continue;
      const rewarded = rewardedBy(offer);
      const options = plan.options.filter(({ id, on }) => on !== false && (rewarded.size === 0 || rewarded.has(id)));
      const left = within.filter(
        ({ zone, around }) =>
          offer.zones.includes(around) &&
          !offer.zones.includes(zone) &&
          // Where its options are not, it could give nothing.
          options.some(({ zones }) => zones.includes(zone)) &&
          // Another on the same options is meant for it.
          ![...rewarded].some((id) => given.get(zone)?.has(id)),
      );
      if (left.length === 0) continue;
      const zones = [...new Set(left.map(({ zone }) => zone))];
      yield {
        sentence: phrase(
          "“{name}” leaves out {list}, which {count, plural, one {lies} other {lie}} within zones it holds in.",
          {
            name: offer.name,
            list: list(zones.map(zoneName)),
            count: zones.length,
          },
        ),
        at: onOffer(offer, "/zones"),
        witness: null,
        fix: {
          words: phrase("Let it hold there too"),
          changes: [{ kind: "offer", id: offer.id, body: { ...offer, zones: [...offer.zones, ...zones] } }],
        },
      };
    }
  },
};

const rewardedBy = ({ steps }: Offer): ReadonlySet<string> =>
  new Set(steps.flatMap(({ reward }) => rewardOptions(reward)));

/** The options on which some offer gives something, by zone. */
function givenIn({ offers }: Plan): ReadonlyMap<string, ReadonlySet<string>> {
  const given = new Map<string, Set<string>>();
  for (const offer of offers) {
    if (!offer.on) continue;
    const rewarded = rewardedBy(offer);
    for (const zone of offer.zones) {
      const there = given.get(zone) ?? new Set();
      given.set(zone, there);
      for (const id of rewarded) there.add(id);
    }
  }
  return given;
}
