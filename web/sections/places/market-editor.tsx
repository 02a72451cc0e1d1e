import Trash2 from "lucide-react/icons/trash-2";
import { exponentOf } from "../../../core/money/currency.ts";
import type { Market } from "../../../core/places/market.ts";
import { parseList } from "../../fields/parse-list.ts";
import { TextField } from "../../fields/text-field.tsx";

type Props = { market: Market; onMarket: (market: Market) => void; onRemove: () => void };

/** Codes, with spaces between them as well. */
const codesIn = (text: string) => parseList(text.replaceAll(/\s+/g, ","));
const TIME_ZONES = new Set(Intl.supportedValuesOf("timeZone"));

/** A commercial territory: what is paid in, what is read, whose clocks, with or without tax. */
export function MarketEditor({ market, onMarket, onRemove }: Props) {
  return (
    <section aria-label={market.name} className="grid gap-3">
      <header className="flex items-center gap-1">
        <h2 className="mr-auto text-[20px] leading-7 font-bold">{market.name}</h2>
        <button type="button" className="btn btn-ghost btn-sm" onClick={onRemove}>
          <Trash2 size={14} aria-hidden /> Remove
        </button>
      </header>
      <div className="grid grid-cols-2 gap-4">
        <TextField
          label="Name"
          value={market.name}
          className="w-full"
          validate={(text) => (text.trim() === "" ? "A market needs a name" : null)}
          onCommit={(name) => onMarket({ ...market, name: name.trim().slice(0, 100) })}
        />
        <TextField
          label="Currencies, home first"
          value={market.currencies.join(", ")}
          className="w-full"
          validate={(text) => {
            const codes = codesIn(text.toUpperCase());
            const unknown = codes.filter((code) => exponentOf(code) === undefined);
            if (codes.length === 0) return "A market needs a currency, such as EUR";
            return unknown.length > 0 ? `${unknown.join(", ")} is no currency code of ISO 4217` : null;
          }}
          onCommit={(text) => onMarket({ ...market, currencies: codesIn(text.toUpperCase()) })}
        />
        <TextField
          label="Languages, home first"
          value={market.languages.join(", ")}
          className="w-full"
          validate={(text) => {
            const tags = codesIn(text);
            if (tags.length === 0) return "A market needs a language, such as en or pt-PT";
            const unknown = tags.filter((tag) => !isLanguage(tag));
            return unknown.length > 0 ? `${unknown.join(", ")} is no language tag` : null;
          }}
          onCommit={(text) => onMarket({ ...market, languages: codesIn(text) })}
        />
        <TextField
          label="Time zone"
          value={market.timeZone}
          className="w-full"
          validate={(text) => (isTimeZone(text.trim()) ? null : "Write a time zone like Europe/Lisbon")}
          onCommit={(text) => onMarket({ ...market, timeZone: text.trim() })}
        />
      </div>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-xs"
          checked={market.pricesIncludeTax}
          onChange={(event) => onMarket({ ...market, pricesIncludeTax: event.target.checked })}
        />
        Prices are written with tax
      </label>
    </section>
  );
}

export const isTimeZone = (name: string): boolean => TIME_ZONES.has(name) || name === "UTC";

/** Language, perhaps script and country: pt, pt-PT, zh-Hant. */
function isLanguage(tag: string): boolean {
  return /^[a-z]{2,3}(-[A-Z][a-z]{3})?(-([A-Z]{2}|[0-9]{3}))?$/.test(tag);
}
