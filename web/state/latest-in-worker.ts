import { type Endpoint, type Remote, wrap } from "comlink";
import { say } from "../language/say.ts";

/** What has come of the newest job that was done, and why the newest of all was not; it is tried again all the while. */
export type Told<Answer> = { readonly answer: Answer } | { readonly failure: string };

type Asked<Job, Answer> = { readonly job: Job; readonly tell: (told: Told<Answer>) => void };

/** What is asked of a worker here. */
type Thread = Endpoint & { terminate(): void };

type Ways<Api, Job, Answer> = {
  readonly start: () => Thread;
  /** Does a job; null when it was broken off. */
  readonly answer: (remote: Remote<Api>, job: Job) => Promise<Answer | null>;
  /** Breaks off the job under way when a newer one comes; without it, that is waited for. */
  readonly breakOff?: (remote: Remote<Api>) => Promise<void>;
};

const LONGEST_WAIT_MS = 30_000;
const FIRST_WAIT_MS = 1000;

/**
 * Work in a worker that stays: one job under way, the newest waiting. A worker that fails is ended; its job is tried again at
 * once in a new one, then after longer and longer waits, until it is done or a newer one comes.
 *
 * @example const climbs = new LatestInWorker<ClimbWorker, Job, Climb>({ start, answer: (remote, job) => remote.climb(job) });
 * climbs.ask(job, (told) => setClimb(told)); // once it is done, unless a newer one was asked meanwhile
 */
export class LatestInWorker<Api, Job, Answer> {
  private readonly ways: Ways<Api, Job, Answer>;
  private held: { readonly worker: Thread; readonly remote: Remote<Api> } | null = null;
  private waiting: Asked<Job, Answer> | null = null;
  private busy = false;
  /** Ends what is waited for: the answer under way, or the pause after a failure. */
  private letGo: (() => void) | null = null;
  private pausing = false;

  constructor(ways: Ways<Api, Job, Answer>) {
    this.ways = ways;
  }

  ask(job: Job, tell: (told: Told<Answer>) => void): void {
    this.waiting = { job, tell };
    if (!this.busy) void this.work();
    else if (this.pausing) this.letGo?.();
    else if (this.held) void this.ways.breakOff?.(this.held.remote);
  }

  /** Has the worker loaded, before anything is asked of it. One that cannot be is started anew when something is. */
  getReady(): void {
    this.started();
  }

  /** Ends the worker, also in the middle of a job, and whatever waits. */
  stop(): void {
    this.waiting = null;
    this.end();
    this.letGo?.();
  }

  private async work(): Promise<void> {
    this.busy = true;
    let failures = 0;
    for (let asked = this.next(); asked; asked = this.next()) {
      const { job, tell } = asked;
      try {
        const answer = await this.untilLetGo(this.done(job));
        if (answer !== null && answer !== LET_GO) tell({ answer });
        failures = 0;
      } catch (error) {
        this.end();
        failures += 1;
        if (failures > 1) tell({ failure: error instanceof Error ? error.message : String(error) });
        const letGo = failures > 1 && (await this.paused(failures - 2)) === LET_GO;
        if (!letGo) this.waiting ??= asked;
      }
    }
    this.busy = false;
  }

  private async paused(doublings: number): Promise<typeof LET_GO | undefined> {
    const ms = Math.min(FIRST_WAIT_MS * 2 ** doublings, LONGEST_WAIT_MS);
    this.pausing = true;
    const ended = await this.untilLetGo(new Promise<undefined>((resolve) => setTimeout(resolve, ms)));
    this.pausing = false;
    return ended;
  }

  private next(): Asked<Job, Answer> | null {
    const { waiting } = this;
    this.waiting = null;
    return waiting;
  }

  private started(): { readonly worker: Thread; readonly remote: Remote<Api> } {
    if (this.held) return this.held;
    const worker = this.ways.start();
    const held = { worker, remote: wrap<Api>(worker) };
    this.held = held;
    worker.addEventListener("error", () => {
      if (this.held === held) this.end();
    });
    return held;
  }

  private async done(job: Job): Promise<Answer | null> {
    const { worker, remote } = this.started();
    return answerOrFailure(worker, this.ways.answer(remote, job));
  }

  private async untilLetGo<T>(promise: Promise<T>): Promise<T | typeof LET_GO> {
    const free = new Promise<typeof LET_GO>((resolve) => {
      this.letGo = () => resolve(LET_GO);
    });
    try {
      return await Promise.race([promise, free]);
    } finally {
      this.letGo = null;
    }
  }

  private end(): void {
    this.held?.worker.terminate();
    this.held = null;
  }
}

const LET_GO = Symbol("let go");

/**
 * A worker's answer, or its failure: one that cannot be loaded, or that fails outside of what it was asked, answers nothing, and
 * whoever waits for it would wait for ever.
 */
function answerOrFailure<T>(worker: Thread, answer: Promise<T>): Promise<T> {
  return new Promise((resolve, reject) => {
    const fail = (event: Event) => {
      reject(new Error("message" in event && event.message ? String(event.message) : say("the worker failed")));
    };
    worker.addEventListener("error", fail, { once: true });
    worker.addEventListener("messageerror", fail, { once: true });
    answer.then(resolve, reject).finally(() => {
      worker.removeEventListener("error", fail);
      worker.removeEventListener("messageerror", fail);
    });
  });
}
