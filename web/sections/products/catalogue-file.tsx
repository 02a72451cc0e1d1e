import { useRef, useState } from "react";
import type { ImportPreview as Preview } from "../../../server/catalogue/import-products.ts";
import { FileField } from "../../fields/file-field.tsx";
import { FileProgress } from "../../fields/file-progress.tsx";
import { RefusedFile } from "../../fields/refused-file.tsx";
import { say } from "../../language/say.ts";
import { ApiError, api, errorWords } from "../../state/api.ts";
import { ImportPreview } from "./import-preview.tsx";

type Progress = { done: number; of: number };
type Outcome =
  | { kind: "seen"; import: string; preview: Preview }
  | { kind: "taken"; products: number }
  | { kind: "dropped" }
  | { kind: "refused"; lines: readonly string[] };

/** Rows sent at once. */
const PART = 500;
const MOST_LINES = 20;

/** The catalogue as CSV, out and in. Nothing is taken before the whole file is good and somebody has seen what it changes. */
export function CatalogueFile({ onTaken }: { onTaken: () => Promise<void> }) {
  const [progress, setProgress] = useState<Progress | null>(null);
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const stopped = useRef(false);
  const read = async (file: File) => {
    stopped.current = false;
    setOutcome(null);
    setProgress({ done: 0, of: 1 });
    const result = await take(file, setProgress, () => stopped.current);
    setProgress(null);
    setOutcome(result);
  };
  const settle = async (importId: string, isTaken: boolean) => {
    const result = isTaken ? await finish(importId) : await drop(importId);
    setOutcome(result);
    if (result.kind === "taken") await onTaken();
  };
  return (
    <section aria-label={say("The catalogue as a file")} className="border border-base-300 bg-base-100 p-3">
      <div className="flex flex-wrap items-center gap-3">
        <a className="btn btn-sm" href="/api/products/csv" download="catalogue.csv">
          {say("Save the catalogue as CSV")}
        </a>
        <FileField
          label={say("Read a catalogue")}
          accept=".csv,text/csv"
          disabled={progress !== null}
          onFile={(file) => void read(file)}
        />
      </div>
      {progress && (
        <FileProgress
          label={say("Rows read")}
          {...progress}
          words={say("{done} of {of} rows", { done: progress.done, of: progress.of })}
          onStop={() => {
            stopped.current = true;
          }}
        />
      )}
      {outcome?.kind === "seen" && (
        <ImportPreview
          preview={outcome.preview}
          onTake={() => void settle(outcome.import, true)}
          onDrop={() => void settle(outcome.import, false)}
        />
      )}
      {outcome?.kind === "taken" && (
        <p className="mt-2">
          {outcome.products === 1
            ? say("One product taken.")
            : say("{count, plural, one {One product taken.} other {# products taken.}}", { count: outcome.products })}
        </p>
      )}
      {outcome?.kind === "dropped" && <p className="mt-2">{say("Nothing was taken. The catalogue is as it was.")}</p>}
      {outcome?.kind === "refused" && (
        <RefusedFile words={say("This file was not taken; the catalogue is as it was.")} lines={outcome.lines} />
      )}
    </section>
  );
}

async function take(file: File, onProgress: (progress: Progress) => void, isStopped: () => boolean): Promise<Outcome> {
  const { default: Papa } = await import("papaparse");
  const parsed = Papa.parse<string[]>(await file.text(), { skipEmptyLines: false });
  const rows = parsed.data.at(-1)?.join("") === "" ? parsed.data.slice(0, -1) : parsed.data;
  const broken = parsed.errors.filter(({ code }) => code !== "UndetectableDelimiter");
  if (broken.length > 0)
    return {
      kind: "refused",
      lines: broken.map(({ row, message }) => say("row {row} {message}", { row: (row ?? 0) + 1, message })),
    };
  const [header = [], ...body] = rows.map((cells, i) =>
    i === 0 ? cells.map((cell) => cell.replace(/^\uFEFF/, "").trim()) : cells,
  );
  const importId = `i-${crypto.randomUUID()}`;
  const lines: string[] = [];
  try {
    for (let start = 0; start === 0 || start < body.length; start += PART) {
      if (isStopped()) return await drop(importId);
      try {
        await api.importProducts({
          do: "rows",
          import: importId,
          header,
          first: start + 2,
          rows: body.slice(start, start + PART),
        });
      } catch (error) {
        if (!(error instanceof ApiError) || error.status !== 422) throw error;
        lines.push(...error.lines);
        if (lines.length > MOST_LINES) break;
      }
      onProgress({ done: Math.min(start + PART, body.length), of: Math.max(1, body.length) });
    }
    if (lines.length > 0) {
      await api.importProducts({ do: "drop", import: importId });
      return { kind: "refused", lines };
    }
    return { kind: "seen", import: importId, preview: await api.previewImport(importId) };
  } catch (error) {
    return refusedFor(error);
  }
}

async function finish(importId: string): Promise<Outcome> {
  try {
    const { taken = 0 } = await api.importProducts({ do: "finish", import: importId });
    return { kind: "taken", products: taken };
  } catch (error) {
    return refusedFor(error);
  }
}

async function drop(importId: string): Promise<Outcome> {
  await api.importProducts({ do: "drop", import: importId });
  return { kind: "dropped" };
}

function refusedFor(error: unknown): Outcome {
  if (!(error instanceof ApiError)) throw error;
  return { kind: "refused", lines: error.lines.length > 0 ? error.lines : [errorWords(error)] };
}
