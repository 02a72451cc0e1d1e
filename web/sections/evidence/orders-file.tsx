import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { type Phrase, phrase } from "../../../core/phrases/phrase.ts";
import { FileField } from "../../fields/file-field.tsx";
import { FileProgress } from "../../fields/file-progress.tsx";
import { RefusedFile } from "../../fields/refused-file.tsx";
import { say } from "../../language/say.ts";
import { askAnew } from "../../state/evidence-api.ts";
import {
  type Counts,
  dropOrdersFile,
  type Outcome,
  type Progress,
  readOrdersFile,
  type Step,
  writeOrdersFile,
} from "./import-file.ts";
import { SeenFile } from "./seen-file.tsx";

const STEP: Readonly<Record<Step, Phrase>> = {
  reading: phrase("Reading the file…"),
  checking: phrase("Checking every order…"),
  writing: phrase("Taking the orders…"),
};

/** Past orders from a file: read and checked first, taken once somebody has seen what is in it. */
export function OrdersFile() {
  const [progress, setProgress] = useState<Progress | null>(null);
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const stopped = useRef(false);
  const client = useQueryClient();
  const watch = { onProgress: setProgress, isStopped: () => stopped.current };
  const run = async (work: () => Promise<Outcome>, step: Step) => {
    stopped.current = false;
    setOutcome(null);
    setProgress({ step, done: 0 });
    const came = await work();
    setProgress(null);
    setOutcome(came);
    if (came.kind === "written") await askAnew(client);
  };
  return (
    <section aria-label={say("Orders from a file")} className="border border-base-300 bg-base-100 p-3">
      <FileField
        label={say("Read a file of orders")}
        accept=".csv,.jsonl,.ndjson,text/csv"
        disabled={progress !== null}
        onFile={(file) => void run(() => readOrdersFile(file, `o-${crypto.randomUUID()}`, watch), "reading")}
      />
      <p className="mt-1 max-w-[80ch] text-[13px] text-quiet">
        {say(
          "CSV with a row for each line of an order, or with number, time, currency, total and delivery alone; or an order as JSON on each line. An order that is here already is not taken twice.",
        )}
      </p>
      {progress && (
        <FileProgress
          label={say(STEP[progress.step])}
          done={progress.step === "checking" ? undefined : progress.done}
          of={1}
          words={say(STEP[progress.step])}
          onStop={() => {
            stopped.current = true;
          }}
        />
      )}
      {outcome?.kind === "seen" && (
        <SeenFile
          seen={outcome}
          onTake={(sound) =>
            void run(() => writeOrdersFile(outcome.id, sound, allOf(outcome.counts), watch), "writing")
          }
          onDrop={() => void run(() => dropOrdersFile(outcome.id), "checking")}
        />
      )}
      <Ended outcome={outcome} />
    </section>
  );
}

const allOf = ({ added, changed, same }: Counts): number => added + changed + same;

function Ended({ outcome }: { outcome: Outcome | null }) {
  if (outcome?.kind === "written")
    return (
      <p role="status" className="mt-2">
        {say(
          "{added, plural, one {One order} other {# orders}} added, {changed} changed; {same} were here already, just so.",
          { ...outcome.counts },
        )}
      </p>
    );
  if (outcome?.kind === "dropped")
    return (
      <p role="status" className="mt-2">
        {say("Nothing was taken.")}
      </p>
    );
  return outcome?.kind === "refused" ? (
    <RefusedFile words={say("This file was not taken.")} lines={outcome.lines} />
  ) : null;
}
