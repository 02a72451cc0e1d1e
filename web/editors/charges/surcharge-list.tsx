import Trash2 from "lucide-react/icons/trash-2";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { freeId, lastPosition, movedTo } from "../../../core/schema/positions.ts";
import { IconButton } from "../../fields/icon-button.tsx";
import { type Order, OrderButtons } from "../../fields/order-buttons.tsx";
import { TextsTable } from "../../fields/texts-table.tsx";
import { say } from "../../language/say.ts";
import { languagesRead } from "../../names/languages.ts";
import { setOptional } from "../../state/set-optional.ts";
import { ConditionBuilder } from "../conditions/condition-builder.tsx";
import { useEditing } from "../editing.ts";
import { ChargeEditor } from "./charge-editor.tsx";

type Props = { option: DeliveryOption; onOption: (option: DeliveryOption, done: boolean) => void };
type Surcharge = NonNullable<DeliveryOption["surcharges"]>[number];

/** Charges on top with names of their own, each perhaps under a condition. */
export function SurchargeList({ option, onOption }: Props) {
  const { context } = useEditing();
  const surcharges = [...(option.surcharges ?? [])].sort(byPosition);
  const set = (next: Surcharge[], done = true) => onOption({ ...option, surcharges: next }, done);
  return (
    <div className="grid gap-3">
      {surcharges.map((surcharge, i) => (
        <SurchargeItem
          key={surcharge.id}
          surcharge={surcharge}
          at={`/surcharges/${(option.surcharges ?? []).indexOf(surcharge)}`}
          onSurcharge={(next, done) =>
            set(
              surcharges.map((one) => (one === surcharge ? next : one)),
              done,
            )
          }
          order={{
            place: i,
            of: surcharges.length,
            onMove: (to) => set(movedTo(option.surcharges ?? [], surcharge.id, to)),
          }}
          onRemove={() => set(surcharges.filter((one) => one !== surcharge))}
        />
      ))}
      <button
        type="button"
        className="btn btn-sm justify-self-start"
        onClick={() => {
          const ids = surcharges.map(({ id }) => id);
          const charge = { kind: "flat", amount: { byCurrency: { [context.currency]: "5" } } } as const;
          const position = lastPosition(surcharges);
          set([...surcharges, { id: freeId("surcharge", ids), position, name: { en: say("Surcharge") }, charge }]);
        }}
      >
        {say("Add a surcharge")}
      </button>
    </div>
  );
}

type ItemProps = {
  surcharge: Surcharge;
  /** Where it stands in the option, as a JSON pointer. */
  at: string;
  onSurcharge: (surcharge: Surcharge, done: boolean) => void;
  order: Order;
  onRemove: () => void;
};

function SurchargeItem({ surcharge, at, onSurcharge, order, onRemove }: ItemProps) {
  const { plan, zones } = useEditing();
  return (
    <section aria-label={surcharge.name.en ?? surcharge.id} className="border-l-2 border-base-300 pl-3" data-at={at}>
      <div className="flex items-start gap-2">
        <TextsTable
          languages={languagesRead(marketsOf(plan, zones))}
          columns={[
            {
              label: say("Surcharge"),
              texts: surcharge.name,
              leaf: "option/surcharges/name/*",
              onTexts: (name) => name && onSurcharge({ ...surcharge, name }, true),
              required: true,
            },
          ]}
        />
        <span className="ml-auto inline-flex">
          <OrderButtons name={surcharge.name.en ?? surcharge.id} {...order} />
          <IconButton words={say("Remove this surcharge")} onClick={onRemove}>
            <Trash2 size={14} aria-hidden />
          </IconButton>
        </span>
      </div>
      <ConditionBuilder
        condition={surcharge.when}
        lead={say("It is charged for")}
        onCondition={(when) => onSurcharge(setOptional(surcharge, "when", when), true)}
      />
      <ChargeEditor
        charge={surcharge.charge}
        onCharge={(charge, done) => onSurcharge({ ...surcharge, charge }, done)}
      />
    </section>
  );
}
