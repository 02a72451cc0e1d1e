import Minus from "lucide-react/icons/minus";
import Plus from "lucide-react/icons/plus";
import type { CartLine } from "../../../core/request/request.ts";
import { shopWord } from "./shop-words.ts";

type Props = {
  lines: readonly (CartLine & { name: string })[];
  money: (minor: number) => string;
  locale: string;
  /** Undefined while the cart follows the climb's cursor and cannot be changed. */
  onQuantity: ((sku: string, quantity: number) => void) | undefined;
};

export function CartLines({ lines, money, locale, onQuantity }: Props) {
  if (lines.length === 0) return <p className="py-6 text-quiet">{shopWord("empty", locale)}</p>;
  return (
    <ul aria-label={shopWord("cart", locale)} className="mb-1">
      {lines.map(({ sku, name, quantity, unitPrice }) => (
        <li key={sku} className="border-b border-base-300 py-1.5">
          <div className="flex justify-between gap-3">
            <span className="break-words">{name}</span>
            <span className="whitespace-nowrap">{money(unitPrice * quantity)}</span>
          </div>
          <div className="flex items-center gap-1 text-[13px] text-quiet">
            {onQuantity ? (
              <>
                <button
                  type="button"
                  className="btn btn-ghost btn-xs btn-square"
                  onClick={() => onQuantity(sku, quantity - 1)}
                >
                  <Minus size={13} aria-hidden />
                  <span className="sr-only">One {name} less</span>
                </button>
                <span className="min-w-4 text-center">{quantity}</span>
                <button
                  type="button"
                  className="btn btn-ghost btn-xs btn-square"
                  onClick={() => onQuantity(sku, quantity + 1)}
                >
                  <Plus size={13} aria-hidden />
                  <span className="sr-only">One {name} more</span>
                </button>
                <span>× {money(unitPrice)}</span>
              </>
            ) : (
              <span>
                {quantity} × {money(unitPrice)}
              </span>
            )}
          </div>
        </li>
      ))}
    </ul>
  );
}
