import type { Server } from "node:http";
import { Socket } from "node:net";
import type { Forgotten } from "../shop/shop.ts";
import type { FromFront, ToFront } from "./tidings.ts";

/** So many milliseconds at most an answer waits for the others: without them nothing that is kept holds longer than a second. */
const PATIENCE = 300;

/** The process that keeps the fronts running, as one of them reaches it. */
export type Keeper = {
  /** Has the other fronts forget; settles once all of them have. */
  readonly tellOthers: (what: Forgotten) => Promise<void>;
  /** From now on connections come, which the server answers. */
  readonly ready: (server: Server) => void;
};

/** @param forget what this front does when another tells it */
export function keeperOf(forget: (what: Forgotten) => void): Keeper {
  const waiting = new Map<number, () => void>();
  let last = 0;
  let answering: Server | undefined;
  // Where the keeper is gone this front ends too.
  const tell = (message: FromFront) => process.send?.(message, undefined, {}, () => {});
  process.on("message", (message: ToFront, handle: unknown) => {
    if ("connection" in message) {
      tell({ taken: message.connection });
      if (!(handle instanceof Socket)) return;
      // It was stopped until somebody would read it.
      answering?.emit("connection", handle);
      handle.resume();
    } else if ("forget" in message) {
      forget(message.forget);
      tell({ done: message.number });
    } else waiting.get(message.done)?.();
  });
  // Nobody is left who would hand it anything.
  process.once("disconnect", () => process.exit(0));
  return {
    ready: (server) => {
      answering = server;
      tell({ ready: true });
    },
    tellOthers: (what) =>
      new Promise((resolve) => {
        last += 1;
        const number = last;
        const settle = () => {
          waiting.delete(number);
          clearTimeout(timer);
          resolve();
        };
        const timer = setTimeout(settle, PATIENCE);
        waiting.set(number, settle);
        tell({ tell: what, number });
      }),
  };
}
