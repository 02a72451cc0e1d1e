import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { phrase } from "../../../../core/phrases/phrase.ts";
import { gift as giftReward } from "../../../../core/rewards/kinds/gift.ts";
import { NumberField } from "../../../fields/number-field.tsx";
import { TextField } from "../../../fields/text-field.tsx";
import { say } from "../../../language/say.ts";
import { productsFound } from "../../../state/server-queries.ts";
import { useDebounced } from "../../../state/use-debounced.ts";
import type { RewardKindEditor } from "../reward-kind-editor.ts";

/** Something is put in for nothing. */
export const gift: RewardKindEditor<"gift"> = {
  words: phrase("a gift"),
  instead: () => giftReward.example,
  Fields: ({ reward, onReward }) => (
    <>
      <GiftField sku={reward.sku} onSku={(sku) => onReward({ ...reward, sku }, true)} />
      <NumberField
        label={say("Pieces")}
        value={reward.quantity}
        leaf="offer/steps/reward/gift/quantity"
        onCommit={(quantity) => onReward({ ...reward, quantity }, true)}
      />
    </>
  ),
};

/** The product that is given, found by its name or typed by its SKU. */
function GiftField({ sku, onSku }: { sku: string; onSku: (sku: string) => void }) {
  const [search, setSearch] = useState("");
  const wanted = useDebounced(search.trim());
  const { data } = useQuery({ ...productsFound({ search: wanted }), enabled: wanted !== "" });
  const { data: own } = useQuery(productsFound({ search: sku }));
  const name = own?.products.find((one) => one.sku === sku)?.name;
  return (
    <span className="grid gap-1">
      <TextField label={say("SKU of the gift")} value={sku} leaf="offer/steps/reward/gift/sku" onCommit={onSku} />
      <span className="text-[13px] text-quiet">{name ?? say("No product has this SKU.")}</span>
      <input
        type="search"
        className="input input-sm w-52"
        aria-label={say("Find the gift by name")}
        placeholder={say("or find it by name…")}
        value={search}
        maxLength={100}
        onChange={(event) => setSearch(event.target.value)}
      />
      {wanted !== "" && data && (
        <ul aria-label={say("Products found for the gift")} className="max-h-40 overflow-y-auto text-[13px]">
          {data.products.slice(0, 8).map((product) => (
            <li key={product.sku}>
              <button
                type="button"
                className="link"
                onClick={() => {
                  onSku(product.sku);
                  setSearch("");
                }}
              >
                {product.name}
              </button>
            </li>
          ))}
          {data.products.length === 0 && <li className="text-quiet">{say("No product is called that.")}</li>}
        </ul>
      )}
    </span>
  );
}
