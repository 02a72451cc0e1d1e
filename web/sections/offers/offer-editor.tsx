import Copy from "lucide-react/icons/copy";
import Power from "lucide-react/icons/power";
import Trash2 from "lucide-react/icons/trash-2";
import { Link } from "wouter";
import { timeZonesOf } from "../../../core/checks/time-zones.ts";
import type { Trace } from "../../../core/conditions/compile.ts";
import type { Condition } from "../../../core/conditions/condition.ts";
import type { LadderMeasure } from "../../../core/measures/measure-spec.ts";
import type { AmountContext } from "../../../core/money/amount.ts";
import type { Offer, Step } from "../../../core/offers/offer.ts";
import { goalOf } from "../../../core/offers/trigger.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { BasisFields, LeavesOutFields } from "../../editors/amounts/basis-fields.tsx";
import { columnsOf } from "../../editors/amounts/columns.ts";
import { ConditionBuilder } from "../../editors/conditions/condition-builder.tsx";
import { ZoneChoice } from "../../editors/places/zone-choice.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { setOptional } from "../../state/set-optional.ts";
import { draftStore } from "../../state/use-draft.ts";
import { CountedCart } from "./counted-cart.tsx";
import { GoalGrid } from "./goal-grid.tsx";
import { nextStep } from "./new-offer.ts";
import { ScheduleEditor } from "./schedule-editor.tsx";
import { StackingEditor } from "./stacking-editor.tsx";
import { firstMark, StepEditor } from "./step-editor.tsx";

type Props = {
  plan: Plan;
  compiled: CompiledPlan | null;
  offer: Offer;
  context: AmountContext;
  request: QuoteRequest;
  explain: (condition: Condition) => Trace | null;
  productName: (sku: string) => string;
  onSelect: (id: string) => void;
  onDuplicate: () => void;
};

const part = "mt-4 border-t border-base-300 pt-3";

