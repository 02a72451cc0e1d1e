import { type ResolvedAmount, resolveAmount } from "../../../core/money/amount.ts";
import { formatMoney } from "../../../core/money/format.ts";
import { typedAmount } from "../../../core/money/typed.ts";
import type { Offer } from "../../../core/offers/offer.ts";
import { stepWords } from "../../../core/offers/words.ts";
import { byPosition } from "../../../core/plan/atoms.ts";
import { type Plan, ratesOf } from "../../../core/plan/plan.ts";
import { draftStore } from "../state/use-draft.ts";
import { GoalField } from "./goal-field.tsx";
import { spendGoal, withGoal } from "./with-goal.ts";

/** Steps down, markets and their currencies across: every goal of an offer in one table. */
export function GoalGrid({ plan, offer }: { plan: Plan; offer: Offer }) {
  const marketIds = new Set(plan.zones.filter(({ id }) => offer.zones.includes(id)).map(({ market }) => market));
  const columns = [...plan.markets]
    .filter(({ id }) => marketIds.has(id))
    .sort(byPosition)
    .flatMap((market) => market.currencies.map((currency) => ({ market, currency })));
  const rates = ratesOf(plan);
  return (
    <section aria-label={`Goals of ${offer.name}`} className="mt-3 overflow-x-auto border border-base-300 bg-base-100">
      <table className="table table-sm text-[14px] [&_td]:text-[14px] [&_th]:text-[14px]">
        <thead>
          <tr className="text-[13px] text-quiet">
            <th scope="col">Step and reward</th>
            {columns.map(({ market, currency }) => (
              <th key={`${market.id} ${currency}`} scope="col" className="text-right">
                {market.name} <span className="block font-normal">{currency}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...offer.steps].sort(byPosition).map((step, number) => (
            <tr key={step.id}>
              <th scope="row" className="font-normal">
                <strong className="mr-2">{number + 1}</strong>
                {stepWords(plan, step)}
              </th>
              {columns.map(({ market, currency }) => {
                const at = spendGoal(step);
                const amount = at && resolveAmount(at, { market: market.id, currency, rates });
                const minor = amount?.minor;
                const edit = (value: number) =>
                  ({
                    kind: "offer",
                    id: offer.id,
                    body: withGoal(offer, step.id, market.id, currency, value),
                  }) as const;
                return (
                  <td key={`${market.id} ${currency}`} className="text-right">
                    <GoalField
                      label={`Goal of step ${number + 1} in ${market.name}, ${currency}`}
                      shown={minor === undefined ? "not set" : formatMoney(minor, currency, "en")}
                      minor={minor}
                      currency={currency}
                      className={`text-right ${amount?.from === "conversion" ? "italic" : "font-semibold"}`}
                      onShow={(value) => draftStore.show(edit(value))}
                      onCommit={(value) => draftStore.commit(edit(value))}
                      onCancel={() => draftStore.cancel()}
                    />
                    {amount?.from === "conversion" && (
                      <span className="block text-[12px] whitespace-nowrap text-quiet">
                        {sourceWords(amount, currency)}
                      </span>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Where a converted amount comes from. @example "€60 · nearest ¥500" */
function sourceWords(
  { base, source, rounding }: Extract<ResolvedAmount, { from: "conversion" }>,
  currency: string,
): string {
  const step = typedAmount(rounding.step, currency);
  const multiple = "minor" in step ? formatMoney(step.minor, currency, "en", "short") : rounding.step;
  const direction = { nearest: "nearest", up: "up to", down: "down to" }[rounding.direction];
  const less = rounding.lessOne ? ", less the smallest coin" : "";
  return `${formatMoney(source, base, "en", "short")} · ${direction} ${multiple}${less}`;
}
