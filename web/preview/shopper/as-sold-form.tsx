import type { AsSold } from "../../../server/catalogue/product.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { MoneyField } from "../../fields/money-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";
import type { ShownCart } from "../../state/standpoint.ts";

type ShownLine = ShownCart["lines"][number];
type Props = { line: ShownLine; currency: string; onLine: (line: ShownLine) => void };

/** The price, the discount and the state that a line is sold at, instead of the catalogue's. */
export function AsSoldForm({ line, currency, onLine }: Props) {
  const { asSold = {} } = line;
  const set = (next: AsSold) => onLine(setOptional(line, "asSold", Object.keys(next).length > 0 ? next : undefined));
  const setAmount = (part: "prices" | "off", amount: string | undefined) => {
    const amounts = setOptional(asSold[part] ?? {}, currency, amount);
    set(setOptional(asSold, part, Object.keys(amounts).length > 0 ? amounts : undefined));
  };
  return (
    <div className="grid gap-2.5 text-[13px]">
      <MoneyField
        label={say("Price of one in {currency} (empty: the catalogue's)", { currency })}
        className="w-full"
        value={asSold.prices?.[currency]}
        currency={currency}
        onCommit={(price) => setAmount("prices", price)}
        onEmpty={() => setAmount("prices", undefined)}
      />
      <MoneyField
        label={say("Taken off the line, in {currency}", { currency })}
        className="w-full"
        value={asSold.off?.[currency]}
        currency={currency}
        onCommit={(off) => setAmount("off", off)}
        onEmpty={() => setAmount("off", undefined)}
      />
      <CheckField
        label={say("Sold as used")}
        checked={asSold.used ?? false}
        onCommit={(used) => set(setOptional(asSold, "used", used || undefined))}
      />
    </div>
  );
}