/** Everything about one offer: its ladder, what counts, for whom, where, when, how often, and with which others. */
export function OfferEditor({
  plan,
  compiled,
  offer,
  context,
  request,
  explain,
  productName,
  onSelect,
  onDuplicate,
}: Props) {
  const save = (body: Offer, done = true) =>
    done
      ? draftStore.commit({ kind: "offer", id: offer.id, body })
      : draftStore.show({ kind: "offer", id: offer.id, body });
  const steps = [...offer.steps].sort(byPosition);
  const columns = columnsOf(plan, offer.zones);
  const timeZones = timeZonesOf(plan, offer);
  const setSteps = (next: readonly Step[], done = true) => save({ ...offer, steps: [...next] }, done);
  const renumbered = (list: readonly Step[]) => list.map((step, i) => ({ ...step, position: (i + 1) * 10 }));
  const optionIds = plan.options
    .filter((option) => option.zones.some((id) => offer.zones.includes(id)))
    .map(({ id }) => id);
  return (
    <div>
      <div className="mt-2 flex flex-wrap items-end gap-x-3 gap-y-1">
        <TextField
          label="Name, for your eyes only"
          value={offer.name}
          validate={(text) => (text.trim() === "" || text.length > 100 ? "A name of 1 to 100 letters" : null)}
          onCommit={(name) => save({ ...offer, name: name.trim() })}
        />
        <TextField
          label="What it is for"
          className="w-60"
          value={offer.purpose ?? ""}
          validate={(text) => (text.length > 1000 ? "1000 letters at most" : null)}
          onCommit={(purpose) => save(setOptional(offer, "purpose", purpose.trim() || undefined))}
        />
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => save({ ...offer, on: !offer.on })}>
          <Power size={14} aria-hidden /> {offer.on ? "Switch off" : "Switch on"}
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={onDuplicate}>
          <Copy size={14} aria-hidden /> Duplicate
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          onClick={() => {
            draftStore.commit(...withoutOffer(plan, offer));
            onSelect("all");
          }}
        >
          <Trash2 size={14} aria-hidden /> Remove
        </button>
      </div>

      <section aria-label="Ladder" className={part}>
        <h2 className="font-semibold">The ladder</h2>
        <GoalGrid plan={plan} offer={offer} tools />
        {steps.map((step, i) => (
          <StepEditor
            key={step.id}
            plan={plan}
            offer={offer}
            step={step}
            number={i + 1}
            columns={columns}
            onStep={(next, done) =>
              setSteps(
                steps.map((one) => (one.id === step.id ? next : one)),
                done,
              )
            }
            onMove={(by) => {
              const list = [...steps];
              const other = list[i + by];
              if (!other) return;
              list[i + by] = step;
              list[i] = other;
              setSteps(renumbered(list));
            }}
            onRemove={() => setSteps(steps.filter((one) => one.id !== step.id))}
            onCancel={() => draftStore.cancel()}
          />
        ))}
        <button
          type="button"
          className="btn btn-sm"
          disabled={optionIds.length === 0 || offer.steps.length >= 20}
          onClick={() => setSteps([...steps, nextStep(offer, optionIds.slice(0, 1))])}
        >
          Add a step
        </button>
      </section>

      <section aria-label="What counts" className={part}>
        <h2 className="mb-1 font-semibold">What counts</h2>
        <div className="flex flex-wrap items-end gap-3">
          <SelectField
            label="Measured by"
            value={offer.counts.kind}
            choices={{ value: "what is spent", items: "items", weight: "weight" }}
            onCommit={(kind) => save(withMeasure(offer, kind))}
          />
          {offer.counts.kind === "value" ? (
            <BasisFields
              basis={offer.counts.basis}
              onBasis={(basis) => save({ ...offer, counts: { kind: "value", basis } })}
            />
          ) : (
            <LeavesOutFields
              leavesOut={offer.counts.leavesOut}
              onLeavesOut={(leavesOut) =>
                offer.counts.kind !== "value" &&
                save({ ...offer, counts: setOptional(offer.counts, "leavesOut", leavesOut) })
              }
            />
          )}
        </div>
        {compiled && <CountedCart compiled={compiled} request={request} offer={offer} productName={productName} />}
      </section>

      <section aria-label="For whom" className={part}>
        <h2 className="mb-1 font-semibold">For whom and which carts</h2>
        <ConditionBuilder
          plan={plan}
          context={context}
          zones={offer.zones}
          condition={offer.when}
          trace={offer.when ? explain(offer.when) : null}
          lead="It is for"
          onCondition={(when) => save(setOptional(offer, "when", when))}
        />
        <label className="mt-2 flex items-center gap-2 text-[13px]">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={offer.signInLure ?? false}
            onChange={(event) => save(setOptional(offer, "signInLure", event.target.checked || undefined))}
          />
          Guests are told of it when signing in is all that is missing
        </label>
      </section>

      <section aria-label="Where" className={part}>
        <h2 className="mb-1 font-semibold">Where</h2>
        <ZoneChoice
          label="Zones it holds in"
          zones={plan.zones}
          chosen={offer.zones}
          onChoose={(zones) => save({ ...offer, zones })}
        />
      </section>

      <section aria-label="When" className={part}>
        <h2 className="mb-1 font-semibold">When</h2>
        <ScheduleEditor offer={offer} timeZones={timeZones} onOffer={(next) => save(next)} />
      </section>

      <section aria-label="How often, and with what else" className={part}>
        <h2 className="mb-1 font-semibold">How often, and with what else</h2>
        <StackingEditor plan={plan} offer={offer} onOffer={(next) => save(next)} />
      </section>
      <p className={part}>
        <Link className="link" href={`/wording#${offer.id}`}>
          What shoppers read about it
        </Link>
      </p>
    </div>
  );
}

/** The offer measured by something else; goals in other terms start anew. */
function withMeasure(offer: Offer, kind: LadderMeasure["kind"]): Offer {
  if (kind === offer.counts.kind) return offer;
  const leavesOut = offer.counts.kind === "value" ? offer.counts.basis.leavesOut : offer.counts.leavesOut;
  const without = leavesOut ? { leavesOut } : {};
  const counts: LadderMeasure =
    kind === "value"
      ? { kind, basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with", ...without } }
      : { kind, ...without };
  const at = firstMark({ counts, steps: [] });
  const steps = offer.steps.map((step) => {
    const goal = goalOf(step.trigger);
    return goal && "goal" in step.trigger ? { ...step, trigger: { ...step.trigger, goal: { ...goal, at } } } : step;
  });
  return { ...offer, counts, steps };
}

/** Removing an offer takes it out of the company of others too. */
function withoutOffer(plan: Plan, { id }: Offer) {
  const friends = plan.offers.flatMap((other) => {
    if (other.id === id || other.stacking?.kind !== "with" || !other.stacking.offers.includes(id)) return [];
    const offers = other.stacking.offers.filter((one) => one !== id);
    const stacking = offers.length > 0 ? ({ kind: "with", offers } as const) : ({ kind: "alone" } as const);
    return [{ kind: "offer" as const, id: other.id, body: { ...other, stacking } }];
  });
  return [...friends, { kind: "offer" as const, id, body: null }];
}
