import type { AsSold } from "../../../server/catalogue/product.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { MoneyField } from "../../fields/money-field.tsx";
import { Popover } from "../../fields/popover.tsx";
import { setOptional } from "../../state/set-optional.ts";
import type { ShownCart } from "../../state/standpoint.ts";

type ShownLine = ShownCart["lines"][number];
type Props = { name: string; line: ShownLine; currency: string; onLine: (line: ShownLine) => void };

/** How a line of the cart is sold where that is not as the catalogue has it: at another price, with something off, used. */
export function AsSoldPart({ name, line, currency, onLine }: Props) {
  const { asSold = {} } = line;
  const set = (next: AsSold) => onLine(setOptional(line, "asSold", Object.keys(next).length > 0 ? next : undefined));
  const setAmount = (part: "prices" | "off", amount: string | undefined) => {
    const amounts = setOptional(asSold[part] ?? {}, currency, amount);
    set(setOptional(asSold, part, Object.keys(amounts).length > 0 ? amounts : undefined));
  };
  return (
    <span className="ms-auto" dir="ltr" lang="en">
      <Popover label={`How ${name} is sold`} shown={soldWords(asSold, currency)} side="right" isQuiet>
        <div className="grid gap-2.5 text-[13px]">
          <MoneyField
            label={`Price of one in ${currency} (empty: the catalogue's)`}
            className="w-full"
            value={asSold.prices?.[currency]}
            currency={currency}
            onCommit={(price) => setAmount("prices", price)}
            onEmpty={() => setAmount("prices", undefined)}
          />
          <MoneyField
            label={`Taken off the line, in ${currency}`}
            className="w-full"
            value={asSold.off?.[currency]}
            currency={currency}
            onCommit={(off) => setAmount("off", off)}
            onEmpty={() => setAmount("off", undefined)}
          />
          <CheckField
            label="Sold as used"
            checked={asSold.used ?? false}
            onCommit={(used) => set(setOptional(asSold, "used", used || undefined))}
          />
        </div>
      </Popover>
    </span>
  );
}

/** @example "on sale, used" */
function soldWords({ prices, off, used }: AsSold, currency: string): string {
  const words = [
    ...(prices?.[currency] === undefined ? [] : ["on sale"]),
    ...(off?.[currency] === undefined ? [] : [`${off[currency]} off`]),
    ...(used ? ["used"] : []),
  ];
  return words.length > 0 ? words.join(", ") : "as listed";
}
