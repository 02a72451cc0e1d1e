import { CheckField } from "../fields/check-field.tsx";
import { ListField } from "../fields/list-field.tsx";
import { NumberField } from "../fields/number-field.tsx";
import { isInCalendar } from "../fields/rules.ts";
import { TextField } from "../fields/text-field.tsx";
import type { DescribedShopper as Shopper } from "../state/standpoint.ts";

type Props = {
  shopper: Shopper;
  /** Offers a shopper can use only so often. */
  limited: readonly { id: string; name: string }[];
  onChange: (shopper: Shopper) => void;
};

/** What the shop would know of a shopper. */
export function DescribedShopper({ shopper, limited, onChange }: Props) {
  const change = (part: Partial<Shopper>) => onChange({ ...shopper, ...part });
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
