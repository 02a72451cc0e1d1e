import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import type { CatalogueProduct } from "../../../server/catalogue/catalogue.ts";
import type { Product } from "../../../server/catalogue/product.ts";
import { ListField } from "../../fields/list-field.tsx";
import { QuantityField, WEIGHT_UNITS } from "../../fields/quantity-field.tsx";
import { readPercent } from "../../fields/read-figure.ts";
import { isAtMostAll } from "../../fields/rules.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { api, problemWords } from "../../state/api.ts";
import { setOptional } from "../../state/set-optional.ts";
import { asWritten } from "./as-written.ts";

type Props = { products: readonly CatalogueProduct[]; onSaved: () => Promise<void>; onClear: () => void };
type Change = (product: Product) => Product;

const PARTS = {
  categories: "add to categories",
  tags: "add tags",
  parcelClass: "set the parcel class",
  weight: "set the weight of one piece",
  taxRate: "set the tax",
  delivery: "set the delivery",
} as const;
type Part = keyof typeof PARTS;

const DELIVERY = {
  like: "charged like other goods",
  "ships-free": "ships free",
  "nothing-to-ship": "has nothing to ship",
} as const;

/** One change made to all products that are ticked. */
export function SeveralProducts({ products, onSaved, onClear }: Props) {
  const [part, setPart] = useState<Part>("categories");
  const saving = useMutation({
    mutationFn: (change: Change) => api.saveProducts(products.map((product) => change(asWritten(product)))),
    onSuccess: onSaved,
  });
  return (
    <section aria-label="The products that are ticked" className="grid gap-2 border-l-2 border-primary pl-3">
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label={products.length === 1 ? "With the product ticked" : `With the ${products.length} products ticked`}
          value={part}
          choices={PARTS}
          onCommit={setPart}
        />
        <PartField key={part} part={part} onChange={(change) => saving.mutate(change)} />
        <button type="button" className="btn btn-ghost btn-sm" onClick={onClear}>
          Untick all
        </button>
      </div>
      {saving.isSuccess && (
        <p role="status" className="text-quiet">
          Saved.
        </p>
      )}
      {saving.error && (
        <p role="alert" className="text-warning">
          Not saved: {problemWords(saving.error)}
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
          label={part === "tags" ? "Tags" : "Categories"}
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
          label="Parcel class"
          value={undefined}
          leaf="product/parcelClass"
          onCommit={(parcelClass) => onChange((product) => ({ ...product, parcelClass }))}
        />
      );
    case "weight":
      return (
        <QuantityField
          label="Weight"
          quantity={undefined}
          units={WEIGHT_UNITS}
          onQuantity={(weight) => onChange((product) => ({ ...product, weight }))}
        />
      );
    case "taxRate":
      return (
        <TextField
          label="Tax, %"
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
          label="At the checkout they are"
          value=""
          choices={{ "": "choose…", ...DELIVERY }}
          onCommit={(kind) => {
            if (kind === "like") onChange((product) => setOptional(product, "delivery", undefined));
            else if (kind !== "") onChange((product) => ({ ...product, delivery: { kind } }));
          }}
        />
      );
  }
}
