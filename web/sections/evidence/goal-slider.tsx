import type { Gain, GainAt } from "../../../core/evidence/gain.ts";
import type { PlanGoal } from "../../../core/evidence/goals-of-plan.ts";
import { BELOW } from "../../../core/evidence/near-goal.ts";
import { withGoal } from "../../editors/amounts/with-goal.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { draftStore } from "../../state/use-draft.ts";
import { type Looked, OpenOrdersWorth } from "./orders-worth.tsx";

/** Goals that are held, as they were when they were taken, and where they are moved to. */
export type Moving = { readonly goals: readonly PlanGoal[]; readonly to: number };

type Props = {
  looked: Looked;
  gain: Gain;
  /** The goals that are moved, all at one amount, of steps of one offer. */
  goals: readonly PlanGoal[];
  moving: Moving | null;
  onMoving: (moving: Moving | null) => void;
};

/** The draft's goal, moved along the curve by hand or by keyboard; what is under it is said in figures. */
export function GoalSlider({ looked, gain: { curve }, goals, moving, onMoving }: Props) {
  const { plan, filter } = looked;
  const { currency } = filter;
  const [first] = goals;
  const offer = plan.offers.find(({ id }) => id === first?.offer);
  if (!first || !offer)
    return (
      <p className="mt-2 text-quiet">
        {say("The draft has no goal here that is for everybody: put one in from the spread, then move it here.")}
      </p>
    );
  const goal = moving?.to ?? first.goal;
  const at = curve.reduce(
    (near, point) => (Math.abs(point.goal - goal) < Math.abs(near.goal - goal) ? point : near),
    NOWHERE,
  );
  const bodyWith = (to: number) =>
    goals.reduce((body, { step, market }) => withGoal(body, step, { zone: null, market, currency }, to), offer);
  const place = curve.indexOf(at);
  const pick = (index: number) => curve[index]?.goal ?? first.goal;
  const commit = () => {
    if (!moving) return;
    draftStore.commit({ kind: "offer", id: offer.id, body: bodyWith(moving.to) });
    onMoving(null);
  };
  return (
    <div className="mt-2">
      <label className="grid gap-1 text-[13px] text-quiet">
        {say("Goal of {offer} in the draft: {goal}", { offer: offer.name, goal: makersMoney(goal, currency) })}
        <input
          type="range"
          className="range range-primary range-xs w-full"
          min={0}
          max={curve.length - 1}
          value={Math.max(0, place)}
          aria-valuetext={makersMoney(goal, currency)}
          onChange={(event) => {
            const to = pick(Number(event.target.value));
            onMoving({ goals, to });
            draftStore.show({ kind: "offer", id: offer.id, body: bodyWith(to) });
          }}
          onPointerUp={commit}
          onKeyUp={commit}
          onBlur={commit}
        />
      </label>
      {place >= 0 && <Made point={at} looked={looked} />}
    </div>
  );
}

const NOWHERE: GainAt = {
  ...{ goal: Number.POSITIVE_INFINITY, gain: 0, low: 0, high: 0, added: 0, givenAway: 0, rewards: 0 },
  ...{ adding: 0, reaching: 0, asGood: false, isGuess: true },
};

/** What a figure of the curve is made of, down to the orders. */
function Made({ point, looked }: { point: GainAt; looked: Looked }) {
  const { goal, gain, low, high, added, givenAway, rewards, adding, reaching, isGuess } = point;
  const money = (minor: number) => makersMoney(minor, looked.filter.currency);
  const near = Math.ceil(goal * BELOW);
  return (
    <>
      <p role="status" className="mt-1 text-[14px]">
        {say("At {goal}: {gain} a week, {low} to {high} nine times in ten.", {
          goal: money(goal),
          gain: money(gain),
          low: money(low),
          high: money(high),
        })}{" "}
        {say(
          "{adding, number} orders a week add something, which brings {added}; to them and {reaching, number} that reach it as they are, {givenAway} of delivery is given away.",
          { adding, added: money(added), reaching, givenAway: money(givenAway) },
        )}{" "}
        {rewards > 0 && say("Gifts and money off cost another {rewards}.", { rewards: money(rewards) })}{" "}
        {isGuess && <strong>{say("A guess: no goal has been near this one, or not for the same.")}</strong>}
      </p>
      <div className="grid gap-1">
        <OpenOrdersWorth
          key={`near ${goal}`}
          {...looked}
          from={near}
          below={goal}
          label={say("{from} to {to}", { from: money(near), to: money(goal) })}
          words={say("The orders a little below it")}
        />
        <OpenOrdersWorth
          key={`from ${goal}`}
          {...looked}
          from={goal}
          label={say("{from} and above", { from: money(goal) })}
          words={say("The orders that reach it")}
        />
      </div>
    </>
  );
}
