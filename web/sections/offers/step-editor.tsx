import ArrowDown from "lucide-react/icons/arrow-down";
import ArrowUp from "lucide-react/icons/arrow-up";
import Trash2 from "lucide-react/icons/trash-2";
import { stepWords } from "../../../core/explain/offer-sentence.ts";
import type { Offer, Step } from "../../../core/offers/offer.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { useEditing } from "../../editors/editing.ts";
import { RewardEditor } from "../../editors/rewards/reward-editor.tsx";
import { TriggerEditor } from "../../editors/triggers/trigger-editor.tsx";
import { IconButton } from "../../fields/icon-button.tsx";
import { say } from "../../language/say.ts";
import { unitsOf } from "../../names/units.ts";
import { firstMark } from "./first-mark.ts";

type Props = {
  offer: Offer;
  step: Step;
  number: number;
  /** Where it stands in the offer, as a JSON pointer. */
  at: string;
  onStep: (step: Step, done: boolean) => void;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
};

/** One rung of the ladder: what earns it and what it gives. */
export function StepEditor({ offer, step, number, at, onStep, onMove, onRemove }: Props) {
  const { plan } = useEditing();
  const last = offer.steps.length;
  return (
    <section aria-label={say("Step {number}", { number })} className="border-t border-base-300 py-3" data-at={at}>
      <header className="flex items-center gap-1">
        <h3 className="mr-auto font-semibold">
          {number}. {say(stepWords(plan, step))}
        </h3>
        <IconButton
          words={say("Move step {number} down the ladder", { number })}
          disabled={number === 1}
          onClick={() => onMove(-1)}
        >
          <ArrowUp size={14} aria-hidden />
        </IconButton>
        <IconButton
          words={say("Move step {number} up the ladder", { number })}
          disabled={number === last}
          onClick={() => onMove(1)}
        >
          <ArrowDown size={14} aria-hidden />
        </IconButton>
        <IconButton words={say("Remove step {number}", { number })} disabled={last === 1} onClick={onRemove}>
          <Trash2 size={14} aria-hidden />
        </IconButton>
      </header>
      <div data-at={`${at}/trigger`}>
        <TriggerEditor
          trigger={step.trigger}
          firstGoal={() => ({ at: firstMark(offer, unitsOf(plan)), edge: "from" })}
          onTrigger={(trigger) => onStep({ ...step, trigger }, true)}
        />
      </div>
      <div data-at={`${at}/reward`}>
        <RewardEditor
          reward={step.reward}
          options={optionsFor(plan, offer)}
          onReward={(reward, done) => onStep({ ...step, reward }, done)}
        />
      </div>
    </section>
  );
}

/** The options that are offered where the offer holds, in the shopper's order. */
const optionsFor = (plan: Plan, offer: Offer) =>
  plan.options.filter((option) => option.zones.some((zone) => offer.zones.includes(zone))).sort(byPosition);
