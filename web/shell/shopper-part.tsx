import { PLAIN_SHOPPER } from "../../core/facts/shopper-facts.ts";
import { CheckField } from "../fields/check-field.tsx";
import { ListField } from "../fields/list-field.tsx";
import { NumberField } from "../fields/number-field.tsx";
import { Popover } from "../fields/popover.tsx";
import { RadioField } from "../fields/radio-field.tsx";
import { isInCalendar } from "../fields/rules.ts";
import { TextField } from "../fields/text-field.tsx";
import type { DescribedShopper } from "../state/standpoint.ts";

type Props = {
  shopper: DescribedShopper | null;
  /** Offers a shopper can use only so often. */
  limited: readonly { id: string; name: string }[];
  onChange: (shopper: DescribedShopper | null) => void;
};

/** Who looks: a guest, or a shopper described by what the shop would know of them. */
export function ShopperPart({ shopper, limited, onChange }: Props) {
  return (
    <Popover label="Shopper" shown={shopperWords(shopper)}>
      <fieldset className="grid gap-2.5">
        <legend className="mb-1 font-semibold">Who looks</legend>
        <RadioField
          name="shopper"
          label="A guest, of whom nothing is known"
          checked={shopper === null}
          onChoose={() => onChange(null)}
        />
        <RadioField
          name="shopper"
          label="A shopper like this"
          checked={shopper !== null}
          onChoose={() => onChange(PLAIN_SHOPPER)}
        />
        {shopper && <Described shopper={shopper} limited={limited} onChange={onChange} />}
      </fieldset>
    </Popover>
  );
}

function Described({ shopper, limited, onChange }: Props & { shopper: DescribedShopper }) {
  const change = (part: Partial<DescribedShopper>) => onChange({ ...shopper, ...part });
  const wide = "w-full";
  return (
    <div className="grid gap-2.5 border-t border-base-300 pt-2.5">
      <CheckField label="Signed in" checked={shopper.signedIn} onCommit={(signedIn) => change({ signedIn })} />
      <CheckField label="Buys for a company" checked={shopper.business} onCommit={(business) => change({ business })} />
      <ListField
        inline={false}
        label="Groups, with commas between"
        className={wide}
        placeholder="trade, readers"
        value={shopper.groups}
        leaf="standpoint/shopper/groups"
        onCommit={(groups) => change({ groups })}
      />
      <NumberField
        label="Orders so far"
        className={wide}
        placeholder="not known"
        value={shopper.orderCount ?? undefined}
        leaf="standpoint/shopper/orderCount"
        onCommit={(orderCount) => change({ orderCount })}
        onEmpty={() => change({ orderCount: null })}
      />
      <TextField
        type="date"
        label="Last ordered on"
        className={wide}
        value={shopper.lastOrder ?? undefined}
        leaf="standpoint/shopper/lastOrder"
        rule={isInCalendar}
        onCommit={(lastOrder) => change({ lastOrder })}
        onEmpty={() => change({ lastOrder: null })}
      />
      <TextField
        type="date"
        label="Account opened on"
        className={wide}
        value={shopper.accountOpened ?? undefined}
        leaf="standpoint/shopper/accountOpened"
        rule={isInCalendar}
        onCommit={(accountOpened) => change({ accountOpened })}
        onEmpty={() => change({ accountOpened: null })}
      />
      {limited.map(({ id, name }) => (
        <CheckField
          key={id}
          label={`Has used “${name}”`}
          checked={(shopper.uses?.[id] ?? 0) > 0}
          onCommit={(hasUsed) => change({ uses: { ...shopper.uses, [id]: hasUsed ? 1 : 0 } })}
        />
      ))}
    </div>
  );
}

/** @example "a signed-in shopper in trade" */
function shopperWords(shopper: DescribedShopper | null): string {
  if (!shopper) return "a guest";
  const { signedIn, groups, orderCount, business } = shopper;
  const who = business ? "a company" : orderCount === 0 ? "a first-time shopper" : "a shopper";
  return [who, groups.length > 0 ? `in ${groups.join(", ")}` : "", signedIn ? "" : "not signed in"]
    .filter((part) => part !== "")
    .join(" ");
}
