import { spawn } from "node:child_process";
import { once } from "node:events";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { setPriority, tmpdir } from "node:os";
import { join } from "node:path";
import { setTimeout as pause } from "node:timers/promises";
import { fileURLToPath } from "node:url";
import autocannon from "autocannon";
import { Pool } from "undici";
import { entitiesOf } from "../../core/plan/entities.ts";
import { prepareDatabase, startApp } from "../../scripts/setup/app-server.mjs";
import { needBuild } from "../../scripts/setup/build.mjs";
import { freePort, startDatabase } from "../../scripts/setup/database.mjs";
import { MARIADB, needDebianPackages } from "../../scripts/setup/debian-packages.mjs";
import { makeKey, signInBy } from "../../scripts/setup/sign-in.mjs";
import { largeStore } from "../browser/large-store.ts";
import { median } from "../median.ts";

// Quotes over HTTP from the real app with the demo: against a bare server of node's that parses the same bodies and writes the
// same bytes, with the load generator beside both; by a clock at half the top rate; and while change-sets of 8 MiB come in.
const root = fileURLToPath(new URL("../../", import.meta.url));
const folder = mkdtempSync(join(tmpdir(), "bench-http-"));
const REQUESTS = ["below-goal", "alaska", "berlin-guest", "london-by-weight"];
/** As shops ask: now. What windows held before yesterday is not kept by the server. */
const at = new Date().toISOString();
const bodyOf = (name: string) =>
  Buffer.from(JSON.stringify({ ...JSON.parse(readFileSync(join(root, `demo/requests/${name}.json`), "utf8")), at }));
const MANY_BYTES = 8 * 1024 * 1024;

needDebianPackages(MARIADB);
await needBuild(root);
const database = await startDatabase(folder);
const link = prepareDatabase(root, database.url, { resetDemo: true });
const app = await startApp(root, database.url, await freePort());
const cookie = await signInBy(app.address, link);
const AS_SHOP = { "content-type": "application/json", authorization: await makeKey(app.address, cookie) };
try {
  for (const name of REQUESTS) await againstBare(name);
  await besideLargeBodies(await byTheClock());
} finally {
  await app.stop();
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}

/** Asks for some seconds, by eight connections as fast as they are answered. @returns answers a second */
async function load(address: string, name: string, seconds: number): Promise<number> {
  const result = await autocannon({
    url: `${address}/api/quote`,
    method: "POST",
    headers: AS_SHOP,
    body: bodyOf(name),
    connections: 8,
    duration: seconds,
  });
  if (result.non2xx + result.errors + result.timeouts > 0) throw new Error(`${name}: not all were answered`);
  return result.requests.average;
}

/** Milliseconds that one answer takes, from the moment it was due. */
async function timed(pool: Pool, body: Buffer, due: number): Promise<number> {
  const answer = await pool.request({ path: "/api/quote", method: "POST", headers: AS_SHOP, body });
  await answer.body.dump();
  return performance.now() - due;
}

/** Milliseconds, at half the top rate of that moment. */
type Paced = { readonly p50: number; readonly p99: number; readonly topRate: number };

/**
 * Asks by a clock at half the top rate, whether the ones before have been answered or not.
 *
 * @returns percentiles of each second, and of those the median: what else the machine does comes in bursts. In the first second what
 * asks is not up to its speed yet
 */
async function paced(seconds: number, topRate: number): Promise<Paced> {
  const body = bodyOf(REQUESTS[0] ?? "");
  // A light client, or it would be measured itself. Of its own: connections that have been idle since are being closed just when they are used again.
  const pool = new Pool(app.address, { connections: 64 });
  const every = 2000 / topRate;
  const began = performance.now();
  const times = Array.from({ length: seconds + 1 }, (): Promise<number>[] => []);
  for (let due = began; due < began + times.length * 1000; ) {
    for (; due <= performance.now(); due += every)
      times[Math.floor((due - began) / 1000)]?.push(timed(pool, body, due));
    await pause(1);
  }
  const sorted = await Promise.all(times.map(async (second) => (await Promise.all(second)).sort((a, b) => a - b)));
  await pool.close();
  const percentile = (share: number) =>
    median(sorted.slice(1).map((second) => second[Math.floor(second.length * share)] ?? 0));
  return { p50: percentile(0.5), p99: percentile(0.99), topRate };
}

