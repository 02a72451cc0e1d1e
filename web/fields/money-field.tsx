import { majorIn } from "../../core/money/decimal.ts";
import { typedAmount } from "../../core/money/typed.ts";
import { say } from "../language/say.ts";
import { TypedField, type TypedFieldLook } from "./typed-field.tsx";

type Props = TypedFieldLook & {
  /** In major units, as a plan writes it: "4.90". */
  value: string | undefined;
  currency: string;
  onCommit: (value: string) => void;
  /** Called when the field is emptied; without it an amount is needed. */
  onEmpty?: () => void;
};

/** An amount of one currency, read however people write it. */
export function MoneyField({ value = "", currency, onCommit, onEmpty, ...look }: Props) {
  const isEmptied = (text: string) => text.trim() === "" && onEmpty !== undefined;
  return (
    <TypedField
      {...look}
      value={value}
      problemOf={(text) => {
        const read = typedAmount(text, currency);
        return isEmptied(text) || "minor" in read ? null : say(read.problem);
      }}
      onCommit={(text) => {
        const read = typedAmount(text, currency);
        if (isEmptied(text)) onEmpty?.();
        else if ("minor" in read) onCommit(majorIn(read.minor, currency));
      }}
    />
  );
}
