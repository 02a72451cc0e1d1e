import type { Offer } from "../../../core/offers/offer.ts";
import { stackingOf } from "../../../core/offers/stacking.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { ChoicesField } from "../../fields/choices-field.tsx";
import { NumberField } from "../../fields/number-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = { plan: Plan; offer: Offer; onOffer: (offer: Offer) => void };

const OUTCOMES = {
  together: phrase("both are used"),
  "this-on-a-tie": phrase("whichever costs the shopper less is used; this one where they cost the same"),
  "that-on-a-tie": phrase("whichever costs the shopper less is used; that one where they cost the same"),
} as const;

/** Which offers it may be used with, and what happens where it meets others. */
export function StackingEditor({ plan, offer, onOffer }: Props) {
  const company = stackingOf(plan, offer);
  const others = plan.offers.filter(({ id }) => id !== offer.id).sort(byPosition);
  const { stacking } = offer;
  return (
    <div className="grid gap-2">
      <SelectField
        label={say("Used")}
        value={stacking?.kind ?? "alone"}
        choices={{ alone: say("alone"), any: say("with any other that agrees"), with: say("only with some") }}
        onCommit={(kind) => {
          if (kind === "with") {
            const [first] = others;
            if (first) onOffer({ ...offer, stacking: { kind, offers: [first.id] } });
          } else onOffer({ ...offer, stacking: { kind } });
        }}
      />
      {stacking?.kind === "with" && (
        <ChoicesField
          label={say("Offers it may be used with")}
          className="flex-wrap gap-x-4 gap-y-1 text-[13px]"
          value={stacking.offers}
          choices={others.map(({ id, name }) => ({ value: id, words: name }))}
          leaf="offer/stacking/with/offers"
          onCommit={(offers) => onOffer({ ...offer, stacking: { kind: "with", offers } })}
        />
      )}
      {company.length === 0 ? (
        <p className="text-quiet">{say("It meets no other offer.")}</p>
      ) : (
        <ul aria-label={say("Offers it meets")} className="text-[13px]">
          {company.map(({ other, outcome }) => (
            <li key={other.id}>
              {say("Meets")}{" "}
              <a className="link" href={`#${other.id}`}>
                “{other.name}”
              </a>
              : {say(OUTCOMES[outcome])}.
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap gap-3">
        {(["overall", "perShopper"] as const).map((limit) => (
          <NumberField
            key={limit}
            label={
              limit === "overall" ? say("Times in all (empty: no limit)") : say("Times per shopper (empty: no limit)")
            }
            value={offer.limits?.[limit]}
            leaf={`offer/limits/${limit}`}
            className="w-40"
            onCommit={(value) => onOffer({ ...offer, limits: { ...offer.limits, [limit]: value } })}
            onEmpty={() => {
              const kept = setOptional(offer.limits ?? {}, limit, undefined);
              // What holds for guests is about that limit alone.
              const limits = limit === "perShopper" ? setOptional(kept, "guests", undefined) : kept;
              onOffer(setOptional(offer, "limits", Object.keys(limits).length > 0 ? limits : undefined));
            }}
          />
        ))}
      </div>
      {offer.limits?.perShopper !== undefined && <GuestsField offer={offer} onOffer={onOffer} />}
    </div>
  );
}

/** What a limit per shopper means for whom it cannot count. */
function GuestsField({ offer, onOffer }: Omit<Props, "plan">) {
  const { limits } = offer;
  return (
    <div className="grid gap-1">
      <SelectField
        label={say("Guests, who cannot be told apart,")}
        value={limits?.guests ?? "never"}
        choices={{ never: say("never get it"), "every-time": say("get it each time") }}
        onCommit={(guests) =>
          onOffer({
            ...offer,
            limits: setOptional(limits ?? {}, "guests", guests === "every-time" ? guests : undefined),
          })
        }
      />
      <p className="text-[13px] text-quiet">
        {limits?.guests === "every-time"
          ? say("Whoever buys without signing in can use it again and again.")
          : say(
              "Only who is known by an account can earn it; guests read nothing of it, since they may have had it before.",
            )}
      </p>
    </div>
  );
}
