import Trash2 from "lucide-react/icons/trash-2";
import type { Market } from "../../../core/places/market.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { ListField } from "../../fields/list-field.tsx";
import { type Order, OrderButtons } from "../../fields/order-buttons.tsx";
import { parseList } from "../../fields/parse-list.ts";
import { isCurrency, isTimeZone } from "../../fields/rules.ts";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { currencyChoices, languageChoicesOfAll, TIME_ZONES } from "../../names/code-choices.ts";

type Props = { order: Order; market: Market; onMarket: (market: Market) => void; onRemove: () => void };

/** Codes, with spaces between them as well. */
const codesIn = (text: string) => parseList(text.replaceAll(/\s+/g, ","));

/** A commercial territory: what is paid in, what is read, whose clocks, with or without tax. */
export function MarketEditor({ order, market, onMarket, onRemove }: Props) {
  return (
    <section aria-label={market.name} className="grid gap-3">
      <header className="flex items-center gap-1">
        <h2 className="mr-auto text-[20px] leading-7 font-bold">{market.name}</h2>
        <OrderButtons name={market.name} {...order} />
        <button type="button" className="btn btn-ghost btn-sm" onClick={onRemove}>
          <Trash2 size={14} aria-hidden /> {say("Remove")}
        </button>
      </header>
      <div className="grid grid-cols-2 gap-4" data-at="/name /currencies /languages /timeZone">
        <TextField
          label={say("Name")}
          value={market.name}
          className="w-full"
          leaf="market/name"
          onCommit={(name) => onMarket({ ...market, name })}
        />
        <ListField
          inline={false}
          label={say("Currencies, home first")}
          value={market.currencies}
          className="w-full"
          leaf="market/currencies"
          choices={currencyChoices()}
          rule={isCurrency}
          parse={(text) => codesIn(text.toUpperCase())}
          onCommit={(currencies) => onMarket({ ...market, currencies })}
        />
        <ListField
          inline={false}
          label={say("Languages, home first")}
          value={market.languages}
          className="w-full"
          leaf="market/languages"
          choices={languageChoicesOfAll()}
          parse={codesIn}
          onCommit={(languages) => onMarket({ ...market, languages })}
        />
        <TextField
          label={say("Time zone")}
          value={market.timeZone}
          className="w-full"
          leaf="market/timeZone"
          known={TIME_ZONES}
          rule={isTimeZone}
          onCommit={(timeZone) => onMarket({ ...market, timeZone })}
        />
      </div>
      <CheckField
        label={say("Prices are written with tax")}
        checked={market.pricesIncludeTax}
        onCommit={(pricesIncludeTax) => onMarket({ ...market, pricesIncludeTax })}
      />
    </section>
  );
}
