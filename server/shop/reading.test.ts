import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Reading } from "./reading.ts";

// By a clock of its own: how busy the machine is makes no difference.
beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

const pause = (ms: number) => vi.advanceTimersByTimeAsync(ms);

/** What comes of work once the clock goes on. */
async function inTime<T>(work: Promise<T>, ms = 100): Promise<T> {
  work.catch(() => undefined);
  await pause(ms);
  return work;
}

const away = () => Object.assign(new Error("away"), { code: "ECONNREFUSED" });

/** Counts up at each reading, as slowly as it is told. */
function counter(ways: { takes?: number; fails?: () => Error | undefined } = {}) {
  let count = 0;
  return async () => {
    count += 1;
    const own = count;
    await new Promise((resolve) => setTimeout(resolve, ways.takes ?? 0));
    const error = ways.fails?.();
    if (error) throw error;
    return own;
  };
}

describe("what is kept of the database for a moment", () => {
  it("is read once for all who ask at once, read anew behind the backs of those who ask later, and waited for when it is old", async () => {
    const reading = new Reading(counter());
    expect(await inTime(Promise.all([reading.now(), reading.now(), reading.now()]))).toEqual([1, 1, 1]);
    await pause(150);
    // Nobody waits for the second.
    expect(await reading.now()).toBe(1);
    await pause(50);
    expect(await reading.now()).toBe(2);
    await pause(1050);
    expect(await inTime(reading.now())).toBe(3);
  });

  it("is waited for once it is forgotten, and what was being read then is not taken for newer", async () => {
    const reading = new Reading(counter({ takes: 60 }));
    const before = reading.now();
    reading.forget();
    const after = reading.now();
    expect(await inTime(Promise.all([before, after]))).toEqual([1, 2]);
    expect(await reading.now()).toBe(2);
    reading.forget();
    expect(await inTime(reading.now())).toBe(3);
  });

  it("is known once it has been read, also where it was forgotten meanwhile: a key that holds is not refused for that", async () => {
    const reading = new Reading(counter({ takes: 60 }));
    const first = reading.now();
    reading.forget();
    expect(await inTime(first)).toBe(1);
    expect(reading.age()).toBeLessThan(1000);
    // And still it is read anew for whoever asks from now on.
    expect(await inTime(reading.now())).toBe(2);
  });

  it("holds no longer than it says it is good for", async () => {
    const reading = new Reading(counter(), () => 40);
    expect(await inTime(reading.now(), 10)).toBe(1);
    await pause(20);
    expect(await reading.now()).toBe(1);
    await pause(20);
    expect(await inTime(reading.now())).toBe(2);
  });

  it("stays while the database is away, is tried again after a while, and other faults are told", async () => {
    let fault: Error | undefined = away();
    const reading = new Reading(counter({ fails: () => fault }));
    expect(reading.age()).toBe(Number.POSITIVE_INFINITY);
    await expect(inTime(reading.now())).rejects.toThrow("away");
    fault = undefined;
    expect(await inTime(reading.now())).toBe(2);
    fault = away();
    reading.forget();
    expect(await inTime(reading.now())).toBe(2);
    fault = undefined;
    await pause(150);
    expect(await inTime(reading.now())).toBe(4);
    fault = new Error("damaged");
    reading.forget();
    await expect(inTime(reading.now())).rejects.toThrow("damaged");
  });

  it("stays while the database hangs: the first to ask wait a moment, nobody after them; longer where it is known to have changed", async () => {
    const ways = { takes: 0 };
    const reading = new Reading(counter(ways));
    expect(await inTime(reading.now())).toBe(1);
    ways.takes = 60_000;
    await pause(1100);
    expect(await inTime(Promise.all([reading.now(), reading.now()]), 160)).toEqual([1, 1]);
    for (let i = 0; i < 20; i += 1) {
      await pause(201);
      // Without the clock going on.
      expect(await inTime(reading.now(), 0)).toBe(1);
    }
    expect(reading.age()).toBeGreaterThan(5000);
    reading.forget();
    let told: number | undefined;
    reading.now().then((value) => {
      told = value;
    });
    await pause(1900);
    expect(told).toBeUndefined();
    await pause(200);
    expect(told).toBe(1);
  });
});
