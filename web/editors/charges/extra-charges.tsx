import type { DeliveryOption } from "../../../core/delivery/option.ts";
import type { Amount, Rounding } from "../../../core/money/amount.ts";
import { CheckField } from "../../fields/check-field.tsx";
import type { LeafName } from "../../fields/leaf-names.ts";
import { readFigure, readPercent } from "../../fields/read-figure.ts";
import { isMoreThanNothing } from "../../fields/rules.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";
import type { AmountRow } from "../amounts/amounts-table.tsx";
import { EditedAmounts } from "../amounts/edited-amounts.tsx";
import { useEditing } from "../editing.ts";
import { HandlingPercents, handlingRow } from "./handling-fields.tsx";

type Props = {
  option: DeliveryOption;
  onOption: (option: DeliveryOption, done: boolean) => void;
};

/** What comes on top of the charge, the limits it is kept between, its tax and rounding. */
export function ExtraCharges({ option, onOption }: Props) {
  const { columns } = useEditing();
  const { markUp, handling } = option;
  const row = (
    key: string,
    label: string,
    amount: Amount | undefined,
    set: (amount: Amount) => DeliveryOption,
  ): AmountRow => ({
    key,
    label,
    at: `/${key}`,
    amount: amount ?? {},
    set: (next, done) => onOption(set(next), done),
  });
  const rows = [
    row("base", say("Base charge, once when anything ships"), option.base, (base) => ({ ...option, base })),
    row("markUp", say("Mark-up"), markUp?.amount, (amount) => ({ ...option, markUp: { ...markUp, amount } })),
    row("minimum", say("At least"), option.minimum, (minimum) => ({ ...option, minimum })),
    row("maximum", say("At most"), option.maximum, (maximum) => ({ ...option, maximum })),
    handlingRow(handling, (next, done) => onOption(setOptional(option, "handling", next), done)),
  ];
  const currencies = [...new Set(columns.map(({ currency }) => currency))];
  return (
    <div className="grid gap-3">
      <EditedAmounts name={say("On top of the charge")} rows={rows} />
      <div className="flex flex-wrap items-end gap-3">
        <PercentField
          label={say("Mark-up, %")}
          leaf="option/markUp/percent"
          value={markUp?.percent}
          onPercent={(next) => onOption({ ...option, markUp: setOptional(markUp ?? {}, "percent", next) }, true)}
        />
        <HandlingPercents
          handling={handling}
          onHandling={(next, done) => onOption(setOptional(option, "handling", next), done)}
        />
        <SelectField
          label={say("Amounts are entered")}
          value={option.entered ?? "as-written"}
          choices={{
            "as-written": say("as the market writes prices"),
            "with-tax": say("with tax"),
            "without-tax": say("without tax"),
          }}
          onCommit={(entered) =>
            onOption(setOptional(option, "entered", entered === "as-written" ? undefined : entered), true)
          }
        />
        <PercentField
          label={say("Tax on delivery, %")}
          leaf="option/taxRate"
          value={option.taxRate}
          empty={say("the zone's")}
          onPercent={(next) => onOption(setOptional(option, "taxRate", next), true)}
        />
      </div>
      <div className="flex flex-wrap items-end gap-3">
        {currencies.map((currency) => (
          <RoundingField
            key={currency}
            currency={currency}
            rounding={option.rounding?.[currency]}
            onRounding={(next) =>
              onOption({ ...option, rounding: setOptional(option.rounding ?? {}, currency, next) }, true)
            }
          />
        ))}
      </div>
    </div>
  );
}

type PercentProps = {
  label: string;
  value: string | undefined;
  leaf: LeafName;
  empty?: string;
  onPercent: (percent: string | undefined) => void;
};

const PercentField = ({ label, empty, onPercent, ...field }: PercentProps) => (
  <TextField
    {...field}
    label={empty ? say("{label} (empty: {empty})", { label, empty }) : label}
    className="w-28"
    read={readPercent}
    onCommit={onPercent}
    onEmpty={() => onPercent(undefined)}
  />
);

type RoundingProps = {
  currency: string;
  rounding: Rounding | undefined;
  onRounding: (rounding: Rounding | undefined) => void;
};

function RoundingField({ currency, rounding, onRounding }: RoundingProps) {
  return (
    <span className="inline-flex items-end gap-1">
      <TextField
        label={say("Rounded in {currency} to", { currency })}
        value={rounding?.step}
        className="w-24"
        leaf="rounding/step"
        rule={isMoreThanNothing}
        read={readFigure}
        onCommit={(step) => onRounding({ direction: "nearest", ...rounding, step })}
        onEmpty={() => onRounding(undefined)}
      />
      {rounding && (
        <SelectField
          label={say("Direction in {currency}", { currency })}
          hideLabel
          value={rounding.direction}
          choices={{ nearest: say("nearest"), up: say("up"), down: say("down") }}
          onCommit={(direction) => onRounding({ ...rounding, direction })}
        />
      )}
      {rounding && (
        <CheckField
          label={say("less one")}
          className="pb-1.5"
          checked={rounding.lessOne ?? false}
          onCommit={(lessOne) => onRounding(setOptional(rounding, "lessOne", lessOne || undefined))}
        />
      )}
    </span>
  );
}
