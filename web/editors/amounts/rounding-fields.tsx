import type { Rounding } from "../../../core/money/amount.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { isMoreThanNothing } from "../../fields/rules.ts";
import { choicesOf, SelectField } from "../../fields/select-field.tsx";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";

type Props = {
  label: string;
  rounding: Rounding;
  onRounding: (rounding: Rounding) => void;
  onPin: () => void;
  /** Rates that it may be converted by: their ids, with the currency of the amount that is converted. */
  tables: readonly { readonly id: string; readonly base: string }[];
  table: string;
  onTable: (table: string) => void;
};

/** How a converted amount is made round, and whether it stays as it is now. */
export const RoundingFields = ({ label, rounding, onRounding, onPin, tables, table, onTable }: Props) => (
  <div className="flex items-end justify-end gap-1 py-1">
    {tables.length > 1 && (
      <SelectField
        label={say("From the amount in")}
        value={table}
        choices={choicesOf(tables, ({ base }) => base)}
        onCommit={onTable}
      />
    )}
    <TextField
      label={say("To a multiple of")}
      className="w-20"
      value={rounding.step}
      leaf="rounding/step"
      rule={isMoreThanNothing}
      onCommit={(step) => onRounding({ ...rounding, step })}
    />
    <SelectField
      label={say("Direction")}
      hideLabel
      value={rounding.direction}
      choices={{ nearest: say("nearest"), up: say("up"), down: say("down") }}
      onCommit={(direction) => onRounding({ ...rounding, direction })}
    />
    <CheckField
      label={say("less one")}
      className="pb-1.5"
      checked={rounding.lessOne ?? false}
      onCommit={(isLess) => onRounding(setOptional(rounding, "lessOne", isLess || undefined))}
    />
    <button type="button" className="btn btn-xs mb-1" onClick={onPin}>
      {say("Pin")}
      <span className="sr-only"> {label}</span>
    </button>
  </div>
);
