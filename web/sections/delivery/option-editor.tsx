import Copy from "lucide-react/icons/copy";
import Power from "lucide-react/icons/power";
import Trash2 from "lucide-react/icons/trash-2";
import { chargeWords } from "../../../core/charges/words.ts";
import type { Trace } from "../../../core/conditions/compile.ts";
import type { Condition } from "../../../core/conditions/condition.ts";
import { conditionWords } from "../../../core/conditions/words.ts";
import type { DeliveryOption } from "../../../core/delivery/option.ts";
import type { AmountContext } from "../../../core/money/amount.ts";
import type { Calendars } from "../../../core/places/location.ts";
import { marketsOf } from "../../../core/places/markets-of.ts";
import { type Plan, savedOf } from "../../../core/plan/plan.ts";
import { columnsOf } from "../../editors/amounts/columns.ts";
import { ChargeEditor } from "../../editors/charges/charge-editor.tsx";
import { ExtraCharges } from "../../editors/charges/extra-charges.tsx";
import { SurchargeList } from "../../editors/charges/surcharge-list.tsx";
import { ConditionBuilder } from "../../editors/conditions/condition-builder.tsx";
import { ZoneChoice } from "../../editors/places/zone-choice.tsx";
import { optionName } from "../../names/option-name.ts";
import { FindingsBeside } from "../../state/findings-context.tsx";
import { setOptional } from "../../state/set-optional.ts";
import { PromiseEditor } from "./promise-editor.tsx";
import { ZoneDifferences } from "./zone-differences.tsx";

type Props = {
  plan: Plan;
  calendars: Calendars;
  option: DeliveryOption;
  context: AmountContext;
  at: number;
  /** How a condition stands for the current shopper. */
  explain: (condition: Condition) => Trace | null;
  onOption: (option: DeliveryOption, done: boolean) => void;
  onCancel: () => void;
  onDuplicate: () => void;
  onRemove: () => void;
};

const ASKS = {
  phone: "a phone number",
  "entry-code": "an entry code",
  "delivery-window": "a delivery window",
} as const;
const section = "border-t border-base-300 pt-3";

