import type { Handling } from "../../../core/money/handling.ts";
import { readPercent } from "../../fields/read-figure.ts";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";
import type { AmountRow } from "../amounts/amounts-table.tsx";

type OnHandling = (handling: Handling | undefined, done: boolean) => void;
type Props = { handling: Handling | undefined; onHandling: OnHandling };

/** The fixed part of a fee for handling, as a row of amounts. */
export const handlingRow = (handling: Handling | undefined, onHandling: OnHandling): AmountRow => ({
  key: "handling",
  label: say("Handling"),
  at: "/handling",
  amount: handling?.fixed ?? {},
  set: (fixed, done) => onHandling({ ...handling, fixed }, done),
});

/** The percents of a fee for handling. */
export const HandlingPercents = ({ handling, onHandling }: Props) =>
  (["percentOfCharge", "percentOfGoods"] as const).map((part) => {
    const set = (percent: string | undefined) => {
      const next = setOptional(handling ?? {}, part, percent);
      onHandling(Object.keys(next).length > 0 ? next : undefined, true);
    };
    return (
      <TextField
        key={part}
        label={part === "percentOfCharge" ? say("Handling, % of the charge") : say("Handling, % of the goods")}
        className="w-28"
        value={handling?.[part]}
        leaf={`option/handling/${part}`}
        read={readPercent}
        onCommit={set}
        onEmpty={() => set(undefined)}
      />
    );
  });
