import Copy from "lucide-react/icons/copy";
import Power from "lucide-react/icons/power";
import Trash2 from "lucide-react/icons/trash-2";
import type { ReactNode } from "react";
import { chargeWords } from "../../../core/charges/words.ts";
import { conditionWords } from "../../../core/conditions/words.ts";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import { optionName } from "../../../core/explain/option-name.ts";
import type { Calendars } from "../../../core/places/location.ts";
import { savedOf } from "../../../core/plan/plan.ts";
import { ChargeEditor } from "../../editors/charges/charge-editor.tsx";
import { ExtraCharges } from "../../editors/charges/extra-charges.tsx";
import { SurchargeList } from "../../editors/charges/surcharge-list.tsx";
import { ConditionBuilder } from "../../editors/conditions/condition-builder.tsx";
import { useEditing } from "../../editors/editing.ts";
import { ChannelChoice } from "../../editors/places/channel-choice.tsx";
import { ZoneChoice } from "../../editors/places/zone-choice.tsx";
import { PromiseEditor } from "../../editors/promises/promise-editor.tsx";
import { WindowsEditor } from "../../editors/promises/windows-editor.tsx";
import { type Order, OrderButtons } from "../../fields/order-buttons.tsx";
import { say } from "../../language/say.ts";
import { FindingsBeside } from "../../state/findings-context.tsx";
import { setOptional } from "../../state/set-optional.ts";
import { AtCheckout } from "./at-checkout.tsx";
import { OptionTexts } from "./option-texts.tsx";
import { StoreCostFields } from "./store-cost-fields.tsx";
import { WayFields } from "./way-fields.tsx";
import { ZoneDifferences } from "./zone-differences.tsx";

type Props = {
  calendars: Calendars;
  option: DeliveryOption;
  at: number;
  onOption: (option: DeliveryOption, done: boolean) => void;
  order: Order;
  onDuplicate: () => void;
  onRemove: () => void;
};

/** Everything about one delivery option, each part where it is read. */
export function OptionEditor({ calendars, option, at, onOption, order, onDuplicate, onRemove }: Props) {
  const { plan } = useEditing();
  const set = (part: Partial<DeliveryOption>) => onOption({ ...option, ...part }, true);
  return (
    <section aria-label={optionName(option)} className="grid gap-4">
      <Heading
        option={option}
        onSwitch={(on) => set({ on })}
        order={order}
        onDuplicate={onDuplicate}
        onRemove={onRemove}
      />
      <FindingsBeside kind="option" id={option.id} />
      <Part name={say("What shoppers call it")} at="/name /note /picture">
        <OptionTexts option={option} onOption={(next) => onOption(next, true)} />
      </Part>
      <Part name={say("What it costs")} at="/charge">
        <ChargeEditor
          key={option.id}
          charge={option.charge}
          onCharge={(charge, done) => onOption({ ...option, charge }, done)}
        />
        <div data-at="/byZone">
          <ZoneDifferences option={option} calendars={calendars} at={at} onOption={onOption} />
        </div>
        <div className="mt-3" data-at="/costsStore">
          <StoreCostFields option={option} onOption={onOption} />
        </div>
        <details className="mt-3" open={hasExtras(option)}>
          <summary className="cursor-pointer text-quiet">
            {say("Handling, limits, mark-up, tax and surcharges")}
          </summary>
          <div
            className="mt-2 grid gap-4"
            data-at="/base /markUp /minimum /maximum /handling /entered /taxRate /rounding"
          >
            <ExtraCharges option={option} onOption={onOption} />
            <SurchargeList option={option} onOption={onOption} />
          </div>
        </details>
      </Part>
      <Part name={say("Who can have it")} at="/when">
        <ConditionBuilder
          condition={option.when}
          lead={say("It is offered for")}
          onCondition={(when) => onOption(setOptional(option, "when", when), true)}
        />
      </Part>
      <Part name={say("When it comes")} at="/promise /windows">
        <PromiseEditor
          plan={plan}
          calendars={calendars}
          promise={option.promise}
          at={at}
          onPromise={(promise) => onOption(setOptional(option, "promise", promise), true)}
        />
        <WindowsEditor
          windows={option.windows}
          onWindows={(windows) => onOption(setOptional(option, "windows", windows), true)}
        />
      </Part>
      <Part name={say("How it reaches the shopper")} at="/way">
        <WayFields option={option} onOption={set} />
      </Part>
      <Part name={say("Where it is offered")} at="/zones /channels">
        <ZoneChoice
          label={say("Where it is offered")}
          zones={plan.zones}
          chosen={option.zones}
          onChoose={(zones) => set({ zones })}
        />
        <div className="mt-2">
          <ChannelChoice
            channels={option.channels}
            leaf="option/channels"
            onChannels={(channels) => onOption(setOptional(option, "channels", channels), true)}
          />
        </div>
      </Part>
      <Part name={say("At the checkout")} at="/whenUnavailable /asks /code">
        <div className="grid justify-items-start gap-2">
          <AtCheckout option={option} onOption={(next) => onOption(next, true)} />
        </div>
      </Part>
    </section>
  );
}

/** @param at what of the option is changed here, as JSON pointers */
const Part = ({ name, at, children }: { name: string; at: string; children: ReactNode }) => (
  <div className="border-t border-base-300 pt-3" data-at={at}>
    <h3 className="mb-2 font-semibold">{name}</h3>
    {children}
  </div>
);

type HeadingProps = {
  option: DeliveryOption;
  onSwitch: (on: boolean) => void;
  order: Order;
  onDuplicate: () => void;
  onRemove: () => void;
};

/** Its name, what is done with the whole of it, and what it costs in words. */
function Heading({ option, onSwitch, order, onDuplicate, onRemove }: HeadingProps) {
  const { plan, context } = useEditing();
  const saved = savedOf(plan);
  const isOff = option.on === false;
  const cost = say(chargeWords(option.charge, context, saved));
  return (
    <header className="flex flex-wrap items-center gap-x-1">
      <h2 className="mr-auto min-w-0 text-[20px] leading-7 font-bold">{optionName(option)}</h2>
      <OrderButtons name={optionName(option)} {...order} />
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => onSwitch(isOff)}>
        <Power size={14} aria-hidden /> {isOff ? say("Switch on") : say("Switch off")}
      </button>
      <button type="button" className="btn btn-ghost btn-sm" onClick={onDuplicate}>
        <Copy size={14} aria-hidden /> {say("Duplicate")}
      </button>
      <button type="button" className="btn btn-ghost btn-sm" onClick={onRemove}>
        <Trash2 size={14} aria-hidden /> {say("Remove")}
      </button>
      <p className="w-full text-quiet">
        {isOff ? say("Switched off. ") : ""}
        {cost === say("free") ? say("Free") : say("Costs {cost}", { cost })}
        {option.when && say("; only when {condition}", { condition: conditionWords(option.when, context, saved) })}.
      </p>
    </header>
  );
}

const hasExtras = ({
  base,
  markUp,
  minimum,
  maximum,
  handling,
  surcharges,
  entered,
  taxRate,
  rounding,
}: DeliveryOption) =>
  [base, markUp, minimum, maximum, handling, surcharges?.length, entered, taxRate, rounding].some(Boolean);
