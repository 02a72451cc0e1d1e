import type { Offer } from "../../../core/offers/offer.ts";
import { stepWords } from "../../../core/offers/words.ts";
import { byPosition } from "../../../core/plan/atoms.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { type AmountRow, AmountsTable } from "../amounts/amounts-table.tsx";
import { columnsOf } from "../amounts/columns.ts";
import { draftStore } from "../state/use-draft.ts";
import { spendGoal, withGoalAmount } from "./with-goal.ts";

/** Steps down, markets and their currencies across: every goal of an offer in one table. */
export function GoalGrid({ plan, offer }: { plan: Plan; offer: Offer }) {
  const rows = [...offer.steps].sort(byPosition).map(
    (step, number): AmountRow => ({
      key: step.id,
      label: `Goal of step ${number + 1}`,
      head: (
        <>
          <strong className="mr-2">{number + 1}</strong>
          {stepWords(plan, step)}
        </>
      ),
      amount: spendGoal(step) ?? null,
      instead: "no spend",
      set: (amount, done) => {
        const edit = { kind: "offer", id: offer.id, body: withGoalAmount(offer, step.id, amount) } as const;
        if (done) draftStore.commit(edit);
        else draftStore.show(edit);
      },
    }),
  );
  return (
    <section aria-label={`Goals of ${offer.name}`} className="mt-3">
      <AmountsTable
        plan={plan}
        name="Step and reward"
        rows={rows}
        columns={columnsOf(plan, offer.zones)}
        onCancel={() => draftStore.cancel()}
      />
    </section>
  );
}
