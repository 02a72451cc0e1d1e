import type { DeliveryOption } from "../../../core/delivery/option.ts";
import type { Amount, Rounding } from "../../../core/money/amount.ts";
import { percent } from "../../../core/money/decimal.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { setOptional } from "../../state/set-optional.ts";
import { type AmountRow, AmountsTable } from "../amounts/amounts-table.tsx";
import type { Column } from "../amounts/columns.ts";

type Props = {
  plan: Plan;
  option: DeliveryOption;
  columns: readonly Column[];
  onOption: (option: DeliveryOption, done: boolean) => void;
  onCancel: () => void;
};

/** What comes on top of the charge, the limits it is kept between, its tax and rounding. */
export function ExtraCharges({ plan, option, columns, onOption, onCancel }: Props) {
  const { markUp, handling } = option;
  const row = (
    key: string,
    label: string,
    amount: Amount | undefined,
    set: (amount: Amount) => DeliveryOption,
  ): AmountRow => ({
    key,
    label,
    amount: amount ?? {},
    set: (next, done) => onOption(set(next), done),
  });
  const rows = [
    row("base", "Base charge, once when anything ships", option.base, (base) => ({ ...option, base })),
    row("mark-up", "Mark-up", markUp?.amount, (amount) => ({ ...option, markUp: { ...markUp, amount } })),
    row("minimum", "At least", option.minimum, (minimum) => ({ ...option, minimum })),
    row("maximum", "At most", option.maximum, (maximum) => ({ ...option, maximum })),
    row("handling", "Handling", handling?.fixed, (fixed) => ({ ...option, handling: { ...handling, fixed } })),
  ];
  const currencies = [...new Set(columns.map(({ currency }) => currency))];
  return (
    <div className="grid gap-3">
      <AmountsTable plan={plan} name="On top of the charge" rows={rows} columns={columns} onCancel={onCancel} />
      <div className="flex flex-wrap items-end gap-3">
        <PercentField
          label="Mark-up, %"
          value={markUp?.percent}
          onPercent={(next) => onOption({ ...option, markUp: setOptional(markUp ?? {}, "percent", next) }, true)}
        />
        <PercentField
          label="Handling, % of the charge"
          value={handling?.percentOfCharge}
          onPercent={(next) =>
            onOption({ ...option, handling: setOptional(handling ?? {}, "percentOfCharge", next) }, true)
          }
        />
        <PercentField
          label="Handling, % of the goods"
          value={handling?.percentOfGoods}
          onPercent={(next) =>
            onOption({ ...option, handling: setOptional(handling ?? {}, "percentOfGoods", next) }, true)
          }
        />
        <SelectField
          label="Amounts are entered"
          value={option.entered ?? "as-written"}
          choices={{
            "as-written": "as the market writes prices",
            "with-tax": "with tax",
            "without-tax": "without tax",
          }}
          onCommit={(entered) =>
            onOption(setOptional(option, "entered", entered === "as-written" ? undefined : entered), true)
          }
        />
        <PercentField
          label="Tax on delivery, %"
          value={option.taxRate}
          empty="the zone's"
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
  empty?: string;
  onPercent: (percent: string | undefined) => void;
};

function PercentField({ label, value, empty, onPercent }: PercentProps) {
  const clean = (text: string) => text.trim().replace(",", ".").replace(/\s*%$/, "");
  return (
    <TextField
      label={empty ? `${label} (empty: ${empty})` : label}
      value={value ?? ""}
      className="w-28"
      validate={(text) => {
        const typed = clean(text);
        return typed === "" || (percent(typed) && /^(0|[1-9]\d{0,2})(\.\d{1,6})?$/.test(typed))
          ? null
          : "a percent such as 5 or 2.5";
      }}
      onCommit={(text) => onPercent(clean(text) === "" ? undefined : clean(text))}
    />
  );
}

type RoundingProps = {
  currency: string;
  rounding: Rounding | undefined;
  onRounding: (rounding: Rounding | undefined) => void;
};

function RoundingField({ currency, rounding, onRounding }: RoundingProps) {
  return (
    <span className="inline-flex items-end gap-1">
      <TextField
        label={`Rounded in ${currency} to`}
        value={rounding?.step ?? ""}
        className="w-24"
        validate={(text) =>
          text.trim() === "" || Number(text.replace(",", ".")) > 0 ? null : "a step such as 0.50, or nothing"
        }
        onCommit={(text) => {
          const step = text.trim().replace(",", ".");
          onRounding(step === "" ? undefined : { direction: "nearest", ...rounding, step });
        }}
      />
      {rounding && (
        <SelectField
          label={`Direction in ${currency}`}
          hideLabel
          value={rounding.direction}
          choices={{ nearest: "nearest", up: "up", down: "down" }}
          onCommit={(direction) => onRounding({ ...rounding, direction })}
        />
      )}
    </span>
  );
}
