import CalendarPlus from "lucide-react/icons/calendar-plus";
import Copy from "lucide-react/icons/copy";
import Power from "lucide-react/icons/power";
import Trash2 from "lucide-react/icons/trash-2";
import type { ReactNode } from "react";
import { Link } from "wouter";
import { timeZonesOf } from "../../../core/checks/time-zones.ts";
import type { LadderMeasure } from "../../../core/measures/measure-spec.ts";
import type { Offer, Step } from "../../../core/offers/offer.ts";
import { goalOf } from "../../../core/offers/trigger.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { QuoteRequest } from "../../../core/request/request.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { movedTo } from "../../../core/schema/positions.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { BasisFields, LeavesOutFields } from "../../editors/amounts/basis-fields.tsx";
import { PackingFields } from "../../editors/charges/measure-fields.tsx";
import { ConditionBuilder } from "../../editors/conditions/condition-builder.tsx";
import { useEditing } from "../../editors/editing.ts";
import { OnlyFields } from "../../editors/goods/only-fields.tsx";
import { ChannelChoice } from "../../editors/places/channel-choice.tsx";
import { ZoneChoice } from "../../editors/places/zone-choice.tsx";
import { ScheduleEditor } from "../../editors/schedules/schedule-editor.tsx";
import { CheckField } from "../../fields/check-field.tsx";
import { readPercent } from "../../fields/read-figure.ts";
import { isAtMostAll } from "../../fields/rules.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { type UnitSystem, unitsOf } from "../../names/units.ts";
import { openField } from "../../state/open-field.ts";
import { setOptional } from "../../state/set-optional.ts";
import { draftStore } from "../../state/use-draft.ts";
import { CountedCart } from "./counted-cart.tsx";
import { firstMark } from "./first-mark.ts";
import { GoalGrid } from "./goal-grid.tsx";
import { inZones } from "./in-zones.ts";
import { nextStep } from "./new-offer.ts";
import { StackingEditor } from "./stacking-editor.tsx";
import { StepEditor } from "./step-editor.tsx";

type Props = {
  compiled: CompiledPlan | null;
  offer: Offer;
  request: QuoteRequest;
  productName: (sku: string) => string;
  onSelect: (id: string) => void;
  onDuplicate: () => void;
  /** A copy of it for the same time a year later. */
  onNextYear: () => void;
};

/** Takes the offer as it shall be: kept when `done` or not said, else only shown. */
type OnOffer = (offer: Offer, done?: boolean) => void;

/** Everything about one offer: its ladder, what counts, for whom, where, when, how often, and with which others. */
export function OfferEditor({ compiled, offer, request, productName, onSelect, onDuplicate, onNextYear }: Props) {
  const { plan } = useEditing();
  const save: OnOffer = (body, done = true) =>
    done
      ? draftStore.commit({ kind: "offer", id: offer.id, body })
      : draftStore.show({ kind: "offer", id: offer.id, body });
  return (
    <div>
      <Naming offer={offer} onOffer={save} onSelect={onSelect} onDuplicate={onDuplicate} onNextYear={onNextYear} />
      <Part name={say("Ladder")} heading={say("The ladder")} at="/steps">
        <GoalGrid plan={plan} offer={offer} tools />
        <Ladder offer={offer} onOffer={save} />
      </Part>
      <Part name={say("What counts")} at="/counts /nearlyThere">
        <WhatCounts offer={offer} onOffer={save} />
        {compiled && <CountedCart compiled={compiled} request={request} offer={offer} productName={productName} />}
      </Part>
      <Part name={say("For whom")} heading={say("For whom and which carts")} at="/when /signInLure">
        <ConditionBuilder
          condition={offer.when}
          lead={say("It is for")}
          onCondition={(when) => save(setOptional(offer, "when", when))}
        />
        <CheckField
          label={say("Guests are told of it when signing in is all that is missing")}
          className="mt-2 text-[13px]"
          checked={offer.signInLure ?? false}
          onCommit={(isTold) => save(setOptional(offer, "signInLure", isTold || undefined))}
        />
      </Part>
      <Part name={say("Where")} at="/zones /channels">
        <ZoneChoice
          label={say("Zones it holds in")}
          zones={plan.zones}
          chosen={offer.zones}
          onChoose={(zones) => save(inZones(plan, offer, zones))}
        />
        <div className="mt-2">
          <ChannelChoice
            channels={offer.channels}
            leaf="offer/channels"
            onChannels={(channels) => save(setOptional(offer, "channels", channels))}
          />
        </div>
      </Part>
      <Part name={say("When")} at="/schedule">
        <ScheduleEditor
          always={say("It runs all the time.")}
          schedule={offer.schedule}
          timeZones={timeZonesOf(plan, offer.zones)}
          onSchedule={(schedule) => save(setOptional(offer, "schedule", schedule))}
        />
      </Part>
      <Part name={say("How often, and with what else")} at="/limits /stacking">
        <StackingEditor plan={plan} offer={offer} onOffer={save} />
      </Part>
      <p className={part}>
        <Link className="link" href={`/wording#${offer.id}`}>
          {say("What shoppers read about it")}
        </Link>
      </p>
    </div>
  );
}

const part = "mt-4 border-t border-base-300 pt-3";

type PartProps = {
  name: string;
  heading?: string;
  /** What of the offer is changed here, as JSON pointers. */
  at: string;
  children: ReactNode;
};

const Part = ({ name, heading = name, at, children }: PartProps) => (
  <section aria-label={name} className={part} data-at={at}>
    <h2 className="mb-1 font-semibold">{heading}</h2>
    {children}
  </section>
);

