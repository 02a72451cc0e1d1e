import type { Problem } from "../../../core/schema/problem.ts";
import { say } from "../../language/say.ts";
import { ApiError, errorWords } from "../../state/api.ts";
import { evidenceApi } from "../../state/evidence-api.ts";

/** What a file would do, or has done. */
export type Counts = { readonly added: number; readonly changed: number; readonly same: number };

export type Step = "reading" | "checking" | "writing";
/** How far a step is, from nothing to one. */
export type Progress = { readonly step: Step; readonly done: number };

export type Outcome =
  | {
      readonly kind: "seen";
      readonly id: string;
      readonly counts: Counts;
      readonly faulty: number;
      readonly faults: Faults;
    }
  | { readonly kind: "written"; readonly counts: Counts }
  | { readonly kind: "dropped" }
  | { readonly kind: "refused"; readonly lines: readonly string[] };

export type Faults = { readonly count: number; readonly faults: readonly Problem[] };

/** Told how far it is, and asked whether to go on. */
export type Watch = { readonly onProgress: (progress: Progress) => void; readonly isStopped: () => boolean };

/** Bytes of a file that are read at once, and rows that are sent at once. */
const CHUNK = 1_000_000;
const PART = 3000;

class Stopped extends Error {}

/**
 * Reads a file of orders a piece at a time and hands it on, then has the whole of it checked. Nothing is taken yet.
 *
 * @param id names the file while it is kept aside
 */
export async function readOrdersFile(file: File, id: string, watch: Watch): Promise<Outcome> {
  try {
    if (/\.(jsonl|ndjson)$/i.test(file.name)) await stageLines(file, id, watch);
    else await stageCsv(file, id, watch);
    const { counts, faulty, orders } = await checked(id, watch);
    const faults = await evidenceApi.faults(id);
    if (orders === 0 && faults.count === 0) {
      await evidenceApi.drop(id);
      return { kind: "refused", lines: [say("There is no order in it.")] };
    }
    return { kind: "seen", id, counts, faulty, faults };
  } catch (error) {
    await evidenceApi.drop(id).catch(() => undefined);
    return refusedFor(error);
  }
}

/** Writes what was read, a part after the other; what is written stays when it is stopped, and is the same the next time. */
export async function writeOrdersFile(id: string, sound: boolean, all: number, watch: Watch): Promise<Outcome> {
  const counts = { added: 0, changed: 0, same: 0 };
  try {
    for (let after: string | null = ""; after !== null; ) {
      const part = await evidenceApi.write(id, after, sound);
      addTo(counts, part);
      after = part.after;
      watch.onProgress({ step: "writing", done: (counts.added + counts.changed + counts.same) / Math.max(1, all) });
      if (watch.isStopped() && after !== null) {
        await evidenceApi.drop(id);
        break;
      }
    }
    return { kind: "written", counts };
  } catch (error) {
    return refusedFor(error);
  }
}

async function checked(id: string, { onProgress, isStopped }: Watch) {
  onProgress({ step: "checking", done: 0 });
  const counts = { added: 0, changed: 0, same: 0 };
  let faulty = 0;
  for (let after: string | null = ""; after !== null; ) {
    if (isStopped()) throw new Stopped();
    const part = await evidenceApi.check(id, after);
    addTo(counts, part);
    faulty += part.faulty;
    after = part.after;
  }
  return { counts, faulty, orders: counts.added + counts.changed + counts.same + faulty };
}

function addTo(counts: { added: number; changed: number; same: number }, part: Counts): void {
  counts.added += part.added;
  counts.changed += part.changed;
  counts.same += part.same;
}

async function stageLines(file: File, id: string, watch: Watch): Promise<void> {
  let first = 1;
  for await (const lines of linesOf(file, watch)) {
    await evidenceApi.stage({ do: "lines", import: id, first, lines });
    first += lines.length;
  }
}

/** Lines of a file, some at a time, the last of a piece kept until the rest of it is there. */
async function* linesOf(file: File, { onProgress, isStopped }: Watch): AsyncGenerator<string[]> {
  const decoder = new TextDecoder();
  let rest = "";
  for (let start = 0; start < file.size; start += CHUNK) {
    if (isStopped()) throw new Stopped();
    const bytes = await file.slice(start, start + CHUNK).arrayBuffer();
    const isLast = start + CHUNK >= file.size;
    const lines = (rest + decoder.decode(bytes, { stream: !isLast })).replace(/^\uFEFF/, "").split(/\r?\n/);
    rest = isLast ? "" : (lines.pop() ?? "");
    for (let at = 0; at < lines.length; at += PART) yield lines.slice(at, at + PART);
    onProgress({ step: "reading", done: Math.min(1, (start + CHUNK) / file.size) });
  }
}

async function stageCsv(file: File, id: string, { onProgress, isStopped }: Watch): Promise<void> {
  const { default: Papa } = await import("papaparse");
  let header: string[] | null = null;
  let first = 2;
  let waiting: string[][] = [];
  const send = async () => {
    const rows = waiting;
    waiting = [];
    // Without a row it is the header that is looked at.
    for (let at = 0; at === 0 || at < rows.length; at += PART) {
      const some = rows.slice(at, at + PART);
      await evidenceApi.stage({ do: "rows", import: id, header, first, rows: some });
      first += some.length;
    }
  };
  await new Promise<void>((resolve, reject) => {
    Papa.parse<string[]>(file, {
      chunkSize: CHUNK,
      chunk: ({ data, meta }, parser) => {
        const rows = header === null ? data.slice(1) : data;
        header ??= (data[0] ?? []).map((cell) => cell.replace(/^\uFEFF/, "").trim());
        waiting.push(...rows);
        onProgress({ step: "reading", done: meta.cursor / Math.max(1, file.size) });
        if (isStopped()) {
          parser.abort();
          reject(new Stopped());
          return;
        }
        if (waiting.length < PART) return;
        // No more is read before it is handed on.
        parser.pause();
        send().then(
          () => parser.resume(),
          (error: unknown) => {
            parser.abort();
            reject(error);
          },
        );
      },
      complete: () => resolve(),
      error: reject,
    });
  });
  if (waiting.at(-1)?.join("") === "") waiting.pop();
  await send();
}

function refusedFor(error: unknown): Outcome {
  if (error instanceof Stopped) return { kind: "dropped" };
  if (error instanceof ApiError)
    return { kind: "refused", lines: error.lines.length > 0 ? error.lines : [errorWords(error)] };
  return { kind: "refused", lines: [error instanceof Error ? error.message : String(error)] };
}

/** What is done with a file that was seen and is not wanted. */
export async function dropOrdersFile(id: string): Promise<Outcome> {
  try {
    await evidenceApi.drop(id);
    return { kind: "dropped" };
  } catch (error) {
    return refusedFor(error);
  }
}
