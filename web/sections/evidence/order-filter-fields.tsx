import type { Plan } from "../../../core/plan/plan.ts";
import type { OrderKind, OrderOverview } from "../../../server/evidence/order-overview.ts";
import type { OrderFilter } from "../../../server/orders/order-filter.ts";
import { DayField } from "../../fields/day-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = {
  plan: Plan;
  overview: OrderOverview;
  filter: OrderFilter;
  onFilter: (filter: OrderFilter) => void;
};

/** A name that no id can be, for whatever there is. */
const ALL = "*";
type Part = "market" | "zone" | "channel" | "buyer";

/** Which orders are looked at: a choice for each thing that tells them apart, of what there is. */
export function OrderFilterFields({ plan, overview, filter, onFilter }: Props) {
  const { kinds, first, last } = overview;
  const ofCurrency = kinds.filter(({ currency }) => currency === filter.currency);
  const ofMarket = ofCurrency.filter(({ market }) => filter.market === undefined || market === filter.market);
  const names = {
    market: (id: string) => plan.markets.find((market) => market.id === id)?.name ?? id,
    zone: (id: string) => plan.zones.find((zone) => zone.id === id)?.name ?? id,
    channel: (id: string) => plan.store.channels?.find((channel) => channel.id === id)?.name ?? id,
    buyer: (id: string) => (id === "new" ? say("first orders") : say("returning shoppers")),
  };
  const choice = (part: Part, label: string, all: string, among: readonly OrderKind[]) => {
    const found = [...new Set(among.map((kind) => kind[part]))].sort();
    if (found.length < 2 && filter[part] === undefined) return null;
    return (
      <SelectField
        key={part}
        label={label}
        look="word"
        value={filter[part] ?? ALL}
        choices={{
          [ALL]: all,
          ...Object.fromEntries(found.map((id) => [id, id === "" ? say("not known") : names[part](id)])),
        }}
        onCommit={(id) => onFilter(chosen(filter, part, id === ALL ? undefined : id))}
      />
    );
  };
  return (
    <fieldset className="mb-2 flex flex-wrap items-baseline gap-x-3 gap-y-1">
      <legend className="sr-only">{say("Which orders")}</legend>
      <SelectField
        label={say("Currency")}
        look="word"
        value={filter.currency}
        choices={Object.fromEntries(
          [...new Set([filter.currency, ...kinds.map(({ currency }) => currency)])].map((code) => [code, code]),
        )}
        onCommit={(currency) => onFilter(firstOf(kinds, currency))}
      />
      {choice("market", say("Market"), say("every market"), ofCurrency)}
      {choice("zone", say("Zone"), say("every zone"), ofMarket)}
      {choice("channel", say("Channel"), say("every channel"), ofMarket)}
      {choice("buyer", say("Shoppers"), say("all shoppers"), ofMarket)}
      <span className="flex flex-wrap items-baseline gap-x-3 gap-y-1 text-[13px] text-quiet">
        <End
          side="from"
          words={say("from")}
          label={say("From")}
          placeholder={first}
          filter={filter}
          onFilter={onFilter}
        />
        <End
          side="until"
          words={say("until")}
          label={say("Until")}
          placeholder={last}
          filter={filter}
          onFilter={onFilter}
        />
      </span>
    </fieldset>
  );
}

type EndProps = Pick<Props, "filter" | "onFilter"> & {
  side: "from" | "until";
  words: string;
  label: string;
  placeholder: string | null;
};

/** The first or the last of the days looked at; without it, the first or last that there is. */
const End = ({ side, words, label, placeholder, filter, onFilter }: EndProps) => (
  <span className="flex items-baseline gap-1.5 whitespace-nowrap">
    <span aria-hidden>{words}</span>
    <DayField
      label=""
      ariaLabel={label}
      className="w-28"
      value={filter[side] ?? ""}
      placeholder={placeholder ?? ""}
      leaf="rates/days/date"
      {...(side === "from" ? { before: filter.until } : { after: filter.from })}
      onCommit={(day) => onFilter({ ...filter, [side]: day })}
      onEmpty={() => onFilter(setOptional(filter, side, undefined))}
    />
  </span>
);

/** Another market has other zones and channels. */
function chosen(filter: OrderFilter, part: Part, id: string | undefined): OrderFilter {
  const base = part === "market" ? without(filter) : filter;
  const { [part]: _, ...others } = base;
  if (id === undefined) return others;
  if (part !== "buyer") return { ...others, [part]: id };
  return id === "new" || id === "returning" || id === "" ? { ...others, buyer: id } : others;
}

const without = ({ zone: _, channel: __, ...others }: OrderFilter): OrderFilter => others;

/** The orders of a currency: of its largest market. */
function firstOf(kinds: readonly OrderKind[], currency: string): OrderFilter {
  const found = kinds.find((kind) => kind.currency === currency);
  return found ? { currency, market: found.market } : { currency };
}
