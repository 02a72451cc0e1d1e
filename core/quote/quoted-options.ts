import { hasNoPrice, sumOf } from "../delivery/full-price.ts";
import type { Promised } from "../delivery/promise.ts";
import type { PricedOption } from "../evaluate/evaluation.ts";
import { rounded } from "../money/linear-amount.ts";
import type { TariffOption } from "../tariff/tariff.ts";
import type { EveryKey, QuotedOption } from "./answer/quote.ts";
import type { QuoteIn } from "./answer/quote-in.ts";
import { taxOn } from "./answer/totals.ts";
import { type OptionTexts, optionTexts } from "./messages/option-texts.ts";
import { chosenAtFirst } from "./options/chosen-at-first.ts";
import { grantsOf } from "./options/grants.ts";
import type { StepProgress } from "./progress/progress.ts";

/** Every option as the answer has it. @param priced by number of option */
export function quotedOptions(
  quoteIn: QuoteIn,
  priced: readonly PricedOption[],
  progress: readonly StepProgress[],
): QuotedOption[] {
  const { now, cart, totals, form } = quoteIn;
  const { tariff } = now;
  const { pricesIncludeTax } = tariff.market;
  const promises = tariff.options.map(({ promised }) => promised?.(now.facts.at) ?? null);
  const chosen = chosenAtFirst(tariff, priced, promises);
  const taxed = taxOn(cart, totals, pricesIncludeTax, tariff.standardTaxPart);
  return tariff.options.map((one): QuotedOption => {
    const outcome = priced[one.number] ?? NOTHING;
    const texts = form.text === false ? { name: one.id } : optionTexts(quoteIn, one, outcome, progress);
    const quoted = plainOption(one, outcome, texts, promises[one.number] ?? null, one.number === chosen);
    const { price, full, used, offOrder } = outcome;
    const open = one.windows?.(now.facts);
    const { window } = now.facts;
    if (open) quoted.windows = [...open];
    if (window && open && window.option === one.id) {
      const { slot, day } = window;
      quoted.picked = { slot, day, open: open.some((other) => other.slot === slot && other.day === day) };
    }
    if (typeof price === "string" || hasNoPrice(full)) return quoted;
    const off = rounded(offOrder);
    const goods = totals.goods - off;
    const charged = rounded(price);
    const tax = taxed(goods, charged, one.full.taxPart);
    quoted.available = true;
    quoted.shown = true;
    quoted.price = charged;
    quoted.fullPrice = rounded(sumOf(full));
    quoted.total = goods + charged + (pricesIncludeTax ? 0 : tax);
    quoted.tax = tax;
    if (used.length > 0) {
      quoted.offers = used.map(({ offer }) => offer.id);
      quoted.grants = grantsOf(used, now, off);
    }
    return quoted;
  });
}

const NOTHING: PricedOption = { full: "not-offered", price: "not-offered", used: [], offOrder: 0, gifts: 0 };

/**
 * An option before anything is said of its price, but why it has none. It is the most of what a quote makes and of what is written of it:
 * all have every key, so that V8 knows them by one shape.
 */
function plainOption(
  { id, option }: TariffOption,
  { price, full }: PricedOption,
  { name, note, noteRuns, picture, pickup }: OptionTexts,
  promise: Promised | null,
  chosen: boolean,
): QuotedOption {
  const { way } = option;
  return {
    id,
    name,
    available: false,
    shown: option.whenUnavailable === "shown",
    way: way?.kind ?? "shipped",
    price: null,
    fullPrice: null,
    total: null,
    tax: null,
    offers: [],
    grants: [],
    chosen,
    certain: true,
    from: false,
    note,
    noteRuns,
    picture,
    code: option.code,
    location: way && way.kind !== "shipped" ? way.location : undefined,
    pickup,
    promise: promise ?? undefined,
    asks: option.asks?.length ? option.asks : undefined,
    reason: typeof price === "string" ? price : hasNoPrice(full) ? "not-offered" : undefined,
    windows: undefined,
    picked: undefined,
  } satisfies EveryKey;
}
