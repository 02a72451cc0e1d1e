import { type ChildProcess, fork } from "node:child_process";
import { createServer, type Socket } from "node:net";
import { availableParallelism } from "node:os";
import { keepRunning } from "./keep-running.ts";
import type { FromFront, ToFront } from "./tidings.ts";

/** So many there are at most unless a setting asks for more: each keeps the plan for itself. */
const MOST = 4;

/** How many fronts there are. @param setting what SUMMANT_FRONTS says @throws when that is no number */
export function frontsWanted(setting: string | undefined, cores = availableParallelism()): number {
  if (setting === undefined || setting === "") return Math.min(cores, MOST);
  if (!/^[1-9]\d?$/.test(setting)) throw new Error(`SUMMANT_FRONTS is "${setting}": a number from 1 to 99 is wanted`);
  return Number(setting);
}

/** A connection on its way to a front, and whether the front may have read of it. */
type OnItsWay = { readonly socket: Socket; wasSent: boolean };
type Front = { readonly process: ChildProcess; readonly onTheirWay: Map<number, OnItsWay> };

/**
 * Keeps fronts running and hands them the connections that come, each in turn. One that ends by itself is started again, and the others
 * answer meanwhile; while there is none, connections wait. Not node's own cluster: it forgets connections that were on their way to a
 * process that ended, and whoever opened one waits for ever.
 *
 * @param program a front's program: see `server/front.ts`
 * @param args what each is started with
 * @param onGivenUp called when one cannot be kept running, or the first cannot be started at all
 */
export function openFronts(
  program: string,
  args: readonly string[],
  count: number,
  at: { readonly host: string; readonly port: number },
  onGivenUp: () => void,
): { close: () => void } {
  let ready: readonly Front[] = [];
  let waiting: readonly Socket[] = [];
  let connections = 0;
  let wasEverReady = false;

  const hand = (socket: Socket) => {
    connections += 1;
    const number = connections;
    const front = ready[number % Math.max(1, ready.length)];
    if (!front) {
      waiting = [...waiting, socket];
      return;
    }
    const one: OnItsWay = { socket, wasSent: false };
    front.onTheirWay.set(number, one);
    // It stays open here too, until the front says that it has it: node would forget it if the front ended before.
    front.process.send({ connection: number } satisfies ToFront, socket, { keepOpen: true }, (error) => {
      if (error) isGone(front);
      else one.wasSent = true;
    });
  };

  const taken = (front: Front, number: number) => {
    front.onTheirWay.get(number)?.socket.destroy();
    front.onTheirWay.delete(number);
  };

  /** It takes nothing any more. */
  const isGone = (front: Front) => {
    ready = ready.filter((other) => other !== front);
    tidings.isGone(front);
    const left = [...front.onTheirWay.values()];
    front.onTheirWay.clear();
    for (const { socket, wasSent } of left) {
      // What the front may have read of it nobody else would see.
      if (wasSent) socket.resetAndDestroy();
      else hand(socket);
    }
  };

  const start = () => {
    const front: Front = { process: fork(program, args), onTheirWay: new Map() };
    front.process.on("message", (message: FromFront) => {
      if ("taken" in message) taken(front, message.taken);
      else if ("tell" in message) tidings.tell(front, message.tell, message.number, ready);
      else if ("done" in message) tidings.isDone(front, message.done);
      else {
        wasEverReady = true;
        ready = [...ready, front];
        const came = waiting;
        waiting = [];
        for (const socket of came) hand(socket);
      }
    });
    front.process.once("exit", () => {
      isGone(front);
      if (!wasEverReady) onGivenUp();
    });
    return front.process;
  };

  const tidings = passingTidings();
  const server = createServer({ pauseOnConnect: true, noDelay: true }, (socket) => {
    // Whoever goes away before a front has it takes nothing with them.
    socket.on("error", () => socket.destroy());
    hand(socket);
  });
  const running: ReturnType<typeof keepRunning>[] = [];
  server.listen(at.port, at.host, () => {
    for (let i = 0; i < count; i += 1) running.push(keepRunning("A front", start, onGivenUp));
  });
  return {
    close: () => {
      server.close();
      for (const front of running) front.stop();
    },
  };
}

/** Who told it, under which number of theirs, and who has not done it yet. */
type UnderWay = { readonly by: Front; readonly number: number; readonly left: Set<Front> };

/** Passes on what one front tells the others, and tells it once all have done it. */
function passingTidings() {
  const underWay = new Map<number, UnderWay>();
  let last = 0;
  const send = (front: Front, message: ToFront) => {
    // One that has just ended does not need it any more; that is told where it ends.
    if (front.process.connected) front.process.send(message, () => {});
  };
  const isDone = (front: Front, told: number) => {
    const one = underWay.get(told);
    if (!one?.left.delete(front) || one.left.size > 0) return;
    underWay.delete(told);
    send(one.by, { done: one.number });
  };
  return {
    tell: (by: Front, forget: Extract<FromFront, { tell: unknown }>["tell"], number: number, all: readonly Front[]) => {
      const others = all.filter((front) => front !== by);
      if (others.length === 0) {
        send(by, { done: number });
        return;
      }
      last += 1;
      underWay.set(last, { by, number, left: new Set(others) });
      for (const front of others) send(front, { forget, number: last });
    },
    isDone,
    /** Who has ended keeps nothing any more. */
    isGone: (front: Front) => {
      for (const told of [...underWay.keys()]) isDone(front, told);
    },
  };
}
