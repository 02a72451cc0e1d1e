import { ladderWords, measured } from "../../../core/measures/measure-spec.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import { countedLines } from "../../../core/queries/counted-lines.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { useEditing } from "../../editors/editing.ts";
import { makersMoney } from "../../language/money.ts";
import { say, theReader } from "../../language/say.ts";

type Props = { compiled: CompiledPlan; request: QuoteRequest; offer: Offer; productName: (sku: string) => string };

/** The ladder's basis on the cart on screen: which lines count, and what they add up to. */
export function CountedCart({ compiled, request, offer, productName }: Props) {
  const { context } = useEditing();
  const found = countedLines(compiled, request, offer.counts);
  if (!found || found.lines.length === 0) return null;
  const { currency, cart } = request;
  return (
    <table
      aria-label={say("What counts of this cart")}
      className="table table-xs w-auto text-[13px] [&_td]:text-[13px]"
    >
      <tbody>
        {cart.lines.map((line, i) => {
          const counts = found.lines[i]?.counts === true;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a cart may hold the same SKU on two lines
            <tr key={i} className={counts ? "" : "text-quiet line-through"}>
              <td>
                {line.quantity} × {productName(line.sku)}
              </td>
              <td className="text-right">
                {makersMoney(line.unitPrice * line.quantity - (line.discount ?? 0), currency)}
              </td>
              <td>{counts ? say("counts") : say("does not count")}</td>
            </tr>
          );
        })}
        <tr className="font-semibold">
          <td>{say(ladderWords(offer.counts, context))}</td>
          <td className="text-right">
            {found.total === null
              ? say("not known")
              : measured(offer.counts.kind, found.total, currency, theReader().locale)}
          </td>
          <td />
        </tr>
      </tbody>
    </table>
  );
}
