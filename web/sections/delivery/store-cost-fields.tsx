import type { DeliveryOption } from "../../../core/delivery/option.ts";
import type { StoreCost } from "../../../core/delivery/store-cost.ts";
import { phrase } from "../../../core/phrases/phrase.ts";
import { EditedAmounts } from "../../editors/amounts/edited-amounts.tsx";
import { NumberField } from "../../fields/number-field.tsx";
import { QuantityField, WEIGHT_UNITS } from "../../fields/quantity-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = { option: DeliveryOption; onOption: (option: DeliveryOption, done: boolean) => void };

const PER = {
  "": phrase("nobody has said"),
  delivery: phrase("so much a delivery"),
  parcel: phrase("so much a parcel"),
  trip: phrase("so much a trip"),
} as const;

/** What a delivery costs the store, for the line on the climb and the check that the charge pays for it. */
export function StoreCostFields({ option, onOption }: Props) {
  const { costsStore: cost } = option;
  const set = (next: StoreCost | undefined, done = true) => onOption(setOptional(option, "costsStore", next), done);
  const change = (per: keyof typeof PER) => {
    const amount = cost?.amount ?? { byCurrency: {} };
    if (per === "") set(undefined);
    else set(per === "trip" ? { per, amount, deliveries: 4 } : { per, amount });
  };
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <SelectField<keyof typeof PER>
          label={say("What it costs the store")}
          className="w-48"
          value={cost?.per ?? ""}
          choices={PER}
          onCommit={change}
        />
        {cost?.per === "trip" && (
          <NumberField
            label={say("Deliveries that share a trip")}
            className="w-24"
            value={cost.deliveries}
            leaf="option/costsStore/trip/deliveries"
            onCommit={(deliveries) => set({ ...cost, deliveries })}
          />
        )}
        {cost?.per === "parcel" && (
          <QuantityField
            label={say("One parcel holds (empty: any weight)")}
            quantity={cost.holds}
            units={WEIGHT_UNITS}
            onQuantity={(holds) => set({ ...cost, holds })}
            onEmpty={() => set(setOptional(cost, "holds", undefined))}
          />
        )}
      </div>
      {cost && (
        <EditedAmounts
          name={say("Cost to the store")}
          rows={[
            {
              key: "cost",
              label: say("Each {per} costs the store", { per: cost.per }),
              amount: cost.amount,
              set: (amount, done) => set({ ...cost, amount }, done),
            },
          ]}
        />
      )}
    </div>
  );
}
