import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { phrase } from "../../../core/phrases/phrase.ts";
import type { CatalogueProduct } from "../../../server/catalogue/catalogue.ts";
import type { Product } from "../../../server/catalogue/product.ts";
import { ListField } from "../../fields/list-field.tsx";
import { QuantityField, WEIGHT_UNITS } from "../../fields/quantity-field.tsx";
import { readPercent } from "../../fields/read-figure.ts";
import { isAtMostAll } from "../../fields/rules.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { api, problemWords } from "../../state/api.ts";
import { setOptional } from "../../state/set-optional.ts";
import { asWritten } from "./as-written.ts";

type Props = { products: readonly CatalogueProduct[]; onSaved: () => Promise<void>; onClear: () => void };
type Change = (product: Product) => Product;

const PARTS = {
  categories: phrase("add to categories"),
  tags: phrase("add tags"),
  parcelClass: phrase("set the parcel class"),
  weight: phrase("set the weight of one piece"),
  taxRate: phrase("set the tax"),
  delivery: phrase("set the delivery"),
} as const;
type Part = keyof typeof PARTS;

const DELIVERY = {
  like: phrase("charged like other goods"),
  "ships-free": phrase("ships free"),
  "nothing-to-ship": phrase("has nothing to ship"),
} as const;

/** One change made to all products that are ticked. */
export function SeveralProducts({ products, onSaved, onClear }: Props) {
  const [part, setPart] = useState<Part>("categories");
  const saving = useMutation({
    mutationFn: (change: Change) => api.saveProducts(products.map((product) => change(asWritten(product)))),
    onSuccess: onSaved,
  });
  return (
    <section aria-label={say("The products that are ticked")} className="grid gap-2 border-l-2 border-primary pl-3">
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label={
            products.length === 1
              ? say("With the product ticked")
              : say("With the {count} products ticked", { count: products.length })
          }
          value={part}
          choices={PARTS}
          onCommit={setPart}
        />
        <PartField key={part} part={part} onChange={(change) => saving.mutate(change)} />
        <button type="button" className="btn btn-ghost btn-sm" onClick={onClear}>
          {say("Untick all")}
        </button>
      </div>
      {saving.isSuccess && (
        <p role="status" className="text-quiet">
          {say("Saved.")}
        </p>
      )}
      {saving.error && (
        <p role="alert" className="text-warning">
          {say("Not saved: {problem}", { problem: problemWords(saving.error) })}
        </p>
      )}
    </section>
  );
}

/** What is set for all of them. */
function PartField({ part, onChange }: { part: Part; onChange: (change: Change) => void }) {
  switch (part) {
    case "categories":
    case "tags":
      return (
        <ListField
          label={part === "tags" ? say("Tags") : say("Categories")}
          value={[]}
          leaf={`product/${part}`}
          onCommit={(added) =>
            onChange((product) => ({ ...product, [part]: [...new Set([...(product[part] ?? []), ...added])] }))
          }
        />
      );
    case "parcelClass":
      return (
        <TextField
          label={say("Parcel class")}
          value={undefined}
          leaf="product/parcelClass"
          onCommit={(parcelClass) => onChange((product) => ({ ...product, parcelClass }))}
        />
      );
    case "weight":
      return (
        <QuantityField
          label={say("Weight")}
          quantity={undefined}
          units={WEIGHT_UNITS}
          onQuantity={(weight) => onChange((product) => ({ ...product, weight }))}
        />
      );
    case "taxRate":
      return (
        <TextField
          label={say("Tax, %")}
          className="w-28"
          value={undefined}
          leaf="product/taxRate"
          rule={isAtMostAll}
          read={readPercent}
          onCommit={(taxRate) => onChange((product) => ({ ...product, taxRate }))}
        />
      );
    case "delivery":
      return (
        <SelectField<keyof typeof DELIVERY | "">
          label={say("At the checkout they are")}
          value=""
          choices={{ "": say("choose…"), ...DELIVERY }}
          onCommit={(kind) => {
            if (kind === "like") onChange((product) => setOptional(product, "delivery", undefined));
            else if (kind !== "") onChange((product) => ({ ...product, delivery: { kind } }));
          }}
        />
      );
  }
}
