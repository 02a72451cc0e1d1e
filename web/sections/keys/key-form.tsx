import { useState } from "react";
import type { Right } from "../../../server/keys/rights.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { FormField } from "../../fields/form-field.tsx";
import { say } from "../../language/say.ts";
import { RIGHT_WORDS } from "./right-words.ts";

type NewKey = { name: string; rights: readonly Right[]; aSecond: number };
type Props = { isBusy: boolean; onMake: (key: NewKey, whenDone: () => void) => void };

/** As many as a busy shop asks, and a broken loop does not. */
const USUAL = "200";
const MOST = 100_000;
const isRight = (name: string): name is Right => Object.hasOwn(RIGHT_WORDS, name);
const RIGHTS = Object.keys(RIGHT_WORDS).filter(isRight);

/** A new key: its name, what it may, and how often. */
export function KeyForm({ isBusy, onMake }: Props) {
  const [name, setName] = useState("");
  const [rights, setRights] = useState<readonly Right[]>(["quote", "claim"]);
  const [aSecond, setASecond] = useState(USUAL);
  const calls = /^\d+$/.test(aSecond.trim()) ? Number(aSecond) : 0;
  const isCount = calls >= 1 && calls <= MOST;
  return (
    <form
      aria-label={say("Make a key")}
      className="grid gap-3 border border-base-300 bg-base-100 p-4"
      onSubmit={(event) => {
        event.preventDefault();
        onMake({ name: name.trim(), rights, aSecond: calls }, () => setName(""));
      }}
    >
      <div className="flex flex-wrap gap-3">
        <FormField label={say("Name of the shop's server")} value={name} onChange={setName} fills="off" />
        <FormField
          label={say("Calls a second, at most")}
          value={aSecond}
          onChange={setASecond}
          fills="off"
          problem={isCount ? undefined : say("A whole number from 1 to {most}", { most: MOST })}
        />
      </div>
      <fieldset className="grid gap-1.5">
        <legend className="mb-1 text-[13px] text-quiet">{say("It may")}</legend>
        {RIGHTS.map((right) => (
          <CheckField
            key={right}
            label={say(RIGHT_WORDS[right])}
            checked={rights.includes(right)}
            onCommit={(isTicked) =>
              setRights(RIGHTS.filter((one) => (one === right ? isTicked : rights.includes(one))))
            }
          />
        ))}
      </fieldset>
      <div>
        <button
          type="submit"
          className="btn btn-sm"
          disabled={isBusy || name.trim() === "" || rights.length === 0 || !isCount}
        >
          {say("Make a key")}
        </button>
      </div>
    </form>
  );
}
