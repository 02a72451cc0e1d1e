import { lazy, Suspense } from "react";
import type { CartDiscount } from "../../../server/catalogue/product.ts";
import { Popover } from "../../fields/popover.tsx";
import type { DiscountsProps } from "./order-discounts-form.tsx";

// Loaded when it is opened.
const OrderDiscountsForm = lazy(() =>
  import("./order-discounts-form.tsx").then((module) => ({ default: module.OrderDiscountsForm })),
);

/** What a shop takes off the whole order, one after the other, before any offer. */
export const OrderDiscounts = (props: DiscountsProps) => (
  <div className="mt-1.5 text-[13px]" dir="ltr" lang="en">
    <Popover label="Discounts on the order" shown={wordsOf(props.discounts, props.currency)} isQuiet>
      <Suspense fallback={<p className="text-quiet">Loading…</p>}>
        <OrderDiscountsForm {...props} />
      </Suspense>
    </Popover>
  </div>
);

/** @example "Off the order: 10 %, then 5 EUR" */
function wordsOf(discounts: readonly CartDiscount[], currency: string): string {
  if (discounts.length === 0) return "Nothing off the order";
  const words = discounts.map((one) => {
    const off = "percent" in one ? `${one.percent} %` : `${one.amounts[currency] ?? "nothing in"} ${currency}`;
    return one.code === undefined ? off : `${off} by ${one.code}`;
  });
  return `Off the order: ${words.join(", then ")}`;
}
