import { lazy, Suspense } from "react";
import type { CartDiscount } from "../../../server/catalogue/product.ts";
import { Loading } from "../../fields/loading.tsx";
import { Popover } from "../../fields/popover.tsx";
import { say, theReader } from "../../language/say.ts";
import type { DiscountsProps } from "./order-discounts-form.tsx";

// Loaded when it is opened.
const OrderDiscountsForm = lazy(() =>
  import("./order-discounts-form.tsx").then((module) => ({ default: module.OrderDiscountsForm })),
);

/** What a shop takes off the whole order, one after the other, before any offer. */
export const OrderDiscounts = (props: DiscountsProps) => (
  <div className="mt-1.5 text-[13px]" dir="ltr" lang={theReader().locale}>
    <Popover label={say("Discounts on the order")} shown={wordsOf(props.discounts, props.currency)} isQuiet>
      <Suspense fallback={<Loading />}>
        <OrderDiscountsForm {...props} />
      </Suspense>
    </Popover>
  </div>
);

/** @example "Off the order: 10 %, then 5 EUR" */
function wordsOf(discounts: readonly CartDiscount[], currency: string): string {
  if (discounts.length === 0) return say("Nothing off the order");
  const words = discounts.map((one) => {
    const off = "percent" in one ? `${one.percent} %` : `${one.amounts[currency] ?? say("nothing in")} ${currency}`;
    return one.code === undefined ? off : say("{off} by {code}", { off, code: one.code });
  });
  return say("Off the order: {words}", { words: words.join(say(", then ")) });
}
