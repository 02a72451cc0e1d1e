import { type ChildProcess, spawn } from "node:child_process";
import { createServer } from "node:net";
import { fileURLToPath } from "node:url";
import { afterEach, describe, expect, it } from "vitest";

const root = fileURLToPath(new URL("../", import.meta.url));
let running: ChildProcess | undefined;

afterEach(() => {
  running?.kill("SIGKILL");
  running = undefined;
});

/** Runs the start command against the tests' own database, so that it leaves the user's alone. */
function start(...args: string[]) {
  const child = spawn(process.execPath, ["scripts/start.mjs", ...args], {
    cwd: root,
    stdio: ["ignore", "pipe", "inherit"],
  });
  running = child;
  let printed = "";
  const ended = new Promise<number | null>((resolve) => child.once("exit", resolve));
  const said = (what: RegExp) =>
    new Promise<RegExpExecArray>((resolve, reject) => {
      const look = () => {
        const match = what.exec(printed);
        if (match) resolve(match);
      };
      child.stdout.on("data", (chunk: Buffer) => {
        printed += chunk.toString("utf8");
        look();
      });
      child.once("exit", () => reject(new Error(`ended without saying ${what}: ${printed}`)));
      look();
    });
  return { child, said, ended };
}

describe("npm start", () => {
  it("prints an address that answers, on 127.0.0.1 only, and stops cleanly on Ctrl+C", async () => {
    const { child, said, ended } = start("--reset-demo");
    const [, address = ""] = await said(/Summant: (http:\/\/127\.0\.0\.1:\d+)/);
    const page = await fetch(`${address}/offers`);
    expect(page.status).toBe(200);
    expect(page.headers.get("x-content-type-options")).toBe("nosniff");
    expect((await fetch(`${address}/api/draft`)).status).toBe(200);
    child.kill("SIGINT");
    expect(await ended).toBe(0);
    await expect(fetch(address)).rejects.toThrow();
  });

  it("says so when the port asked for is taken, and starts nothing", async () => {
    const taken = createServer().listen(0, "127.0.0.1");
    await new Promise((resolve) => taken.once("listening", resolve));
    const address = taken.address();
    const port = typeof address === "object" && address ? address.port : 0;
    const { said, ended } = start("--port", String(port));
    await said(new RegExp(`Port ${port} is taken`));
    expect(await ended).toBe(1);
    taken.close();
  });

  it.each([
    ["--port", "70000"],
    ["--port", "x"],
    ["--colour", "blue"],
  ])("explains itself when called with %s %s", async (...args) => {
    const { said, ended } = start(...args);
    await said(/usage: npm start/);
    expect(await ended).toBe(1);
  });
});
