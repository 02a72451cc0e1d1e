import { type ChildProcess, execFile, spawn } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { promisify } from "node:util";
import { afterAll, afterEach, describe, expect, it } from "vitest";
import { databaseUrl } from "../server/database/pool.ts";

const root = fileURLToPath(new URL("../", import.meta.url));
const folder = mkdtempSync(join(tmpdir(), "summant-start-"));
const running: ChildProcess[] = [];

afterEach(async () => {
  // Asked to stop, it takes with it what it has started.
  for (const child of running.splice(0)) {
    if (child.exitCode !== null || child.signalCode !== null) continue;
    child.kill("SIGTERM");
    await new Promise((resolve) => child.once("exit", resolve));
  }
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Runs the start command with a folder of the tests and, unless told otherwise, their database, so that it leaves the user's alone. */
function start(args: readonly string[] = [], settings: Record<string, string | undefined> = {}) {
  const child = spawn(process.execPath, ["scripts/start.mjs", ...args], {
    cwd: root,
    stdio: ["ignore", "pipe", "pipe"],
    env: { ...process.env, SUMMANT_DATA: folder, ...settings },
  });
  running.push(child);
  let printed = "";
  child.stderr.on("data", (chunk: Buffer) => {
    printed += chunk.toString("utf8");
  });
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
  return { child, said, ended, printed: () => printed };
}

/** A folder and a MariaDB of its own, as users have them: filled by the first start, which takes long. */
const own = { SUMMANT_DATA: join(folder, "own"), SUMMANT_DATABASE_URL: undefined };

const ADDRESS = /Summant: (http:\/\/127\.0\.0\.1:\d+)/;
const WAY_IN = /Sign in, once: (http:\/\/127\.0\.0\.1:\d+)\/sign-in#(\S+)/;
const answers = (address: string) => fetch(`${address}/api/health`).then(({ ok }) => ok);

describe("npm start", () => {
  it("begins anew where a first start was killed, with the demo as it ships, and starts MariaDB again when it dies", async () => {
    const killed = start([], own);
    await killed.said(/Creating the database directory/);
    killed.child.kill("SIGKILL");
    await killed.ended;
    const { said, printed } = start(["--reset-demo"], own);
    const [, address = ""] = await said(WAY_IN);
    expect(printed()).toMatch(/loaded the demo store\n.*loaded \d+ past orders of the demo store/);
    const pid = Number(readFileSync(join(own.SUMMANT_DATA, "mariadb", "mariadbd.pid"), "utf8"));
    process.kill(pid, "SIGKILL");
    await said(/MariaDB ended by itself; it is started again\.[\s\S]*MariaDB runs again\./);
    expect(await answers(address)).toBe(true);
  });

  it("prints an address that answers, on 127.0.0.1 only, and stops cleanly on Ctrl+C", async () => {
    const { child, said, ended } = start([], own);
    const [, address = ""] = await said(/Summant: (http:\/\/127\.0\.0\.1:\d+)/);
    const page = await fetch(`${address}/offers`);
    expect(page.url).toBe(`${address}/sign-in?to=%2Foffers`);
    expect(page.status).toBe(200);
    expect(page.headers.get("x-content-type-options")).toBe("nosniff");
    expect((await fetch(`${address}/api/draft`)).status).toBe(401);
    child.kill("SIGINT");
    expect(await ended).toBe(0);
    await expect(fetch(address)).rejects.toThrow();
  });

  it("prints a link that signs in once, and a later one for whoever holds the machine, until somebody has a password", async () => {
    const first = start([], own);
    const [, address = "", token = ""] = await first.said(WAY_IN);
    const post = (path: string, body: object, cookie = "") =>
      fetch(address + path, {
        method: "POST",
        headers: { "content-type": "application/json", cookie },
        body: JSON.stringify(body),
      });
    const use = (of: string, password?: string) => post("/api/sign-in/link", { do: "use", token: of, password });
    const signedIn = await use(token);
    expect([signedIn.status, (await use(token)).status]).toEqual([200, 410]);
    const cookie = signedIn.headers.getSetCookie()[0]?.split(";")[0] ?? "";
    const draft = await fetch(`${address}/api/draft`, { headers: { cookie } });
    expect(draft.status).toBe(200);
    // Not waited for in one piece: what the app closes meanwhile has to be noticed.
    const person = await promisify(execFile)(process.execPath, ["bin/summant", "person", "Ana Reis"], {
      cwd: root,
      env: { ...process.env, ...own },
    });
    expect(person.stderr).toBe("");
    const [link = "", made = ""] = /^http:.*#(\S+)\n$/.exec(person.stdout) ?? [];
    expect(link).toContain(`${address}/sign-in#`);
    expect((await use(made, "eleven paper lanterns")).status).toBe(200);
    first.child.kill("SIGINT");
    await first.ended;
    const later = start([], own);
    await later.said(/Sign in by your name and password; where they are lost: bin\/summant person NAME/);
    expect(later.printed()).not.toContain("sign-in#");
  });

  it("says so when the port asked for is taken, and starts nothing", async () => {
    const taken = createServer().listen(0, "127.0.0.1");
    await new Promise((resolve) => taken.once("listening", resolve));
    const address = taken.address();
    const port = typeof address === "object" && address ? address.port : 0;
    const { said, ended } = start(["--port", String(port)]);
    await said(new RegExp(`Port ${port} is taken`));
    expect(await ended).toBe(1);
    taken.close();
  });

  it("says that it runs already and where, and touches nothing; what a killed one left behind is ended by the next", async () => {
    const first = start([], own);
    const [, address = ""] = await first.said(ADDRESS);
    const second = start([], own);
    await second.said(new RegExp(`Summant runs already: ${address} \\(process ${first.child.pid}\\)`));
    expect(await second.ended).toBe(0);
    expect(await answers(address)).toBe(true);
    first.child.kill("SIGKILL");
    await first.ended;
    const third = start([], own);
    await third.said(/Stopping the app that an earlier start left running/);
    const [, next = ""] = await third.said(ADDRESS);
    expect(await answers(next)).toBe(true);
    if (next !== address) await expect(fetch(address)).rejects.toThrow();
  });

  it("says in a sentence what is wrong with a folder or a database, and what to do", async () => {
    const file = join(folder, "a-file");
    writeFileSync(file, "");
    const inFile = start([], { SUMMANT_DATA: file });
    await inFile.said(/a-file cannot be written \(EEXIST\): let this user write there, or set SUMMANT_DATA\./);
    expect(await inFile.ended).toBe(1);
    const { password, host } = new URL(databaseUrl());
    for (const [url, sentence] of [
      ["nowhere", /SUMMANT_DATABASE_URL is no address: mysql:/],
      ["mysql://nobody:x@127.0.0.1:1/summant", /cannot be reached \(ECONNREFUSED\): check host and port/],
      [`mysql://summant:wrong@${host}/summant`, /does not let summant in: check name, password and database/],
      [`mysql://summant:${password}@${host}/elsewhere`, /does not let summant in|elsewhere/],
    ] as const) {
      const wrong = start([], { SUMMANT_DATABASE_URL: url });
      expect(await wrong.ended).toBe(1);
      expect(wrong.printed()).toMatch(sentence);
      expect(wrong.printed()).not.toMatch(/\n {4}at /);
    }
  });

  it.each([
    ["--port", "70000"],
    ["--port", "x"],
    ["--colour", "blue"],
  ])("explains itself when called with %s %s", async (...args) => {
    const { said, ended } = start(args);
    await said(/usage: npm start/);
    expect(await ended).toBe(1);
  });
});
