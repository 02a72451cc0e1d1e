import { CheckField } from "../../fields/check-field.tsx";
import { TypedField } from "../../fields/typed-field.tsx";
import { say } from "../../language/say.ts";

type Props = { days: number | null; isFixed: boolean; onDays: (days: number | null) => void };

/** More than a year, so that whoever shops once a year is still known. */
const FIRST = 400;
const MOST = 36_500;

/** For how long what is kept of a shopper is kept. */
export function DaysField({ days, isFixed, onDays }: Props) {
  return (
    <div className="grid gap-2">
      <CheckField
        label={say("A shopper's reference is erased some days after the last claim")}
        checked={days !== null}
        disabled={isFixed}
        onCommit={(isErased) => onDays(isErased ? FIRST : null)}
      />
      {days !== null && !isFixed && (
        <TypedField
          label={say("Days")}
          className="w-28"
          value={String(days)}
          problemOf={(text) =>
            /^\d+$/.test(text.trim()) && Number(text) >= 1 && Number(text) <= MOST
              ? null
              : say("A whole number from 1 to {most}", { most: MOST })
          }
          onCommit={(text) => onDays(Number(text))}
        />
      )}
      {days !== null && isFixed && <p>{say("{days} days", { days })}</p>}
      <p className="text-[13px] text-quiet">
        {say("Without it, references stay until they are erased one by one: limits per shopper count by them.")}
      </p>
    </div>
  );
}
