import Minus from "lucide-react/icons/minus";
import Plus from "lucide-react/icons/plus";
import type { CartLine } from "../../../core/request/request.ts";
import { IconButton } from "../../fields/icon-button.tsx";
import { say } from "../../language/say.ts";
import type { ShownCart } from "../../state/standpoint.ts";
import { AsSoldPart } from "./as-sold-part.tsx";
import { GoodsPicture } from "./goods-picture.tsx";
import { useShopWords } from "./shop-words.ts";

type ShownLine = ShownCart["lines"][number];
type Props = {
  lines: readonly (CartLine & { name: string; categories: readonly string[] })[];
  currency: string;
  money: (minor: number) => string;
  /** The lines that these were made of. */
  cart: readonly ShownLine[];
  /** A line as it shall be, of no piece where it goes. Undefined while the cart follows something and cannot be changed. */
  onLine: ((line: ShownLine) => void) | undefined;
};

export function CartLines({ lines, currency, money, cart, onLine }: Props) {
  const shopSays = useShopWords();
  if (lines.length === 0) return <p className="py-6 text-quiet">{shopSays("empty")}</p>;
  return (
    <ul aria-label={shopSays("cart")} className="mb-1">
      {lines.map(({ sku, name, categories, quantity, unitPrice, discount = 0 }) => {
        const line = cart.find((one) => one.sku === sku);
        const price = (
          <>
            {discount > 0 && <s className="me-1.5 text-[13px] text-quiet">{money(unitPrice * quantity)}</s>}
            {money(unitPrice * quantity - discount)}
          </>
        );
        return (
          <li key={sku} className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-2.5 border-b border-base-300 py-1.5">
            <span className="row-span-2 pt-0.5">
              <GoodsPicture name={name} categories={categories} />
            </span>
            <div className="flex justify-between gap-3">
              <span className="break-words">{name}</span>
              <span className="whitespace-nowrap">{price}</span>
            </div>
            <div className="flex items-center gap-1 text-[13px] text-quiet">
              {onLine && line ? (
                <>
                  <IconButton
                    words={say("One {name} less", { name })}
                    onClick={() => onLine({ ...line, quantity: quantity - 1 })}
                  >
                    <Minus size={13} aria-hidden />
                  </IconButton>
                  <span className="min-w-4 text-center">{quantity}</span>
                  <IconButton
                    words={say("One {name} more", { name })}
                    onClick={() => onLine({ ...line, quantity: quantity + 1 })}
                  >
                    <Plus size={13} aria-hidden />
                  </IconButton>
                  <span>× {money(unitPrice)}</span>
                  <AsSoldPart name={name} line={line} currency={currency} onLine={onLine} />
                </>
              ) : (
                <span>
                  {quantity} × {money(unitPrice)}
                </span>
              )}
            </div>
          </li>
        );
      })}
    </ul>
  );
}
