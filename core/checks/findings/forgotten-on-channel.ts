import { isOn } from "../../conditions/on-channels.ts";
import { phrase } from "../../phrases/phrase.ts";
import { type Check, type FoundFault, onOffer, onOption } from "../check.ts";

/** An option or offer that is on some channels by name and left out on another of the store's, where most of its kind are. */
export const forgottenOnChannel: Check = {
  code: "forgotten-on-channel",
  severity: "odd",
  *find({ plan, optionName, list }) {
    const channels = plan.store.channels ?? [];
    type Named = { readonly channels?: string[] };
    const forgotten = <One extends Named>(
      all: readonly One[],
      name: (one: One) => string,
      at: (one: One) => FoundFault["at"],
    ): FoundFault[] =>
      all.flatMap((one) => {
        if (!one.channels) return [];
        const missing = channels.filter(
          ({ id }) => !isOn(one, id) && all.filter((other) => isOn(other, id)).length * 2 > all.length,
        );
        if (missing.length === 0 || missing.length === channels.length) return [];
        return [
          {
            sentence: phrase("{name} is not offered on {list}, where most others are.", {
              name: name(one),
              list: list(missing.map((channel) => channel.name)),
            }),
            at: at(one),
            witness: null,
          },
        ];
      });
    yield* forgotten(
      plan.options.filter(({ on }) => on !== false),
      ({ id }) => optionName(id),
      (option) => onOption(option, "/channels"),
    );
    yield* forgotten(
      plan.offers.filter(({ on }) => on),
      ({ name }) => `“${name}”`,
      (offer) => onOffer(offer, "/channels"),
    );
  },
};
