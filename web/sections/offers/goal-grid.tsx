import { goalWords, stepWords } from "../../../core/explain/offer-sentence.ts";
import { markAt } from "../../../core/measures/measure-spec.ts";
import type { Amount } from "../../../core/money/amount.ts";
import type { Offer, Step } from "../../../core/offers/offer.ts";
import { goalOf } from "../../../core/offers/trigger.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { type AmountRow, AmountsTable } from "../../editors/amounts/amounts-table.tsx";
import { spendGoal, withGoalAmount } from "../../editors/amounts/with-goal.ts";
import { say, sayValue } from "../../language/say.ts";
import { draftStore } from "../../state/use-draft.ts";

/** Steps down, markets and their currencies across: every goal of an offer in one table. */
export function GoalGrid({ plan, offer, tools = false }: { plan: Plan; offer: Offer; tools?: boolean }) {
  const rows = [...offer.steps].sort(byPosition).map(
    (step, number): AmountRow => ({
      key: step.id,
      label: say("Goal of step {number}", { number: number + 1 }),
      head: (
        <>
          <strong className="mr-2">{number + 1}</strong>
          {say(stepWords(plan, step))}
        </>
      ),
      amount: spendGoal(step) ?? null,
      instead: otherGoal(offer, step),
      set: (amount, done) => {
        const edit = { kind: "offer", id: offer.id, body: withGoalAmount(offer, step.id, amount) } as const;
        if (done) draftStore.commit(edit);
        else draftStore.show(edit);
      },
    }),
  );
  const setAll = (amounts: ReadonlyMap<string, Amount>) => {
    const body = [...amounts].reduce((next, [step, amount]) => withGoalAmount(next, step, amount), offer);
    draftStore.commit({ kind: "offer", id: offer.id, body });
  };
  return (
    <section aria-label={say("Goals of {name}", { name: offer.name })} className="mt-3">
      <AmountsTable plan={plan} name={say("Step and reward")} rows={rows} zones={offer.zones} onPasted={setAll} />
      {tools && (
        <p className="mt-1 flex flex-wrap items-center gap-2 text-[13px] text-quiet">
          {say("Round all typed goals to")}
          {["1", "5", "10"].map((step) => (
            <button
              key={step}
              type="button"
              className="btn btn-xs"
              onClick={() => setAll(roundedGoals(offer.steps, Number(step)))}
            >
              {step}
            </button>
          ))}
          {say("of their currency. A block copied from a spreadsheet can be pasted onto a goal.")}
        </p>
      )}
    </section>
  );
}

/** What a step waits for that is no amount. */
function otherGoal({ counts }: Offer, { trigger }: Step): string {
  const goal = goalOf(trigger);
  if (!goal) return "codes" in trigger ? say("by code alone") : say("no goal");
  // A goal of items or weight is the same in every currency.
  const count = markAt(goal.at, { zone: null, market: "", currency: "", rates: new Map() });
  return count === undefined ? say("no amount") : sayValue(goalWords(counts.kind, count, ""));
}

/** Every typed goal as the nearest whole multiple of so many units of its currency, never nothing. */
function roundedGoals(steps: readonly Step[], unit: number): Map<string, Amount> {
  const round = (typed: Readonly<Record<string, string>>) =>
    Object.fromEntries(
      Object.entries(typed).map(([currency, text]) => [
        currency,
        String(Math.max(1, Math.round(Number(text) / unit)) * unit),
      ]),
    );
  return new Map(
    steps.flatMap((step): [string, Amount][] => {
      const at = spendGoal(step);
      if (!at) return [];
      const { byCurrency, byMarket, byZone } = at;
      const own = (figures: NonNullable<Amount["byZone"]>) =>
        Object.fromEntries(Object.entries(figures).map(([id, typed]) => [id, round(typed)]));
      return [
        [
          step.id,
          {
            ...at,
            ...(byCurrency ? { byCurrency: round(byCurrency) } : {}),
            ...(byMarket ? { byMarket: own(byMarket) } : {}),
            ...(byZone ? { byZone: own(byZone) } : {}),
          },
        ],
      ];
    }),
  );
}
