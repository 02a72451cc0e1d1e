import { lazy, Suspense } from "react";
import type { AsSold } from "../../../server/catalogue/product.ts";
import { Loading } from "../../fields/loading.tsx";
import { Popover } from "../../fields/popover.tsx";
import { say, theReader } from "../../language/say.ts";
import type { ShownCart } from "../../state/standpoint.ts";

// Loaded when it is opened.
const AsSoldForm = lazy(() => import("./as-sold-form.tsx").then((module) => ({ default: module.AsSoldForm })));

type ShownLine = ShownCart["lines"][number];
type Props = { name: string; line: ShownLine; currency: string; onLine: (line: ShownLine) => void };

/** How a line of the cart is sold where that is not as the catalogue has it: at another price, with something off, used. */
export const AsSoldPart = ({ name, line, currency, onLine }: Props) => (
  <span className="ms-auto" dir="ltr" lang={theReader().locale}>
    <Popover
      label={say("How {name} is sold", { name })}
      shown={soldWords(line.asSold ?? {}, currency)}
      side="right"
      isQuiet
    >
      <Suspense fallback={<Loading />}>
        <AsSoldForm line={line} currency={currency} onLine={onLine} />
      </Suspense>
    </Popover>
  </span>
);

/** @example "on sale, used" */
function soldWords({ prices, off, used }: AsSold, currency: string): string {
  const words = [
    ...(prices?.[currency] === undefined ? [] : [say("on sale")]),
    ...(off?.[currency] === undefined ? [] : [say("{amount} off", { amount: off[currency] })]),
    ...(used ? [say("used")] : []),
  ];
  return words.length > 0 ? words.join(", ") : say("as listed");
}
