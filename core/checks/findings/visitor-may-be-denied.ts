import { phrase } from "../../phrases/phrase.ts";
import { byPosition } from "../../schema/atoms.ts";
import { type Check, onOffer } from "../check.ts";

/** What a visitor is told before the address is known, where another zone of the same country may deny it. */
export const visitorMayBeDenied: Check = {
  code: "visitor-may-be-denied",
  severity: "odd",
  *find({ plan, list, zoneName }) {
    const countriesOf = new Map(
      plan.zones.map((zone) => [
        zone.id,
        zone.destinations.flatMap((one) =>
          "region" in one ? one.region.slice(0, 2) : "country" in one ? one.country : [],
        ),
      ]),
    );
    const zones = [...plan.zones].filter(({ on }) => on !== false).sort(byPosition);
    for (const offer of plan.offers) {
      if (!offer.on || offer.steps.every(({ wording }) => !wording["place-unknown"])) continue;
      const countries = new Set(offer.zones.flatMap((zone) => countriesOf.get(zone) ?? []));
      const own = new Set(offer.zones);
      const denied = zones.filter(
        ({ id }) => !own.has(id) && countriesOf.get(id)?.some((country) => countries.has(country)),
      );
      if (denied.length === 0) continue;
      const named = offer.zones.map((zone) => zoneName(zone).toLowerCase());
      for (const [i, step] of offer.steps.entries()) {
        const texts = Object.values(step.wording["place-unknown"] ?? {});
        // A text that names the place says for whom it is.
        const plain = texts.find(
          (text) =>
            !text.includes("{place}") &&
            !named.some((name) => name.split(" ").every((word) => text.toLowerCase().includes(word))),
        );
        const [first] = Object.keys(step.wording["place-unknown"] ?? {});
        if (plain === undefined || plain !== step.wording["place-unknown"]?.[first ?? ""]) continue;
        yield {
          step: i,
          sentence: () =>
            phrase("“{name}” tells visitors “{plain}” before their address is known; in {list} it does not hold.", {
              name: offer.name,
              plain,
              list: list(denied.map(({ name }) => name)),
            }),
          at: onOffer(offer, `/steps/${i}/wording/place-unknown`),
          witness: null,
        };
      }
    }
  },
};
