import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import { useEditing } from "../../editors/editing.ts";
import { DISTANCE_UNITS, QuantityField } from "../../fields/quantity-field.tsx";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

type Way = NonNullable<DeliveryOption["way"]>;
type Props = { option: DeliveryOption; onOption: (part: Partial<DeliveryOption>) => void };

const WAYS: Readonly<Record<Way["kind"], Phrase>> = {
  shipped: phrase("by post or carrier"),
  local: phrase("brought by the store itself"),
  collected: phrase("collected by the shopper"),
};

/** How an option reaches the shopper: shipped, brought from a location within a distance, or collected at one. */
export function WayFields({ option, onOption }: Props) {
  const { plan } = useEditing();
  const locations = plan.locations ?? [];
  const way: Way = option.way ?? { kind: "shipped" };
  const [first] = locations;
  const location = way.kind === "shipped" ? first && (plan.store.shipsFrom ?? first.id) : way.location;
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <SelectField<Way["kind"]>
        label={say("How it reaches the shopper")}
        hideLabel
        className="w-60"
        value={way.kind}
        choices={location === undefined ? { shipped: WAYS.shipped } : WAYS}
        onCommit={(kind) => {
          if (kind === "shipped") onOption({ way: { kind } });
          else if (location !== undefined) onOption({ way: { kind, location } });
        }}
      />
      {way.kind !== "shipped" && (
        <SelectField
          label={way.kind === "local" ? say("From") : say("At")}
          className="w-52"
          value={way.location}
          choices={choicesOf(locations, ({ name, id }) => name.en ?? id)}
          onCommit={(to) => onOption({ way: { ...way, location: to } })}
        />
      )}
      {way.kind === "local" && (
        <QuantityField
          label={say("As the crow flies, within (empty: any distance)")}
          quantity={way.within}
          units={DISTANCE_UNITS}
          onQuantity={(within) => onOption({ way: { ...way, within } })}
          onEmpty={() => onOption({ way: setOptional(way, "within", undefined) })}
        />
      )}
      {location === undefined && (
        <span className="text-[13px] text-quiet">
          {say("To bring it or have it collected, add a location under Places first.")}
        </span>
      )}
    </div>
  );
}
