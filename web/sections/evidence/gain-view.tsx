import { useQuery } from "@tanstack/react-query";
import { TOTAL } from "../../../core/evidence/order-facts.ts";
import { exponentOf } from "../../../core/money/currency.ts";
import { majorIn, minorUnits } from "../../../core/money/decimal.ts";
import { Loading } from "../../fields/loading.tsx";
import { MoneyField } from "../../fields/money-field.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { gainOfGoals, isDue } from "../../state/evidence-api.ts";
import { releasedPlan } from "../../state/released-plan.ts";
import { useDraft } from "../../state/use-draft.ts";
import { useStored } from "../../state/use-stored.ts";
import { countingsOf } from "./countings.ts";
import type { Evidence } from "./evidence.ts";
import { GainChart } from "./gain-chart.tsx";
import { GainTable } from "./gain-table.tsx";
import { GoalSlider } from "./goal-slider.tsx";
import { goalsInSight } from "./goals-in-sight.ts";
import { ReactionList } from "./reaction-list.tsx";

/** What a store says of itself, kept in this browser: the margin in percent, and where stated what a delivery costs, and the share. */
type Stated = { readonly margin: string; readonly perDelivery: string; readonly share: string };
const AT_FIRST: Stated = { margin: "40", perDelivery: "", share: "" };
const isStated = (value: unknown): value is Stated =>
  typeof value === "object" &&
  value !== null &&
  ["margin", "perDelivery", "share"].every((name) => typeof Reflect.get(value, name) === "string");

/** What a goal would bring: estimated, with its band, and what that is made of. */
export function GainView({ plan, filter }: Evidence) {
  const [stated, setStated] = useStored("summant.gain", AT_FIRST, isStated);
  const [counted] = countingsOf(plan, filter);
  const { currency } = filter;
  const draftGoals = goalsInSight(plan, filter).filter(({ isFree, isForAll }) => isFree && isForAll);
  const { draft } = useDraft();
  const released = draft?.release ? releasedPlan(draft) : null;
  const today = released ? goalsInSight(released, filter).filter(({ isFree, isForAll }) => isFree && isForAll) : [];
  const perDelivery = minorUnits(stated.perDelivery, exponentOf(currency) ?? 2);
  const { data, error } = useQuery(
    gainOfGoals({
      ...{ filter, counting: counted?.counting ?? TOTAL, margin: hundredths(stated.margin) },
      ...(stated.perDelivery !== "" && "minor" in perDelivery ? { perDelivery: perDelivery.minor } : {}),
      ...(stated.share === "" ? {} : { share: hundredths(stated.share) }),
      goals: [...new Set([...draftGoals, ...today].map(({ goal }) => goal))],
    }),
  );
  if (error) return <NotLoaded error={error} />;
  if (!data || isDue(data)) return <Loading />;
  const { gain, share, reactions } = data;
  return (
    <>
      <div className="mb-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        <Percent
          label={say("Margin on goods, percent")}
          value={stated.margin}
          onCommit={(margin) => setStated({ ...stated, margin })}
        />
        <MoneyField
          label={say("A delivery given away counts as, {currency}", { currency })}
          value={stated.perDelivery}
          currency={currency}
          className="w-28"
          placeholder={data.perDelivery === null ? "" : majorIn(data.perDelivery, currency)}
          onCommit={(text) => setStated({ ...stated, perDelivery: text })}
          onEmpty={() => setStated({ ...stated, perDelivery: "" })}
        />
        <Percent
          label={say("Shoppers who go for it, percent")}
          value={stated.share}
          placeholder={share && !share.isGuess ? String(Math.round(share.share * 1000) / 10) : ""}
          onCommit={(text) => setStated({ ...stated, share: text })}
          onEmpty={() => setStated({ ...stated, share: "" })}
        />
      </div>
      <ReactionList reactions={reactions} share={share} currency={currency} />
      {gain ? (
        <>
          <GainChart gain={gain} currency={currency} today={today} drafted={draftGoals} />
          <GoalSlider plan={plan} filter={filter} gain={gain} goals={draftGoals} />
          <GainTable gain={gain} currency={currency} />
        </>
      ) : (
        <p className="mt-2">
          {share === null
            ? say(
                "Nothing here tells how many shoppers go for a goal: no goal has held for six weeks. State a share above; it is a guess.",
              )
            : say("There are too few whole weeks of orders to tell what a goal would bring.")}
        </p>
      )}
      <p className="mt-3 max-w-[80ch] text-[13px] text-quiet">
        {say(
          "Net gain is the margin on what shoppers add, less the deliveries given away to whoever reaches the goal, {perDelivery} each, against having no goal. Carts that were never bought for want of free delivery are in no order: what a goal wins there nobody can tell from orders.",
          { perDelivery: data.perDelivery === null ? "?" : makersMoney(data.perDelivery, currency) },
        )}
      </p>
    </>
  );
}

const hundredths = (percent: string): number => Math.round(Number(percent) * 100);

type PercentProps = {
  label: string;
  value: string;
  placeholder?: string;
  onCommit: (text: string) => void;
  onEmpty?: () => void;
};

const Percent = ({ label, value, placeholder = "", onCommit, onEmpty }: PercentProps) => (
  <TextField
    label={label}
    className="w-24"
    value={value}
    placeholder={placeholder}
    leaf="store/goalsMayStray"
    rule={(text) => (Number(text) > 100 ? say("no more than 100") : null)}
    onCommit={onCommit}
    {...(onEmpty ? { onEmpty } : {})}
  />
);
