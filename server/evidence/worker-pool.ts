import { availableParallelism } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { Piscina } from "piscina";
import type { OrderTask, TaskResult } from "./order-worker.ts";

/** From its sources, as tests and the command line run it; built, beside the program that was started. */
const isSource = import.meta.url.endsWith(".ts");
const program = isSource
  ? fileURLToPath(new URL("./order-worker-source.mjs", import.meta.url))
  : join(dirname(process.argv[1] ?? "."), "order-worker.mjs");

let threads: Piscina | undefined;

/** Ended when nothing was to do for so long, in milliseconds: a thread holds connections and a compiled plan. */
const IDLE = 30_000;

function opened(): Piscina {
  threads ??= new Piscina({
    filename: pathToFileURL(program).href,
    maxThreads: availableParallelism(),
    minThreads: 0,
    idleTimeout: IDLE,
  });
  return threads;
}

/**
 * Has a thread do something with many orders.
 *
 * @throws what the thread threw; an AbortError when it was stopped
 */
export const inThread = <Task extends OrderTask>(task: Task, signal?: AbortSignal): Promise<TaskResult<Task>> =>
  opened().run(task, signal ? { signal } : {});

/** How many are at work at once. */
export const threadCount = (): number => availableParallelism();

/** Ends all threads, for programs that come to their end. */
export async function closeThreads(): Promise<void> {
  await threads?.destroy();
  threads = undefined;
}