async function againstBare(name: string): Promise<void> {
  const answer = await fetch(`${app.address}/api/quote`, {
    method: "POST",
    headers: AS_SHOP,
    body: bodyOf(name),
  });
  const file = join(folder, "answer.json");
  writeFileSync(file, Buffer.from(await answer.arrayBuffer()));
  const bare = spawn(process.execPath, [fileURLToPath(new URL("./bare.mjs", import.meta.url)), file], {
    stdio: ["ignore", "pipe", "inherit"],
  });
  try {
    const [line] = await once(bare.stdout, "data");
    const address = `http://127.0.0.1:${String(line).trim()}`;
    // Both warm; then second by second, turn and turn about: the machine may change its speed between two of them.
    await load(app.address, name, 3);
    await load(address, name, 3);
    const rates = { bare: [] as number[], ours: [] as number[], ratio: [] as number[] };
    for (let round = 0; round < 9; round += 1) {
      const [ours, plain] = [await load(app.address, name, 1), await load(address, name, 1)];
      rates.ours.push(ours);
      rates.bare.push(plain);
      rates.ratio.push(ours / plain);
    }
    const [ours, plain] = [median(rates.ours), median(rates.bare)];
    console.log(
      `quotes over HTTP / a bare server, ${name}: ${median(rates.ratio).toFixed(2)}  (${ours.toFixed(0)} and ${plain.toFixed(0)} a second; 0.4 wanted)`,
    );
  } finally {
    bare.kill();
  }
}

async function byTheClock(): Promise<Paced> {
  const rounds: Paced[] = [];
  for (let round = 0; round < 3; round += 1) rounds.push(await paced(4, await load(app.address, REQUESTS[0] ?? "", 2)));
  const of = (which: keyof Paced) => median(rounds.map((one) => one[which]));
  const [p50, p99, topRate] = [of("p50"), of("p99"), of("topRate")];
  const ratio = median(rounds.map((one) => one.p99 / one.p50));
  console.log(
    `at half the top rate, arrivals by a clock, 99th percentile / median: ${ratio.toFixed(1)}  (${p99.toFixed(2)} and ${p50.toFixed(2)} ms at ${(topRate / 2).toFixed(0)} a second; 5 wanted)`,
  );
  return { p50, p99, topRate };
}

/** The large store's entities, its zones over and over under other ids, as JSON of nearly as many bytes as are taken. */
function largeChangeSet(): string {
  const writes = entitiesOf(largeStore()).map(({ kind, id, body }) => ({ kind, id, seen: 0, body }));
  const zones = writes.filter(({ kind }) => kind === "zone");
  const [all, one] = [JSON.stringify({ writes }).length, JSON.stringify(zones).length];
  const copies = Math.floor((MANY_BYTES * 0.95 - all) / (one * 1.02));
  const more = Array.from({ length: copies }, (_, i) => zones.map((zone) => ({ ...zone, id: `${zone.id}-${i}` })));
  return JSON.stringify({ writes: [...writes, ...more.flat()] });
}

async function besideLargeBodies(alone: Paced): Promise<void> {
  const text = largeChangeSet();
  const file = join(folder, "changes.json");
  writeFileSync(file, text);
  // From a process of their own: what sends them would hold the clock up.
  const sender = spawn(process.execPath, [
    fileURLToPath(new URL("./send-many.mjs", import.meta.url)),
    `${app.address}/api/draft/changes`,
    file,
    "20",
    cookie,
  ]);
  // As if it stood elsewhere.
  setPriority(sender.pid ?? 0, 19);
  const sent = once(sender.stdout, "data");
  const { p99 } = await paced(10, alone.topRate);
  const [statuses] = await sent;
  console.log(
    `99th percentile beside twenty change-sets of ${(text.length / 1024 / 1024).toFixed(1)} MiB / alone: ${(p99 / alone.p99).toFixed(1)}  (${p99.toFixed(2)} and ${alone.p99.toFixed(2)} ms; answered ${String(statuses).trim()}; 5 wanted)`,
  );
}
