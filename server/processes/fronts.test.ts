import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { connect, createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, afterEach, describe, expect, it, vi } from "vitest";
import { frontsWanted, openFronts } from "./fronts.ts";

const folder = mkdtempSync(join(tmpdir(), "fronts-"));
const closing: (() => void)[] = [];
afterEach(() => {
  for (const close of closing.splice(0)) close();
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const address = server.address();
      server.close(() => resolve(typeof address === "object" && address ? address.port : 0));
    });
  });

/** Opens fronts that run so much of a program of their own. @returns their port, and how often they were given up */
async function opened(program: string, count: number) {
  vi.spyOn(console, "error").mockImplementation(() => {});
  const file = join(mkdtempSync(join(folder, "front-")), "front.mjs");
  writeFileSync(file, program);
  const port = await freePort();
  const given = { up: 0 };
  const fronts = openFronts(file, [], count, { host: "127.0.0.1", port }, () => {
    given.up += 1;
  });
  closing.push(fronts.close);
  return { port, given };
}

/** What whoever connects is told; or how the connection ended. */
const told = (port: number) =>
  new Promise<string>((resolve) => {
    let said = "";
    const socket = connect(port, "127.0.0.1");
    socket.setEncoding("utf8").setTimeout(LONG, () => resolve("nothing, for ever"));
    socket.on("data", (part: string) => {
      said += part;
    });
    socket.once("end", () => resolve(said));
    socket.once("error", (error: NodeJS.ErrnoException) => resolve(String(error.code)));
    socket.write("?");
  });

/** Processes take a while to start where the machine is busy. */
const LONG = 20_000;
const PATIENTLY = { timeout: LONG, interval: 50 };

const ready = "process.once('disconnect', () => process.exit()); process.send({ ready: true });";
const takes = (then: string) => `process.on("message", (message, socket) => { ${then} }); ${ready}`;
const TELLS_ITSELF = takes("process.send({ taken: message.connection }); socket.end(String(process.pid));");

const twice = (one: string) => [one, one];

describe("fronts", { timeout: 3 * LONG }, () => {
  it("are as many as cores, four at most, or as many as is said", () => {
    expect([1, 2, 16].map((cores) => frontsWanted(undefined, cores))).toEqual([1, 2, 4]);
    expect([frontsWanted("", 3), frontsWanted("1", 8), frontsWanted("12", 2)]).toEqual([3, 1, 12]);
    for (const none of ["0", "-1", "two", "1.5", "100"]) expect(() => frontsWanted(none)).toThrow("SUMMANT_FRONTS");
  });

  it("are handed connections in turn; who comes before any is there waits for it", async () => {
    const { port } = await opened(TELLS_ITSELF, 3);
    await vi.waitFor(async () => expect(await told(port)).toMatch(/^\d+$/), PATIENTLY);
    await vi.waitFor(async () => {
      const answers = await Promise.all(Array.from({ length: 9 }, () => told(port)));
      const times = [...new Set(answers)].map((one) => answers.filter((other) => other === one).length);
      expect(times).toEqual([3, 3, 3]);
    }, PATIENTLY);
  });

  it("that end with a connection in their hands leave nobody waiting for ever, and are started again", async () => {
    const { port, given } = await opened(takes('process.kill(process.pid, "SIGKILL");'), 1);
    for (let i = 0; i < 3; i += 1) expect(await told(port)).toBe("ECONNRESET");
    expect(given.up).toBe(0);
  });

  it("that end while connections wait behind another hand those on", async () => {
    // The first that has one is busy with it for a while, so that the others stand behind it, and then ends.
    const marker = JSON.stringify(join(folder, "ended-once"));
    const program = `import { existsSync, writeFileSync } from "node:fs"; ${takes(`
      if (existsSync(${marker})) { process.send({ taken: message.connection }); socket.end("by the next"); return; }
      writeFileSync(${marker}, "");
      for (const until = Date.now() + 300; Date.now() < until; );
      process.kill(process.pid, "SIGKILL");`)}`;
    const { port } = await opened(program, 1);
    const answers = await Promise.all(Array.from({ length: 5 }, () => told(port)));
    // The one it had, and the one that was sent after it: whether that has been read nobody can tell.
    expect(answers.sort()).toEqual([...twice("ECONNRESET"), ...twice("by the next"), "by the next"]);
  });

  it("are given up where the first cannot be started, or one ends at once again and again", async () => {
    const { given } = await opened("process.exit(1)", 1);
    await vi.waitFor(() => expect(given.up).toBeGreaterThan(0), PATIENTLY);
  });
});
