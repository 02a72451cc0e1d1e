import { type ChildProcess, fork } from "node:child_process";
import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { Agent, type IncomingMessage, type ServerResponse } from "node:http";
import { setPriority, tmpdir } from "node:os";
import { join } from "node:path";
import { createProxyServer } from "httpxy";
import { phrase } from "../../core/phrases/phrase.ts";
import { withHeader } from "./answer.ts";
import { mayWrite } from "./endpoints.ts";
import { pathOf } from "./gates.ts";
import { problemAnswer } from "./problem-document.ts";
import { writeAnswer } from "./write-answer.ts";

/** It gives way to quotes where both want the same core. */
const NICENESS = 15;
/** Ended within this many milliseconds so many times in a row, it is not started again. */
const AT_ONCE = 3000;
const MOST_STARTS = 5;
const PAUSE = 200;

/**
 * The desk: a process of its own for everything marketers do, with the framework in it, so that a large file, a check or a whole
 * plan never holds what shops ask. It ends with its parent, and is started again when it ends by itself.
 *
 * @param program the desk's program: see `server/desk.ts`
 * @param onWrite called once something may have been written, before its answer is passed on
 * @param onGivenUp called when it cannot be kept running
 */
export function openDesk(
  program: string,
  onWrite: () => void,
  onGivenUp: () => void,
): { passOn: (request: IncomingMessage, response: ServerResponse) => void; close: () => void } {
  clearAway();
  const folder = mkdtempSync(join(tmpdir(), `summant-${process.pid}-`));
  const socketPath = join(folder, "desk.sock");
  let closing = false;
  let running: ChildProcess | undefined;
  let starts = 0;
  let ready = false;

  const start = () => {
    const began = performance.now();
    running = fork(program, [socketPath], { execArgv: [], stdio: ["ignore", "inherit", "inherit", "ipc"] });
    if (running.pid !== undefined) setPriority(running.pid, NICENESS);
    running.once("message", () => {
      ready = true;
    });
    running.once("exit", (code, signal) => {
      ready = false;
      if (closing) return;
      console.error(`The desk ended by itself (${signal ?? code}); it is started again.`);
      starts = performance.now() - began < AT_ONCE ? starts + 1 : 0;
      if (starts < MOST_STARTS) setTimeout(start, PAUSE);
      else onGivenUp();
    });
  };

  const proxy = createProxyServer({ target: { socketPath }, agent: new Agent({ keepAlive: true }) });
  proxy.on("proxyRes", (_, { method = "", url = "" }) => {
    if (mayWrite(method, pathOf(url))) onWrite();
  });

  start();
  return {
    passOn: (request, response) => {
      if (!ready) {
        refuse(request, response);
        return;
      }
      proxy.web(request, response).catch((error: NodeJS.ErrnoException) => {
        // A caller that went away is nobody's fault.
        if (response.destroyed) return;
        console.error(`${request.method} ${request.url} did not reach the desk: ${error.message}`);
        if (response.headersSent) response.destroy();
        else refuse(request, response);
      });
    },
    close: () => {
      closing = true;
      running?.kill();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A process that was killed leaves its folder behind. */
function clearAway(): void {
  for (const name of readdirSync(tmpdir())) {
    const pid = /^summant-(\d+)-/.exec(name)?.[1];
    if (pid === undefined || isRunning(Number(pid))) continue;
    try {
      rmSync(join(tmpdir(), name), { recursive: true, force: true });
    } catch {
      // Another user's: theirs to clear away.
    }
  }
}

function isRunning(pid: number): boolean {
  try {
    // Asks only: no signal is sent.
    return process.kill(pid, 0);
  } catch (error) {
    return error instanceof Error && "code" in error && error.code === "EPERM";
  }
}

function refuse(request: IncomingMessage, response: ServerResponse): void {
  // They are among those that every answer of ours is written with.
  for (const name of response.getHeaderNames()) response.removeHeader(name);
  const answer = problemAnswer(503, phrase("The app is being started"), {
    detail: phrase("Try again shortly; a change may or may not have been saved."),
  });
  writeAnswer(request, response, withHeader(answer, "retry-after", "1"));
}
