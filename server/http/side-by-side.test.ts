import { describe, expect, it } from "vitest";
import { allHaveCome, step } from "./side-by-side.ts";

/** What `count` requests that come in at once do, in the order in which they do it. */
async function together(count: number): Promise<string[]> {
  const done: string[] = [];
  const one = async (i: number) => {
    await allHaveCome();
    done.push(`read ${i}`);
    await step();
    done.push(`quote ${i}`);
    await step();
    done.push(`write ${i}`);
  };
  await Promise.all(Array.from({ length: count }, (_, i) => one(i)));
  return done;
}

const inSteps = (from: number, to: number) =>
  ["read", "quote", "write"].flatMap((name) => Array.from({ length: to - from }, (_, i) => `${name} ${from + i}`));

describe("requests that come in together", () => {
  it("do each step one after the other before any does the next", async () => {
    expect(await together(1)).toEqual(inSteps(0, 1));
    expect(await together(16)).toEqual(inSteps(0, 16));
  });

  it("are answered sixteen at a time: nobody waits for a crowd", async () => {
    expect(await together(40)).toEqual([...inSteps(0, 16), ...inSteps(16, 32), ...inSteps(32, 40)]);
  });

  it("wait for what has come by now, and not for what comes later", async () => {
    const order: string[] = [];
    const first = allHaveCome().then(() => order.push("first"));
    setImmediate(() => allHaveCome().then(() => order.push("later")));
    await first;
    expect(order).toEqual(["first"]);
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(order).toEqual(["first", "later"]);
  });

  it("are none the worse for one that fails", async () => {
    const failing = allHaveCome().then(() => {
      throw new Error("one of them");
    });
    const [failed, ...others] = await Promise.allSettled([failing, together(3)]);
    expect(failed.status).toBe("rejected");
    expect(others).toEqual([{ status: "fulfilled", value: inSteps(0, 3) }]);
  });
});
