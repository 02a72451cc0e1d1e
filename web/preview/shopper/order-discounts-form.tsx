import Plus from "lucide-react/icons/plus";
import X from "lucide-react/icons/x";
import type { CartDiscount } from "../../../server/catalogue/product.ts";
import { IconButton } from "../../fields/icon-button.tsx";
import { MoneyField } from "../../fields/money-field.tsx";
import { readPercent } from "../../fields/read-figure.ts";
import { isAtMostAll } from "../../fields/rules.ts";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

export type DiscountsProps = {
  discounts: readonly CartDiscount[];
  currency: string;
  onDiscounts: (discounts: CartDiscount[]) => void;
};

const MOST = 20;

/** Discounts on the whole order, each a percent or an amount, and the code that gave it if one did. */
export function OrderDiscountsForm({ discounts, currency, onDiscounts }: DiscountsProps) {
  const set = (index: number, next: CartDiscount) => onDiscounts(discounts.map((one, i) => (i === index ? next : one)));
  return (
    <>
      <ul className="grid gap-2.5 text-[13px]">
        {discounts.map((discount, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: discounts have no identity but their place in the list
          <li key={i} className="flex items-end gap-1.5">
            {"percent" in discount ? (
              <TextField
                label={say("Discount {number}, percent", { number: i + 1 })}
                className="w-40"
                value={discount.percent}
                leaf="percent"
                rule={isAtMostAll}
                read={readPercent}
                onCommit={(percent) => set(i, { ...discount, percent })}
              />
            ) : (
              <MoneyField
                label={say("Discount {number}, in {currency}", { number: i + 1, currency })}
                className="w-40"
                value={discount.amounts[currency]}
                currency={currency}
                onCommit={(amount) => set(i, { ...discount, amounts: { ...discount.amounts, [currency]: amount } })}
              />
            )}
            <TextField
              label={say("By the code")}
              ariaLabel={say("Code that gives discount {number}", { number: i + 1 })}
              placeholder={say("none")}
              className="w-28"
              value={discount.code ?? ""}
              leaf="when/code/codes"
              onCommit={(code) => set(i, { ...discount, code })}
              onEmpty={() => set(i, setOptional(discount, "code", undefined))}
            />
            <IconButton
              words={say("Remove discount {number}", { number: i + 1 })}
              onClick={() => onDiscounts(discounts.filter((_, other) => other !== i))}
            >
              <X size={13} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex gap-1.5">
        {(["percent", "amount"] as const).map((kind) => (
          <button
            key={kind}
            type="button"
            className="btn btn-xs"
            disabled={discounts.length >= MOST}
            onClick={() =>
              onDiscounts([...discounts, kind === "percent" ? { percent: "10" } : { amounts: { [currency]: "5" } }])
            }
          >
            <Plus size={12} aria-hidden /> {kind === "percent" ? say("A percent") : say("An amount")}
          </button>
        ))}
      </div>
    </>
  );
}
