import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { andList, phrase } from "../../../core/phrases/phrase.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { wordsOfKey } from "../../../core/schema/key-words.ts";
import type { CatalogueProduct } from "../../../server/catalogue/catalogue.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { errorWords } from "../../state/api.ts";
import { CATALOGUE, PRODUCTS, productsFound } from "../../state/server-queries.ts";
import { useDebounced } from "../../state/use-debounced.ts";
import { CatalogueFile } from "./catalogue-file.tsx";
import { ProductEditor } from "./product-editor.tsx";
import { SeveralProducts } from "./several-products.tsx";

/** What products say about their own delivery, with those whose weight a charge needs and nobody knows. */
export function ProductsPanel({ plan }: { plan: Plan }) {
  const client = useQueryClient();
  const [typed, setTyped] = useState("");
  const [missing, setMissing] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const [ticked, setTicked] = useState<ReadonlyMap<string, CatalogueProduct>>(new Map());
  const search = useDebounced(typed.trim());
  const { data, error } = useQuery(productsFound(missing ? { missing: "weight" } : { search }));
  const changed = async () => {
    await Promise.all([
      client.invalidateQueries({ queryKey: PRODUCTS }),
      client.invalidateQueries({ queryKey: CATALOGUE }),
    ]);
  };
  const tick = (product: CatalogueProduct, isTicked: boolean) => {
    const next = new Map(ticked);
    if (isTicked) next.set(product.sku, product);
    else next.delete(product.sku);
    setTicked(next);
  };
  // What is known of them now, where they are in sight.
  const several = [...ticked.values()].map(
    (product) => data?.products.find(({ sku }) => sku === product.sku) ?? product,
  );
  const needing = optionsByWeight(plan);
  const tally = data?.tally;
  return (
    <section aria-label={say("Products")} className="grid gap-3">
      <h2 className="text-[20px] leading-7 font-bold">{say("Products")}</h2>
      {error && (
        <p role="alert" className="text-warning">
          {say("The catalogue could not be read: {message}", { message: errorWords(error) })}
        </p>
      )}
      {tally && (
        <p className={tally.withoutWeight > 0 && needing.length > 0 ? "text-warning" : "text-quiet"}>
          {tally.products === 1 ? say("One product") : say("{products} products", { products: tally.products })};{" "}
          {tally.withoutWeight === 0
            ? say("everything that is shipped has a weight.")
            : [
                say("{count, plural, one {# that is shipped has} other {# that are shipped have}} no weight.", {
                  count: tally.withoutWeight,
                }),
                needing.length > 0
                  ? say("{options} cannot be priced with them in the cart.", { options: andList(needing) })
                  : say("No charge asks for it."),
              ].join(" ")}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <input
          type="search"
          className="input input-sm w-64"
          aria-label={say("Search products")}
          placeholder={say("Name or SKU")}
          value={typed}
          maxLength={100}
          disabled={missing}
          onChange={(event) => setTyped(event.target.value)}
        />
        <CheckField label={say("only without a weight")} checked={missing} onCommit={setMissing} />
      </div>
      <div className="max-h-[360px] overflow-y-auto border border-base-300 bg-base-100">
        <table className="table table-sm text-[14px] [&_td]:text-[14px]">
          <thead>
            <tr className="text-[13px] text-quiet">
              <td className="w-0" />
              <th scope="col">{say("Product")}</th>
              <th scope="col">{say("Weight")}</th>
              <th scope="col">{say("Parcel class")}</th>
              <th scope="col">{say("Delivery of its own")}</th>
            </tr>
          </thead>
          <tbody>
            {(data?.products ?? []).map((product) => (
              <tr key={product.sku} className={product.sku === chosen ? "bg-base-200" : ""}>
                <td>
                  <input
                    type="checkbox"
                    className="checkbox checkbox-xs"
                    aria-label={say("Tick {name}", { name: product.name })}
                    checked={ticked.has(product.sku)}
                    disabled={!ticked.has(product.sku) && ticked.size >= MOST_TICKED}
                    onChange={(event) => tick(product, event.target.checked)}
                  />
                </td>
                <th scope="row" className="font-normal">
                  <button
                    type="button"
                    className="cursor-pointer text-left hover:underline"
                    aria-expanded={product.sku === chosen}
                    onClick={() => setChosen(product.sku === chosen ? null : product.sku)}
                  >
                    {product.name}
                    <span className="ml-2 text-[13px] text-quiet">{product.sku}</span>
                  </button>
                </th>
                <td className={product.weight || isNotShipped(product) ? "" : "text-warning"}>
                  {product.weight
                    ? `${product.weight.value} ${product.weight.unit}`
                    : isNotShipped(product)
                      ? ""
                      : say("not known")}
                </td>
                <td>{product.parcelClass}</td>
                <td>{deliveryWords(product)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {data?.products.length === 0 && <p className="p-3 text-quiet">{say("No product is called that.")}</p>}
      </div>
      {several.length > 0 && (
        <SeveralProducts products={several} onSaved={changed} onClear={() => setTicked(new Map())} />
      )}
      {data?.products
        .filter(({ sku }) => sku === chosen)
        .map((product) => (
          <ProductEditor key={product.sku} plan={plan} product={product} onSaved={changed} />
        ))}
      <CatalogueFile onTaken={changed} />
    </section>
  );
}

/** As many as are saved at once. */
const MOST_TICKED = 100;

const isNotShipped = ({ delivery }: CatalogueProduct) =>
  delivery?.kind === "nothing-to-ship" || delivery?.kind === "ships-free";

function deliveryWords({ delivery }: CatalogueProduct): string {
  if (!delivery) return "";
  if (delivery.kind !== "own-charge") return say(wordsOfKey(delivery.kind));
  const amounts = Object.entries(delivery.amounts).map(([currency, minor]) => makersMoney(minor, currency));
  return say("{amounts} for each {per}", {
    amounts: amounts.join(", "),
    per: delivery.per === "piece" ? phrase("piece") : phrase("line"),
  });
}

/** Options whose price hangs on weight. */
function optionsByWeight(plan: Plan): string[] {
  return plan.options
    .filter(
      (option) =>
        option.on !== false &&
        /"kind":"(weight|volumetric-weight|chargeable-weight|weight-volume|carrier)"/.test(
          JSON.stringify([option.charge, option.byZone]),
        ),
    )
    .map(({ id, name }) => name.en ?? id);
}