type NamingProps = Pick<Props, "offer" | "onSelect" | "onDuplicate" | "onNextYear"> & { onOffer: OnOffer };

/** What the team calls it, and what is done with the whole of it. */
function Naming({ offer, onOffer, onSelect, onDuplicate, onNextYear }: NamingProps) {
  const { plan } = useEditing();
  return (
    <div className="mt-2 flex flex-wrap items-end gap-x-3 gap-y-1" data-at="/name /purpose /on">
      <TextField
        label={say("Name, for your eyes only")}
        value={offer.name}
        leaf="offer/name"
        onCommit={(name) => onOffer({ ...offer, name })}
      />
      <TextField
        label={say("What it is for")}
        className="w-60"
        value={offer.purpose}
        leaf="offer/purpose"
        onCommit={(purpose) => onOffer({ ...offer, purpose })}
        onEmpty={() => onOffer(setOptional(offer, "purpose", undefined))}
      />
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => onOffer({ ...offer, on: !offer.on })}>
        <Power size={14} aria-hidden /> {offer.on ? say("Switch off") : say("Switch on")}
      </button>
      <button type="button" className="btn btn-ghost btn-sm" onClick={onDuplicate}>
        <Copy size={14} aria-hidden /> {say("Duplicate")}
      </button>
      {offer.schedule && (
        <button type="button" className="btn btn-ghost btn-sm" onClick={onNextYear}>
          <CalendarPlus size={14} aria-hidden /> {say("Copy to next year")}
        </button>
      )}
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        onClick={() => {
          draftStore.commit(...withoutOffer(plan, offer));
          onSelect("all");
        }}
      >
        <Trash2 size={14} aria-hidden /> {say("Remove")}
      </button>
    </div>
  );
}

const MOST_STEPS = 20;

/** Its steps, one above the other. */
function Ladder({ offer, onOffer }: { offer: Offer; onOffer: OnOffer }) {
  const { plan } = useEditing();
  const steps = [...offer.steps].sort(byPosition);
  const set = (next: readonly Step[], done = true) => onOffer({ ...offer, steps: [...next] }, done);
  const optionIds = plan.options
    .filter((option) => option.zones.some((id) => offer.zones.includes(id)))
    .map(({ id }) => id);
  return (
    <>
      {steps.map((step, i) => (
        <StepEditor
          key={step.id}
          offer={offer}
          step={step}
          number={i + 1}
          at={`/steps/${offer.steps.indexOf(step)}`}
          onStep={(next, done) =>
            set(
              steps.map((one) => (one.id === step.id ? next : one)),
              done,
            )
          }
          onMove={(by) => set(movedTo(offer.steps, step.id, i + by))}
          onRemove={() => set(steps.filter((one) => one.id !== step.id))}
        />
      ))}
      <button
        type="button"
        className="btn btn-sm"
        disabled={optionIds.length === 0 || offer.steps.length >= MOST_STEPS}
        onClick={() => {
          set([...steps, nextStep(plan, offer, optionIds.slice(0, 1))]);
          openField({ kind: "offer", id: offer.id, path: `/steps/${steps.length}/trigger` });
        }}
      >
        {say("Add a step")}
      </button>
    </>
  );
}

/** What the ladder is measured by, and which goods and reductions count. */
function WhatCounts({ offer, onOffer }: { offer: Offer; onOffer: OnOffer }) {
  const { plan } = useEditing();
  const { counts } = offer;
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SelectField
        label={say("Measured by")}
        value={counts.kind}
        choices={{ value: say("what is spent"), items: say("items"), weight: say("weight") }}
        onCommit={(kind) => onOffer(withMeasure(offer, kind, unitsOf(plan)))}
      />
      {counts.kind === "value" ? (
        <BasisFields basis={counts.basis} onBasis={(basis) => onOffer({ ...offer, counts: { ...counts, basis } })} />
      ) : (
        <LeavesOutFields
          leavesOut={counts.leavesOut}
          onLeavesOut={(leavesOut) => onOffer({ ...offer, counts: setOptional(counts, "leavesOut", leavesOut) })}
        />
      )}
      {counts.kind === "weight" && (
        <PackingFields packed={counts} onPacked={(next) => onOffer({ ...offer, counts: next })} />
      )}
      <OnlyFields
        words={say("count")}
        only={counts.only}
        parts={{ price: counts.kind === "items", name: true }}
        onOnly={(only, done) => onOffer({ ...offer, counts: setOptional(counts, "only", only) }, done)}
      />
      <TextField
        label={say("Nearly there from % of the goal (empty: 80)")}
        className="w-28"
        value={offer.nearlyThere}
        leaf="offer/nearlyThere"
        rule={isAtMostAll}
        read={readPercent}
        onCommit={(nearlyThere) => onOffer({ ...offer, nearlyThere })}
        onEmpty={() => onOffer(setOptional(offer, "nearlyThere", undefined))}
      />
    </div>
  );
}

/** The offer measured by something else; goals in other terms start anew. */
function withMeasure(offer: Offer, kind: LadderMeasure["kind"], system: UnitSystem): Offer {
  if (kind === offer.counts.kind) return offer;
  const leavesOut = offer.counts.kind === "value" ? offer.counts.basis.leavesOut : offer.counts.leavesOut;
  const without = leavesOut ? { leavesOut } : {};
  const counts: LadderMeasure =
    kind === "value"
      ? { kind, basis: { lineDiscounts: "in", orderDiscounts: "in", tax: "with", ...without } }
      : { kind, ...without };
  const at = firstMark({ counts, steps: [] }, system);
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
