import { useQuery } from "@tanstack/react-query";
import { useId, useState } from "react";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { productsFound } from "../../state/server-queries.ts";
import { useDebounced } from "../../state/use-debounced.ts";

/** As many as can be looked over at once; typing on finds the others. */
const AT_ONCE = 8;

type Props = { currency: string; onAdd: (sku: string) => void };

/** Finds a product by its name or SKU and puts it into the cart. Searched on the server, however long the catalogue is. */
export function ProductFinder({ currency, onAdd }: Props) {
  const id = useId();
  const [typed, setTyped] = useState("");
  const [open, setOpen] = useState(false);
  const search = useDebounced(typed.trim());
  const { data } = useQuery({ ...productsFound({ search }), enabled: open });
  const add = (sku: string) => {
    onAdd(sku);
    setTyped("");
  };
  return (
    <search
      className="relative mt-2.5 block"
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) setOpen(false);
      }}
      onKeyDown={(event) => event.key === "Escape" && setOpen(false)}
    >
      <input
        className="input input-sm w-full text-[14px]"
        type="search"
        aria-label={say("Add a product to the cart")}
        placeholder={say("Add a product…")}
        aria-controls={`${id}-found`}
        aria-expanded={open}
        role="combobox"
        autoComplete="off"
        maxLength={100}
        value={typed}
        onFocus={() => setOpen(true)}
        onChange={(event) => {
          setTyped(event.target.value);
          setOpen(true);
        }}
      />
      {open && data && (
        <ul
          id={`${id}-found`}
          aria-label={say("Products found")}
          className="absolute bottom-full z-10 mb-1 w-full border border-base-300 bg-base-100 shadow-lg"
        >
          {data.products.slice(0, AT_ONCE).map(({ sku, name, prices }) => {
            const price = prices[currency];
            return (
              <li key={sku}>
                <button
                  type="button"
                  className="flex w-full cursor-pointer gap-2 px-2 py-1 text-left text-[13px] hover:bg-base-200 disabled:cursor-default disabled:text-quiet"
                  disabled={price === undefined}
                  onClick={() => add(sku)}
                >
                  <span className="min-w-0 flex-1 truncate">{name}</span>
                  {price === undefined ? say("no price in {currency}", { currency }) : makersMoney(price, currency)}
                </button>
              </li>
            );
          })}
          {data.products.length === 0 && (
            <li className="px-2 py-1 text-[13px] text-quiet">{say("No product is called that.")}</li>
          )}
          {data.products.length > AT_ONCE && (
            <li className="px-2 py-1 text-[13px] text-quiet">
              {search === ""
                ? say("Type to search all {products}.", { products: data.tally.products })
                : say("There are more: type on to find them.")}
            </li>
          )}
        </ul>
      )}
    </search>
  );
}
