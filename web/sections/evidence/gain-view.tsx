import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { PlanGoal } from "../../../core/evidence/goals-of-plan.ts";
import { TOTAL } from "../../../core/evidence/order-facts.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { majorIn, minorUnits } from "../../../core/money/decimal.ts";
import type { ToldGain } from "../../../server/evidence/told-gain.ts";
import { Loading } from "../../fields/loading.tsx";
import { MoneyField } from "../../fields/money-field.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { problemWords } from "../../state/api.ts";
import { gainOfGoals, isDue } from "../../state/evidence-api.ts";
import { releasedPlan } from "../../state/released-plan.ts";
import { useDraft } from "../../state/use-draft.ts";
import { countingsOf } from "./countings.ts";
import type { Evidence } from "./evidence.ts";
import { GainChart } from "./gain-chart.tsx";
import { GainTable } from "./gain-table.tsx";
import { GoalSlider, type Moving } from "./goal-slider.tsx";
import { goalsInSight } from "./goals-in-sight.ts";
import { MarginFields } from "./margin-fields.tsx";
import { ReactionList } from "./reaction-list.tsx";
import { StatedPercent } from "./stated-percent.tsx";
import { useFigures } from "./use-figures.ts";

const goalKey = ({ offer, step }: PlanGoal): string => `${offer}/${step}`;

/** What a goal would bring: estimated, with its band, and what that is made of. */
export function GainView({ plan, filter }: Evidence) {
  const { figures, state, failure } = useFigures();
  const { currency, market } = filter;
  const drafted = goalsInSight(plan, filter).filter(({ isForAll }) => isForAll);
  const [chosen, setChosen] = useState("");
  const one = drafted.find((goal) => goalKey(goal) === chosen) ?? drafted.find(({ isFree }) => isFree) ?? drafted[0];
  // Steps of the offer that give something at the same amount go with it.
  const alike = drafted.filter(({ offer, goal }) => offer === one?.offer && goal === one.goal);
  // Which are moved does not change on the way, whatever other goals they pass.
  const [moving, setMoving] = useState<Moving | null>(null);
  const held = moving?.goals ?? alike;
  const [total] = countingsOf(plan, filter);
  const counting = one?.counting ?? total?.counting ?? TOTAL;
  const { draft } = useDraft();
  const released = draft?.release ? releasedPlan(draft) : null;
  const today = released
    ? goalsInSight(released, filter).filter((goal) => (one ? goalKey(goal) === goalKey(one) : goal.isFree))
    : [];
  const { data, error } = useQuery(
    gainOfGoals({
      ...{ filter, counting },
      ...(one ? { step: { offer: one.offer, step: one.step } } : {}),
      goals: [...new Set([...held, ...today].map(({ goal }) => goal))],
    }),
  );
  if (error) return <NotLoaded error={error} />;
  if (!data || isDue(data) || !figures) return <Loading />;
  const { gain, share, reactions } = data;
  return (
    <>
      <div className="mb-2 flex flex-wrap items-end gap-x-3 gap-y-2">
        {one && drafted.length > 1 && (
          <SelectField
            label={say("Goal")}
            value={goalKey(one)}
            choices={Object.fromEntries(drafted.map((goal) => [goalKey(goal), goalWords(plan, goal)]))}
            onCommit={setChosen}
          />
        )}
        <StatedPercent
          label={say("Margin on goods, percent")}
          part={figures.margin}
          onState={(figure) => state({ kind: "margin", figure })}
        />
        <MoneyField
          label={say("A delivery counts as, {currency}", { currency })}
          value={figures.perDelivery[currency] === undefined ? "" : majorIn(figures.perDelivery[currency], currency)}
          currency={currency}
          className="w-28"
          placeholder={data.perDelivery === null ? "" : majorIn(data.perDelivery, currency)}
          onCommit={(text) => {
            const read = minorUnits(text, exponentOf(currency) ?? 2);
            if ("minor" in read) state({ kind: "delivery", currency, figure: read.minor });
          }}
          onEmpty={() => state({ kind: "delivery", currency, figure: null })}
        />
        <StatedPercent
          label={say("Shoppers who go for it, percent")}
          part={data.statedShare}
          placeholder={share && data.statedShare === null ? String(Math.round(share.share * 1000) / 10) : ""}
          onState={(figure) => state({ kind: "share", currency, ...(market ? { market } : {}), figure })}
        />
      </div>
      {failure && (
        <p role="alert" className="text-warning">
          {problemWords(failure)}
        </p>
      )}
      <MarginFields figures={figures} told={data} onState={state} />
      <ReactionList reactions={reactions} share={share} isStated={data.statedShare !== null} currency={currency} />
      {gain ? (
        <>
          <GainChart
            gain={gain}
            currency={currency}
            today={today}
            drafted={moving ? held.map((goal) => ({ ...goal, goal: moving.to })) : held}
          />
          <GoalSlider
            looked={{ plan, filter, counting }}
            gain={gain}
            goals={held}
            moving={moving}
            onMoving={setMoving}
          />
          <GainTable gain={gain} currency={currency} />
        </>
      ) : (
        <p className="mt-2">{whyNoGain(data)}</p>
      )}
      <p className="mt-3 max-w-[80ch] text-[13px] text-quiet">
        {data.given &&
          say(
            "Net gain is the margin on what shoppers add, less what is given to whoever reaches the goal, {delivery} of delivery each, gifts and money off too, against having no goal.",
            { delivery: makersMoney(data.given.delivery, currency) },
          )}{" "}
        {say(
          "Carts that were never bought for want of free delivery are in no order: what a goal wins there nobody can tell from orders.",
        )}
      </p>
    </>
  );
}

const goalWords = (plan: Evidence["plan"], { offer, step, goal, currency }: PlanGoal): string =>
  say("{offer}: {goal}", {
    offer: plan.offers.find(({ id }) => id === offer)?.name ?? step,
    goal: makersMoney(goal, currency),
  });

/** Why there is no curve. */
function whyNoGain({ share, margin, given }: ToldGain): string {
  if (margin === null) return say("State the margin on goods: without it nobody can tell what a goal brings.");
  if (given === null)
    return say(
      "What is given at this goal cannot be told in money: a price of another option, a share of the goods, or a gift that is not sold here.",
    );
  if (share === null)
    return say(
      "Nothing here tells how many shoppers go for a goal: no goal has held for six weeks. State a share above; it is a guess.",
    );
  return say("There are too few whole weeks of orders to tell what a goal would bring.");
}
