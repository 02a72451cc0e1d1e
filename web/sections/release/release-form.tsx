import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useContext, useMemo, useState } from "react";
import { runSample } from "../../../core/samples/compare.ts";
import type { CompiledPlan } from "../../../core/tariff/compile.ts";
import { momentOf } from "../../../core/time/zone-clock.ts";
import { CheckField } from "../../fields/check-field.tsx";
import { DayField } from "../../fields/day-field.tsx";
import { RadioField } from "../../fields/radio-field.tsx";
import { say } from "../../language/say.ts";
import { momentOfYear } from "../../names/moment-words.ts";
import { FindingsContext, useOpenFindings } from "../../state/findings-context.tsx";
import { keptSamples } from "../../state/server-queries.ts";

type Props = {
  next: number;
  timeZone: string;
  compiled: CompiledPlan;
  busy: boolean;
  unsaved: boolean;
  /** Where it takes two people: how far that is, and what the button says. */
  twoPeople?: { status: ReactNode; words: string };
  /** `whenMade` is called once it is. */
  onRelease: (wanted: { moment?: string; note?: string }, whenMade: () => void) => void;
};

/** The step that changes what shops get: at once or from a moment on, with what is known to be wrong in sight. */
export function ReleaseForm({ next, timeZone, compiled, busy, unsaved, twoPeople, onRelease }: Props) {
  const [isLater, setIsLater] = useState(false);
  const [local, setLocal] = useState("");
  const [note, setNote] = useState("");
  const [known, setKnown] = useState(false);
  const { checks } = useContext(FindingsContext);
  // Nothing is released before somebody could have been told what is wrong with it.
  const isLooking = !checks.isWhole && checks.failure === null;
  const waitsFor = unsaved ? say("Saving the draft first…") : isLooking ? say("Checking the draft first…") : null;
  const wrong = useOpenFindings().filter(({ severity }) => severity === "wrong");
  const { data } = useQuery(keptSamples);
  const fallen = useMemo(
    () => (data?.samples ?? []).filter((sample) => runSample(compiled, sample).differences.length > 0),
    [compiled, data],
  );
  const instant = isLater && local !== "" ? momentOf(local, timeZone, "start") : null;
  const text = note.trim();
  const wanted = {
    ...(instant === null ? {} : { moment: new Date(instant).toISOString() }),
    ...(text === "" ? {} : { note: text }),
  };
  const forget = () => {
    setNote("");
    setLocal("");
    setIsLater(false);
    setKnown(false);
  };
  const isMissing = isLater && instant === null;
  const asks = wrong.length > 0 || fallen.length > 0;
  return (
    // No form: Enter in a field of it keeps what was typed, and must not release.
    <section aria-label={say("How it is released")} className="mt-4 grid gap-3 border-t border-base-300 pt-4">
      <fieldset className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <legend className="mb-1 text-[13px] text-quiet">{say("Shops get it")}</legend>
        <RadioField name="release-when" label={say("at once")} checked={!isLater} onChoose={() => setIsLater(false)} />
        <RadioField
          name="release-when"
          label={say("from a moment on")}
          checked={isLater}
          onChoose={() => setIsLater(true)}
        />
        {isLater && (
          <DayField
            label={say("Moment in {zone}", { zone: timeZone.replaceAll("_", " ") })}
            placeholder="2026-12-24T08:00"
            leaf="offer/schedule/from"
            value={local}
            onCommit={setLocal}
            onEmpty={() => setLocal("")}
          />
        )}
        {instant !== null && (
          <span className="pb-1.5 text-[13px] text-quiet">
            {say("{moment} there, {utc} UTC", {
              moment: momentOfYear(instant, timeZone),
              utc: momentOfYear(instant, "UTC"),
            })}
          </span>
        )}
      </fieldset>
      <label className="grid gap-1 text-[13px] text-quiet">
        {say("A note for those who look at it later")}
        <input
          className="input input-sm w-full max-w-xl text-base-content"
          value={note}
          maxLength={1000}
          onChange={(event) => setNote(event.target.value)}
        />
      </label>
      {asks && (
        <div className="border-l-2 border-warning pl-3">
          {wrong.length > 0 && (
            <ul aria-label={say("Known to be wrong")} className="grid gap-1 text-[13px] text-warning">
              {wrong.slice(0, MOST_SHOWN).map(({ sentence }) => (
                <li key={say(sentence)}>{say(sentence)}</li>
              ))}
              {wrong.length > MOST_SHOWN && (
                <li>{say("and {count} more in Checks", { count: wrong.length - MOST_SHOWN })}</li>
              )}
            </ul>
          )}
          {fallen.length > 0 && (
            <p className="text-[13px] text-warning">
              {say(
                "{count, plural, one {One sample cart sees something else than it should} other {# sample carts see something else than they should}}: {names}",
                { count: fallen.length, names: namesOf(fallen) },
              )}
              .
            </p>
          )}
          <CheckField
            className="mt-1.5 min-h-6"
            label={say("I have seen this, and release it all the same")}
            checked={known}
            onCommit={setKnown}
          />
        </div>
      )}
      {twoPeople?.status}
      <div>
        <button
          type="button"
          className="btn btn-neutral"
          disabled={busy || waitsFor !== null || isMissing || (asks && !known)}
          onClick={() => onRelease(wanted, forget)}
        >
          {waitsFor ??
            twoPeople?.words ??
            (instant === null
              ? say("Release as number {number}", { number: next })
              : say("Release as number {number}, from {moment}", {
                  number: next,
                  moment: momentOfYear(instant, timeZone),
                }))}
        </button>
      </div>
    </section>
  );
}

const MOST_SHOWN = 6;

const namesOf = (fallen: readonly { readonly name: string }[]): string => {
  const names = fallen
    .slice(0, MOST_SHOWN)
    .map(({ name }) => name)
    .join(", ");
  return fallen.length > MOST_SHOWN ? say("{names} and more", { names }) : names;
};
