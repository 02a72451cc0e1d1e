import { expose } from "comlink";
import * as fc from "fast-check";
import { describe, expect, it, vi } from "vitest";
import { LatestInWorker, type Told } from "./latest-in-worker.ts";

type Api = { double(of: number, takesMs: number): Promise<number> };
type Job = { of: number; takesMs: number };

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** What a browser gives as a worker, here at the other end of a channel. */
function thread(api: Api, onEnd: () => void) {
  const { port1, port2 } = new MessageChannel();
  expose(api, port2);
  return Object.assign(port1, {
    terminate: () => {
      onEnd();
      port1.close();
      port2.close();
    },
  });
}

/** A worker whose jobs take as long as they say, and what was seen of it. */
function doubling(fails: (attempt: number) => boolean = () => false) {
  const seen = { started: 0, ended: 0, underWay: 0, mostAtOnce: 0, attempts: 0 };
  const threads: EventTarget[] = [];
  const latest = new LatestInWorker<Api, Job, number>({
    start: () => {
      seen.started += 1;
      const api: Api = {
        async double(of, takesMs) {
          seen.attempts += 1;
          if (fails(seen.attempts)) throw new Error("out of paper");
          seen.underWay += 1;
          seen.mostAtOnce = Math.max(seen.mostAtOnce, seen.underWay);
          if (takesMs > 0) await wait(takesMs);
          seen.underWay -= 1;
          return of * 2;
        },
      };
      const made = thread(api, () => {
        seen.ended += 1;
      });
      threads.push(made);
      return made;
    },
    answer: (remote, { of, takesMs }) => remote.double(of, takesMs),
  });
  return { latest, seen, threads };
}

describe("the latest in a worker", () => {
  it("is got ready once, before anything is asked; one that fails meanwhile is started anew when something is", async () => {
    const { latest, seen, threads } = doubling();
    for (let times = 0; times < 2; times += 1) latest.getReady();
    expect(seen.started).toBe(1);
    threads[0]?.dispatchEvent(new Event("error"));
    expect(seen.ended).toBe(1);
    const told = await new Promise<Told<number>>((resolve) => latest.ask({ of: 21, takesMs: 0 }, resolve));
    expect([told, seen.started]).toEqual([{ answer: 42 }, 2]);
    latest.stop();
  });

  it("has one job under way, answers in the order asked, leaves out what was overtaken, and always answers the last", async () => {
    const asks = fc.array(fc.record({ takesMs: fc.nat(4), restMs: fc.nat(6) }), { minLength: 1, maxLength: 12 });
    await fc.assert(
      fc.asyncProperty(asks, async (all) => {
        const { latest, seen } = doubling();
        const told: Told<number>[] = [];
        const last = new Promise<void>((resolve) => {
          const asked = async () => {
            for (const [of, { takesMs, restMs }] of all.entries()) {
              latest.ask({ of, takesMs }, (one) => {
                told.push(one);
                if (of === all.length - 1) resolve();
              });
              if (restMs > 0) await wait(restMs);
            }
          };
          void asked();
        });
        await last;
        latest.stop();
        const answers = told.map((one) => ("answer" in one ? one.answer : -1));
        expect(answers).toEqual([...answers].sort((a, b) => a - b));
        expect(answers.every((answer) => answer >= 0 && answer % 2 === 0)).toBe(true);
        expect(answers.at(-1)).toBe((all.length - 1) * 2);
        expect(seen.mostAtOnce).toBe(1);
        expect(seen.started).toBe(1);
      }),
      { numRuns: 40 },
    );
  });

  it("tries a failed job again in a new worker: once in silence, then telling, until it is done", async () => {
    const { latest, seen } = doubling((attempt) => attempt <= 2);
    const told: Told<number>[] = [];
    await new Promise<void>((resolve) => {
      latest.ask({ of: 21, takesMs: 0 }, (one) => {
        told.push(one);
        if ("answer" in one) resolve();
      });
    });
    expect(told).toEqual([{ failure: "out of paper" }, { answer: 42 }]);
    expect(seen).toMatchObject({ started: 3, ended: 2 });
    latest.stop();
  });

  it("takes a newer job at once while it waits after a failure", async () => {
    const { latest } = doubling((attempt) => attempt <= 2);
    const told: Told<number>[] = [];
    // A pause that would never end.
    vi.useFakeTimers({ toFake: ["setTimeout"] });
    await new Promise<void>((resolve) => latest.ask({ of: 1, takesMs: 0 }, (one) => resolve(void told.push(one))));
    await new Promise<void>((resolve) => latest.ask({ of: 2, takesMs: 0 }, (one) => resolve(void told.push(one))));
    expect(told).toEqual([{ failure: "out of paper" }, { answer: 4 }]);
    vi.useRealTimers();
    latest.stop();
  });

  it("is stopped in the middle of a job, which is never told, and goes on with the next", async () => {
    const { latest, seen } = doubling();
    const told: Told<number>[] = [];
    latest.ask({ of: 1, takesMs: 60_000 }, (one) => told.push(one));
    await wait(20);
    latest.stop();
    await new Promise<void>((resolve) => latest.ask({ of: 5, takesMs: 0 }, (one) => resolve(void told.push(one))));
    expect(told).toEqual([{ answer: 10 }]);
    expect(seen).toMatchObject({ started: 2, ended: 1 });
    latest.stop();
  });
});
