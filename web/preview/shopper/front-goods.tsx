import { useQuery } from "@tanstack/react-query";
import { productsFound } from "../../state/server-queries.ts";
import { GoodsPicture } from "./goods-picture.tsx";
import { useShopWords } from "./shop-words.ts";

type Props = {
  currency: string;
  money: (minor: number) => string;
  /** Undefined while the cart follows something and cannot be changed. */
  onAdd: ((sku: string) => void) | undefined;
};

/** As many goods as a front page shows. */
const SHOWN = 6;

/** Goods of the catalogue as a shop's front page has them; each goes into the cart. */
export function FrontGoods({ currency, money, onAdd }: Props) {
  const shopSays = useShopWords();
  const { data } = useQuery(productsFound({ search: "" }));
  const goods = (data?.products ?? []).filter(({ prices }) => prices[currency] !== undefined).slice(0, SHOWN);
  return (
    <ul aria-label={shopSays("goods")} className="grid grid-cols-2 gap-3 @md:grid-cols-3">
      {goods.map(({ sku, name, categories, prices }) => (
        <li key={sku} className="flex flex-col gap-1 border border-base-300 p-2 text-[13px]">
          <GoodsPicture name={name} categories={categories} size={48} />
          <span className="break-words">{name}</span>
          <span className="mt-auto flex items-center justify-between gap-1">
            {money(prices[currency] ?? 0)}
            {onAdd && (
              <button type="button" className="btn btn-xs font-normal" onClick={() => onAdd(sku)}>
                +<span className="sr-only"> {name}</span>
              </button>
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}
