import { useQuery } from "@tanstack/react-query";
import type { CarrierAccount } from "../../../core/charges/carrier-account.ts";
import type { Store } from "../../../core/plan/plan.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { carrierList } from "../../state/server-queries.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = { store: Store; onStore: (store: Store) => void };

/** What live carriers know the store by, and whether the prices agreed on or those of their list are charged. */
export function CarrierAccounts({ store, onStore }: Props) {
  const { data: carriers = [] } = useQuery(carrierList);
  const { carriers: accounts = {} } = store;
  const put = (id: string, account: CarrierAccount | undefined) => {
    const { [id]: _, ...others } = accounts;
    const next = account ? { ...others, [id]: account } : others;
    onStore(setOptional(store, "carriers", Object.keys(next).length > 0 ? next : undefined));
  };
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 font-semibold">{say("Accounts with live carriers")}</legend>
      <ul className="grid gap-2">
        {carriers.map(({ id, name }) => {
          const account = accounts[id];
          return (
            <li key={id} className="flex flex-wrap items-end gap-3">
              <TextField
                label={say("Account number at {name}", { name })}
                className="w-52"
                placeholder={say("none: its list is charged")}
                value={account?.account}
                leaf="store/carriers/*/account"
                onCommit={(number) => put(id, { ...account, account: number })}
                onEmpty={() => put(id, undefined)}
              />
              {account && (
                <SelectField
                  label={say("Prices of {name}", { name })}
                  className="w-52"
                  value={account.prices ?? "agreed"}
                  choices={{ agreed: say("as agreed on"), list: say("of its list") }}
                  onCommit={(prices) => put(id, setOptional(account, "prices", prices === "list" ? "list" : undefined))}
                />
              )}
            </li>
          );
        })}
      </ul>
    </fieldset>
  );
}
