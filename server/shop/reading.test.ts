import { setTimeout as pause } from "node:timers/promises";
import { describe, expect, it } from "vitest";
import { Reading } from "./reading.ts";

const away = () => Object.assign(new Error("away"), { code: "ECONNREFUSED" });

/** Counts up at each reading, as slowly as it is told. */
function counter(ways: { takes?: number; fails?: () => Error | undefined } = {}) {
  let count = 0;
  return async () => {
    count += 1;
    const own = count;
    await pause(ways.takes ?? 0);
    const error = ways.fails?.();
    if (error) throw error;
    return own;
  };
}

describe("what is kept of the database for a moment", () => {
  it("is read once for all who ask at once, read anew behind the backs of those who ask later, and waited for when it is old", async () => {
    const reading = new Reading(counter());
    expect(await Promise.all([reading.now(), reading.now(), reading.now()])).toEqual([1, 1, 1]);
    await pause(250);
    expect(await reading.now()).toBe(1);
    await pause(30);
    expect(await reading.now()).toBe(2);
    await pause(1050);
    expect(await reading.now()).toBe(3);
  });

  it("is waited for once it is forgotten, and what was being read then is not taken for newer", async () => {
    const ways = { takes: 60 };
    const reading = new Reading(counter(ways));
    const before = reading.now();
    reading.forget();
    const after = reading.now();
    expect(await Promise.all([before, after])).toEqual([1, 2]);
    expect(await reading.now()).toBe(2);
    reading.forget();
    expect(await reading.now()).toBe(3);
  });

  it("holds no longer than it says it is good for", async () => {
    const reading = new Reading(counter(), () => 40);
    expect(await reading.now()).toBe(1);
    await pause(60);
    expect(await reading.now()).toBe(2);
  });

  it("stays while the database is away or hangs, is told how old it is, and other faults are told", async () => {
    let fault: Error | undefined;
    const ways = { takes: 0, fails: () => fault };
    const reading = new Reading(counter(ways));
    expect(reading.age()).toBe(Number.POSITIVE_INFINITY);
    fault = away();
    await expect(reading.now()).rejects.toThrow("away");
    fault = undefined;
    expect(await reading.now()).toBe(2);
    fault = away();
    reading.forget();
    expect(await reading.now()).toBe(2);
    fault = undefined;
    ways.takes = 3000;
    reading.forget();
    const began = performance.now();
    expect(await Promise.all([reading.now(), reading.now()])).toEqual([2, 2]);
    expect(performance.now() - began).toBeLessThan(1000);
    expect(reading.age()).toBeGreaterThan(100);
    ways.takes = 0;
    fault = new Error("damaged");
    reading.forget();
    await expect(reading.now()).rejects.toThrow("damaged");
  });
});