/** Everything about one delivery option, each part where it is read. */
export function OptionEditor(props: Props) {
  const { plan, calendars, option, context, at, explain, onOption, onCancel, onDuplicate, onRemove } = props;
  const set = (part: Partial<DeliveryOption>) => onOption({ ...option, ...part }, true);
  const languages = languagesOf(plan, option);
  const saved = savedOf(plan);
  return (
    <section aria-label={optionName(option)} className="grid gap-4">
      <header className="flex flex-wrap items-center gap-x-1">
        <h2 className="mr-auto min-w-0 text-[20px] leading-7 font-bold">{optionName(option)}</h2>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => set({ on: option.on === false })}>
          <Power size={14} aria-hidden /> {option.on === false ? "Switch on" : "Switch off"}
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={onDuplicate}>
          <Copy size={14} aria-hidden /> Duplicate
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={onRemove}>
          <Trash2 size={14} aria-hidden /> Remove
        </button>
        <p className="w-full text-quiet">
          {option.on === false ? "Switched off. " : ""}
          Costs {chargeWords(option.charge, context, saved)}
          {option.when && <>; only when {conditionWords(option.when, context, saved)}</>}.
        </p>
      </header>
      <FindingsBeside kind="option" id={option.id} />
      <div className={section}>
        <h3 className="mb-2 font-semibold">What shoppers call it</h3>
        <div className="grid grid-cols-[auto_1fr_1fr] items-center gap-x-3 gap-y-1.5">
          <span />
          <span className="text-[13px] text-quiet">Name</span>
          <span className="text-[13px] text-quiet">Note</span>
          {languages.map((language) => (
            <Texts key={`${option.id} ${language}`} language={language} option={option} onTexts={set} />
          ))}
        </div>
      </div>
      <div className={section}>
        <h3 className="mb-2 font-semibold">What it costs</h3>
        <ChargeEditor
          key={option.id}
          plan={plan}
          charge={option.charge}
          columns={columnsOf(plan, option.zones)}
          context={context}
          zones={option.zones}
          explain={explain}
          onCharge={(charge, done) => onOption({ ...option, charge }, done)}
          onCancel={onCancel}
        />
        <ZoneDifferences plan={plan} option={option} context={context} onOption={onOption} onCancel={onCancel} />
        <details className="mt-3" open={hasExtras(option)}>
          <summary className="cursor-pointer text-quiet">Handling, limits, mark-up, tax and surcharges</summary>
          <div className="mt-2 grid gap-4">
            <ExtraCharges
              plan={plan}
              option={option}
              columns={columnsOf(plan, option.zones)}
              onOption={onOption}
              onCancel={onCancel}
            />
            <SurchargeList
              plan={plan}
              option={option}
              context={context}
              explain={explain}
              onOption={onOption}
              onCancel={onCancel}
            />
          </div>
        </details>
      </div>
      <div className={section}>
        <h3 className="mb-2 font-semibold">Who can have it</h3>
        <ConditionBuilder
          plan={plan}
          context={context}
          zones={option.zones}
          condition={option.when}
          trace={option.when ? explain(option.when) : null}
          lead="It is offered for"
          onCondition={(when) => onOption(setOptional(option, "when", when), true)}
        />
      </div>
      <div className={section}>
        <h3 className="mb-2 font-semibold">When it comes</h3>
        <PromiseEditor
          plan={plan}
          calendars={calendars}
          promise={option.promise}
          at={at}
          onPromise={(promise) => onOption(setOptional(option, "promise", promise), true)}
        />
      </div>
      <div className={section}>
        <h3 className="mb-2 font-semibold">Where it is offered</h3>
        <ZoneChoice
          label="Where it is offered"
          zones={plan.zones}
          chosen={option.zones}
          onChoose={(zones) => set({ zones })}
        />
      </div>
      <div className={`${section} grid gap-2`}>
        <h3 className="font-semibold">At the checkout</h3>
        <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
          <legend className="sr-only">What is asked of the shopper</legend>
          {(["phone", "entry-code", "delivery-window"] as const).map((what) => (
            <label key={what} className="flex items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-xs"
                checked={option.asks?.includes(what) ?? false}
                onChange={(event) => {
                  const asks = (option.asks ?? []).filter((one) => one !== what);
                  set({ asks: event.target.checked ? [...asks, what] : asks });
                }}
              />
              asks for {ASKS[what]}
            </label>
          ))}
        </fieldset>
        <label className="flex items-center gap-2">
          While it cannot be had it is
          <select
            className="select select-sm w-48"
            value={option.whenUnavailable ?? "left-out"}
            onChange={(event) => set({ whenUnavailable: event.target.value === "shown" ? "shown" : "left-out" })}
          >
            <option value="left-out">left out</option>
            <option value="shown">shown, with the reason</option>
          </select>
        </label>
      </div>
    </section>
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

type TextsProps = { language: string; option: DeliveryOption; onTexts: (part: Partial<DeliveryOption>) => void };

const languageNames = new Intl.DisplayNames(["en"], { type: "language" });
const LONGEST = 2000;

/** Name and note in one language; an empty name leaves the language to the others. */
function Texts({ language, option, onTexts }: TextsProps) {
  const name = languageNames.of(language) ?? language;
  const without = (texts: Readonly<Record<string, string>>, text: string) => {
    const { [language]: _, ...others } = texts;
    return text.trim() === "" ? others : { ...others, [language]: text.trim() };
  };
  return (
    <>
      <span className="text-[13px] text-quiet">{name}</span>
      <input
        className="input input-sm w-full"
        aria-label={`Name in ${name}`}
        defaultValue={option.name[language] ?? ""}
        maxLength={LONGEST}
        dir="auto"
        onBlur={(event) => {
          const texts = without(option.name, event.target.value);
          // An option without any name could not be told from others.
          if (Object.keys(texts).length === 0) event.target.value = option.name[language] ?? "";
          else onTexts({ name: texts });
        }}
        onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
      />
      <input
        className="input input-sm w-full"
        aria-label={`Note in ${name}`}
        defaultValue={option.note?.[language] ?? ""}
        maxLength={LONGEST}
        dir="auto"
        onBlur={(event) => onTexts({ note: without(option.note ?? {}, event.target.value) })}
        onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
      />
    </>
  );
}

/** The languages its shoppers read, and those it has texts in already. */
function languagesOf(plan: Plan, { zones, name }: DeliveryOption): string[] {
  const read = marketsOf(plan, zones).flatMap(({ languages }) => languages);
  const plain = read.map((tag) => tag.split("-")[0] ?? tag);
  return [...new Set([...Object.keys(name), ...plain])].sort();
}
