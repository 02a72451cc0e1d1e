import { useMutation } from "@tanstack/react-query";
import { phrase } from "../../../core/phrases/phrase.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { CatalogueProduct } from "../../../server/catalogue/catalogue.ts";
import type { Product } from "../../../server/catalogue/product.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { ListField } from "../../fields/list-field.tsx";
import { MoneyField } from "../../fields/money-field.tsx";
import { QuantityField, WEIGHT_UNITS } from "../../fields/quantity-field.tsx";
import { readPercent } from "../../fields/read-figure.ts";
import { isAtMostAll } from "../../fields/rules.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { TypedField } from "../../fields/typed-field.tsx";
import { say } from "../../language/say.ts";
import { asChoices } from "../../names/code-choices.ts";
import { api, problemWords } from "../../state/api.ts";
import { useCatalogueNames } from "../../state/known-names.ts";
import { setOptional } from "../../state/set-optional.ts";
import { asWritten } from "./as-written.ts";

type Props = { plan: Plan; product: CatalogueProduct; onSaved: () => Promise<void> };

const DELIVERY = {
  like: phrase("charged like other goods"),
  "ships-free": phrase("ships free"),
  "nothing-to-ship": phrase("has nothing to ship"),
  "own-charge": phrase("has a charge of its own"),
} as const;

/** Everything about one product. Each change is saved at once. */
export function ProductEditor({ plan, product, onSaved }: Props) {
  const names = useCatalogueNames();
  const now = asWritten(product);
  const saving = useMutation({ mutationFn: (next: Product) => api.saveProducts([next]), onSuccess: onSaved });
  const save = (next: Product) => saving.mutate(next);
  const currencies = [...new Set(plan.markets.flatMap((market) => market.currencies))];
  const { delivery } = now;
  type OwnCharge = Extract<Product["delivery"], { kind: "own-charge" }>;
  const setOwn = (own: OwnCharge, currency: string, amount: string | undefined) =>
    save({ ...now, delivery: { ...own, amounts: setOptional(own.amounts, currency, amount) } });
  return (
    <section aria-label={product.name} className="grid gap-2 border-l-2 border-primary pl-3">
      <h3 className="font-semibold">{product.name}</h3>
      <NameAndPrice now={now} currencies={currencies} onProduct={save} />
      <div className="flex flex-wrap items-end gap-3">
        <QuantityField
          label={say("Weight of one piece")}
          quantity={now.weight}
          units={WEIGHT_UNITS}
          onQuantity={(weight) => save({ ...now, weight })}
          onEmpty={() => save(setOptional(now, "weight", undefined))}
        />
        <TypedField
          label={say("Size, such as 40 × 30 × 20 cm")}
          value={now.size ? `${now.size.length} × ${now.size.width} × ${now.size.height} ${now.size.unit}` : ""}
          problemOf={(text) =>
            text.trim() === "" || sizeOf(text) ? null : say("three figures and a unit: 40 × 30 × 20 cm")
          }
          onCommit={(text) => save(setOptional(now, "size", sizeOf(text)))}
        />
        <TextField
          label={say("Parcel class")}
          className="w-32"
          value={now.parcelClass}
          leaf="product/parcelClass"
          known={names.parcelClasses}
          onCommit={(parcelClass) => save({ ...now, parcelClass })}
          onEmpty={() => save(setOptional(now, "parcelClass", undefined))}
        />
        <ListField
          label={say("Categories")}
          value={now.categories ?? []}
          leaf="product/categories"
          choices={asChoices(names.categories)}
          onCommit={(categories) => save({ ...now, categories })}
        />
        <ListField
          label={say("Tags")}
          value={now.tags ?? []}
          leaf="product/tags"
          choices={asChoices(names.tags)}
          className="w-32"
          onCommit={(tags) => save({ ...now, tags })}
        />
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label={say("At the checkout it")}
          value={delivery?.kind ?? "like"}
          choices={DELIVERY}
          onCommit={(kind) => {
            if (kind === "like") save(setOptional(now, "delivery", undefined));
            else if (kind === "own-charge") save({ ...now, delivery: { kind, amounts: {}, per: "piece" } });
            else save({ ...now, delivery: { kind } });
          }}
        />
        {delivery?.kind === "own-charge" && (
          <>
            <SelectField
              label={say("Charged for each")}
              value={delivery.per}
              choices={{ piece: say("piece"), line: say("line") }}
              onCommit={(per) => save({ ...now, delivery: { ...delivery, per } })}
            />
            {currencies.map((currency) => (
              <MoneyField
                key={currency}
                label={say("Own charge, {currency}", { currency })}
                className="w-24"
                value={delivery.amounts[currency]}
                currency={currency}
                onCommit={(amount) => setOwn(delivery, currency, amount)}
                onEmpty={() => setOwn(delivery, currency, undefined)}
              />
            ))}
          </>
        )}
      </div>
      {saving.error && (
        <p role="alert" className="text-warning">
          {say("Not saved: {problem}", { problem: problemWords(saving.error) })}
        </p>
      )}
    </section>
  );
}

type NameProps = { now: Product; currencies: readonly string[]; onProduct: (product: Product) => void };

/** What it is called, what it costs in each currency, its tax, and whether it is new. */
const NameAndPrice = ({ now, currencies, onProduct }: NameProps) => (
  <div className="flex flex-wrap items-end gap-3">
    <TextField
      label={say("Name")}
      value={now.name}
      leaf="product/name"
      onCommit={(name) => onProduct({ ...now, name })}
    />
    {[...new Set([...currencies, ...Object.keys(now.prices)])].map((currency) => (
      <MoneyField
        key={currency}
        label={say("Price, {currency}", { currency })}
        className="w-24"
        value={now.prices[currency]}
        currency={currency}
        onCommit={(price) => onProduct({ ...now, prices: { ...now.prices, [currency]: price } })}
        onEmpty={() => onProduct({ ...now, prices: setOptional(now.prices, currency, undefined) })}
      />
    ))}
    <TextField
      label={say("Tax, % (empty: the zone's)")}
      className="w-28"
      value={now.taxRate}
      leaf="product/taxRate"
      rule={isAtMostAll}
      read={readPercent}
      onCommit={(taxRate) => onProduct({ ...now, taxRate })}
      onEmpty={() => onProduct(setOptional(now, "taxRate", undefined))}
    />
    <CheckField
      label={say("is sold used")}
      className="pb-1.5"
      checked={now.used ?? false}
      onCommit={(used) => onProduct(setOptional(now, "used", used || undefined))}
    />
  </div>
);

/** @example sizeOf("40x30 x 20 cm") // { length: "40", width: "30", height: "20", unit: "cm" } */
function sizeOf(text: string): Product["size"] {
  const figure = "(\\d+(?:[.,]\\d+)?)";
  const match = new RegExp(
    `^\\s*${figure}\\s*[x×*]\\s*${figure}\\s*[x×*]\\s*${figure}\\s*(mm|cm|m|in|ft)?\\s*$`,
    "i",
  ).exec(text);
  if (!match) return undefined;
  const [length = "", width = "", height = ""] = match.slice(1, 4).map((part) => part.replace(",", "."));
  const unit = UNITS.find((name) => name === match[4]?.toLowerCase()) ?? "cm";
  return { length, width, height, unit };
}
const UNITS = ["mm", "cm", "m", "in", "ft"] as const;
