import { exponentOf } from "../../core/money/currency.ts";
import { majorIn, minorUnits } from "../../core/money/decimal.ts";
import { CheckField } from "../fields/check-field.tsx";
import { DayField } from "../fields/day-field.tsx";
import { ListField } from "../fields/list-field.tsx";
import { MoneyField } from "../fields/money-field.tsx";
import { NumberField } from "../fields/number-field.tsx";
import { SelectField } from "../fields/select-field.tsx";
import { TextField } from "../fields/text-field.tsx";
import { say } from "../language/say.ts";
import { asChoices } from "../names/code-choices.ts";
import { countryChoices } from "../names/place-names.ts";
import { useNamesAsked } from "../state/known-names.ts";
import type { DescribedShopper as Shopper } from "../state/standpoint.ts";

type Props = {
  shopper: Shopper;
  /** What they have spent is said in. */
  currency: string;
  /** Offers a shopper can use only so often. */
  limited: readonly { id: string; name: string }[];
  onChange: (shopper: Shopper) => void;
};

/** What the shop would know of a shopper. */
export function DescribedShopper({ shopper, currency, limited, onChange }: Props) {
  const { groups } = useNamesAsked();
  const change = (part: Partial<Shopper>) => onChange({ ...shopper, ...part });
  const wide = "w-full";
  return (
    <div className="grid gap-2.5 border-t border-base-300 pt-2.5">
      <CheckField label={say("Signed in")} checked={shopper.signedIn} onCommit={(signedIn) => change({ signedIn })} />
      <CheckField
        label={say("Buys for a company")}
        checked={shopper.business}
        onCommit={(business) => change({ business })}
      />
      <ListField
        inline={false}
        label={say("Groups, with commas between")}
        className={wide}
        placeholder={say("trade, readers")}
        value={shopper.groups}
        leaf="standpoint/shopper/groups"
        choices={asChoices(groups)}
        onCommit={(groups) => change({ groups })}
      />
      <NumberField
        label={say("Orders so far")}
        className={wide}
        placeholder={say("not known")}
        value={shopper.orderCount ?? undefined}
        leaf="standpoint/shopper/orderCount"
        onCommit={(orderCount) => change({ orderCount })}
        onEmpty={() => change({ orderCount: null })}
      />
      <DayField
        label={say("Last ordered on")}
        className={wide}
        value={shopper.lastOrder ?? undefined}
        leaf="standpoint/shopper/lastOrder"
        onCommit={(lastOrder) => change({ lastOrder })}
        onEmpty={() => change({ lastOrder: null })}
      />
      <DayField
        label={say("Account opened on")}
        className={wide}
        value={shopper.accountOpened ?? undefined}
        leaf="standpoint/shopper/accountOpened"
        onCommit={(accountOpened) => change({ accountOpened })}
        onEmpty={() => change({ accountOpened: null })}
      />
      <MoneyField
        label={say("Spent so far, in {currency}", { currency })}
        className={wide}
        placeholder={say("not known")}
        value={shopper.totalSpent == null ? undefined : majorIn(shopper.totalSpent, currency)}
        currency={currency}
        onCommit={(text) => {
          const read = minorUnits(text, exponentOf(currency) ?? 2);
          if ("minor" in read) change({ totalSpent: read.minor });
        }}
        onEmpty={() => change({ totalSpent: null })}
      />
      <SelectField
        label={say("The bill goes to")}
        className={wide}
        value={shopper.billingCountry ?? ""}
        choices={{ "": say("not known"), ...countryChoices() }}
        onCommit={(country) => change({ billingCountry: country === "" ? null : country })}
      />
      <TextField
        label={say("and to the region, by its code")}
        className={wide}
        placeholder={say("not known")}
        value={shopper.billingRegion ?? undefined}
        leaf="standpoint/shopper/billingRegion"
        onCommit={(region) => change({ billingRegion: region })}
        onEmpty={() => change({ billingRegion: null })}
      />
      <TextField
        label={say("and to the postcode")}
        className={wide}
        placeholder={say("not known")}
        value={shopper.billingPostcode ?? undefined}
        leaf="standpoint/shopper/billingPostcode"
        onCommit={(postcode) => change({ billingPostcode: postcode })}
        onEmpty={() => change({ billingPostcode: null })}
      />
      <TextField
        label={say("Known to the shop as")}
        className={wide}
        placeholder={say("any shopper")}
        value={shopper.id ?? undefined}
        leaf="standpoint/shopper/id"
        onCommit={(id) => change({ id })}
        onEmpty={() => change({ id: null })}
      />
      {limited.map(({ id, name }) => (
        <CheckField
          key={id}
          label={say("Has used “{name}”", { name })}
          checked={(shopper.uses?.[id] ?? 0) > 0}
          onCommit={(hasUsed) => change({ uses: { ...shopper.uses, [id]: hasUsed ? 1 : 0 } })}
        />
      ))}
    </div>
  );
}
