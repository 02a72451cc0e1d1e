// npm run test:kill: the app and the database are killed (kill -9) while saves are in flight, fifty times.
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { Agent, request } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { prepareDatabase, startApp } from "./setup/app-server.mjs";
import { needBuild } from "./setup/build.mjs";
import { freePort, startDatabase } from "./setup/database.mjs";
import { CHROMIUM, MARIADB, needDebianPackages } from "./setup/debian-packages.mjs";
import { needNodePackages } from "./setup/node-packages.mjs";
import { say } from "./setup/say.mjs";
import { makeKey } from "./setup/sign-in.mjs";

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Kills the app in every round, the database in every second one, at a moment drawn at random while several writers save
 * and a page has an edit of its own under way; starts them again, and looks whether the draft is whole, every acknowledged
 * save is there, and the page has saved its edit by itself.
 *
 * @returns lines to print, and what was found wrong
 */
export async function killRounds(root, folder, rounds) {
  const faults = [];
  const totals = {
    acknowledged: 0,
    unanswered: 0,
    databaseKills: 0,
    pageSaves: 0,
    claims: 0,
    logged: 0,
    keys: 0,
    fronts: 0,
    quotes: 0,
  };
  mkdirSync(folder, { recursive: true });
  let database = await startDatabase(folder);
  const { url, port: databasePort } = database;
  const link = prepareDatabase(root, url, { resetDemo: true });
  // Two fronts at least, however few cores there are.
  process.env.SUMMANT_FRONTS ??= "2";
  let app = await startApp(root, url, await freePort());
  const { address } = app;
  const appPort = Number(new URL(address).port);
  const { chromium } = await import("@playwright/test");
  const { BROWSER } = await import("./setup/browser.mjs");
  const { cookieIn, signInAtFirst } = await import("./setup/sign-in-by-browser.mjs");
  const browser = await chromium.launch(BROWSER);
  try {
    const state = await signInAtFirst(browser, address, link);
    const store = { address, cookie: cookieIn(state), key: await makeKey(address, cookieIn(state)) };
    const kept = { keys: new Set(), revoked: new Set(), sequences: new Set() };
    const page = await browser.newPage({ storageState: state });
    await page.goto(`${address}/offers`);
    const flag = page.getByRole("slider", { name: "Goal of Free standard delivery" });
    await flag.waitFor();
    const saves = page.getByRole("status").first();

    for (let round = 1; round <= rounds; round += 1) {
      const writers = await writersFor(store);
      const stopped = { now: false };
      const before = totals.acknowledged;
      const running = writers.map((writer) => keepSaving(store, writer, stopped, totals, kept.sequences));
      running.push(keepMakingKeys(store, round, stopped, kept));
      await flag.press("ArrowRight");
      const goal = Number(await flag.getAttribute("aria-valuenow"));
      // Once saves are on their way: an app that has just been started takes a while for the first.
      for (let tries = 0; totals.acknowledged === before && tries < 100; tries += 1) await wait(50);
      await wait(60 + Math.random() * 500);
      const killsDatabase = round % 2 === 0;
      process.kill(app.pid, "SIGKILL");
      if (killsDatabase) {
        totals.databaseKills += 1;
        process.kill(database.pid, "SIGKILL");
        await database.ended;
      }
      await app.ended;
      stopped.now = true;
      await Promise.all(running);

      if (killsDatabase) database = await startDatabase(folder, databasePort);
      app = await startApp(root, url, appPort);
      const draft = await read(store, "/api/draft");
      faults.push(...(await keysAfter(store, kept)).map((fault) => `round ${round}: ${fault}`));
      if (!Array.isArray(draft.entities) || draft.entities.length < writers.length)
        faults.push(`round ${round}: the draft is not whole: ${JSON.stringify(draft).slice(0, 200)}`);
      for (const { kind, id, acknowledged, tried } of writers) {
        const stored = draft.entities?.find((entity) => entity.kind === kind && entity.id === id)?.body.position;
        // What was under way when the kill came may or may not be there; what was acknowledged has to be.
        if (stored !== acknowledged && stored !== tried)
          faults.push(
            `round ${round}: ${kind} ${id} stands at ${stored}, acknowledged was ${acknowledged}, tried ${tried}`,
          );
      }
      await saves.getByText("Saved", { exact: true }).waitFor({ timeout: 20_000 });
      const after = await read(store, "/api/draft");
      const offer = after.entities.find((entity) => entity.kind === "offer" && entity.id === "free-standard");
      const typed = Number(offer.body.steps[0].trigger.goal.at.byCurrency.EUR) * 100;
      if (Math.round(typed) < goal) faults.push(`round ${round}: the page's goal of ${goal} is ${typed} in the draft`);
      else totals.pageSaves += 1;
    }
    const fronts = await frontsThroughKills(store, app.pid);
    faults.push(...fronts.faults);
    faults.push(...(await logAfter(store, kept)));
    totals.logged = kept.sequences.size;
    totals.keys = kept.keys.size;
    const limit = await claimsThroughAKill(store, async () => {
      process.kill(app.pid, "SIGKILL");
      await app.ended;
      app = await startApp(root, url, appPort);
    });
    faults.push(...limit.faults);
    totals.claims = limit.claimed;
    totals.fronts = fronts.killed;
    totals.quotes = fronts.answered;
  } finally {
    await browser.close();
    await app.stop();
    await database.stop();
  }
  const lines = [
    `kill -9: ${rounds} rounds, ${totals.databaseKills} of them of MariaDB too; ${totals.acknowledged} saves acknowledged and all there, ` +
      `${totals.unanswered} cut off; the open page saved by itself ${totals.pageSaves} times`,
    `sessions, keys and log: the session and a key held throughout, ${totals.keys} keys made or revoked meanwhile are as acknowledged, ` +
      `${totals.logged} change-sets stand in the log`,
    `claims: 400 at once for an offer of 100, the app killed meanwhile, all asked again: ${totals.claims} claimed`,
    `fronts: each killed twice, ${totals.fronts} kills, while shops asked; ${totals.quotes} quotes answered by the others meanwhile`,
    ...faults,
  ];
  return { lines, faults };
}

/** Whoever runs the store posts; claims are a shop's. */
const post = ({ address, cookie, key }, path, body) =>
  fetch(`${address}${path}`, {
    method: "POST",
    headers: {
      "content-type": "application/json",
      ...(path === "/api/redemptions" ? { authorization: key } : { cookie }),
    },
    body: JSON.stringify(body),
  });

const read = async ({ address, cookie }, path) => (await fetch(address + path, { headers: { cookie } })).json();

/** Makes keys and revokes every second one, again and again, until told to stop or no answer comes. */
async function keepMakingKeys(store, round, stopped, { keys, revoked }) {
  for (let i = 0; !stopped.now; i += 1) {
    const name = `round ${round}, ${i}`;
    try {
      const made = await post(store, "/api/keys", { do: "make", name, rights: ["quote"], aSecond: 1 });
      if (!made.ok) return;
      keys.add(name);
      if (i % 2 === 0) continue;
      const { number } = (await read(store, "/api/keys")).keys.find((one) => one.name === name);
      if (!(await post(store, "/api/keys", { do: "revoke", key: number })).ok) return;
      revoked.add(name);
    } catch {
      return;
    }
  }
}

/** What is not as it was acknowledged, of keys; that they can be read at all says that the session holds. */
async function keysAfter(store, { keys, revoked }) {
  const listed = new Map((await read(store, "/api/keys")).keys.map((key) => [key.name, key]));
  const asked = await fetch(`${store.address}/api/redemptions`, {
    method: "POST",
    headers: { "content-type": "application/json", authorization: store.key },
    body: "{}",
  });
  return [
    ...(asked.status === 422 ? [] : [`the shop's key is answered ${asked.status}`]),
    ...[...keys].filter((name) => !listed.has(name)).map((name) => `the key ${name} is gone`),
    ...[...revoked].filter((name) => listed.get(name)?.revokedAt === null).map((name) => `the key ${name} holds again`),
  ];
}

/** Change-sets that were acknowledged and stand in no line of the log, and keys nobody is said to have made. */
async function logAfter(store, { sequences, keys }) {
  const lines = [];
  for (let before = ""; ; ) {
    const page = await read(store, `/api/log?part=changes&part=people${before && `&before=${before}`}`);
    lines.push(...page.lines);
    if (!page.hasMore) break;
    before = page.lines.at(-1).at;
  }
  const logged = new Set(lines.map(({ sequence }) => sequence));
  const made = new Set(lines.filter(({ what }) => what === "key-made").map(({ about }) => about.split(" (")[0]));
  return [
    ...[...sequences].filter((one) => !logged.has(one)).map((one) => `change-set ${one} is not in the log`),
    ...[...keys].filter((name) => !made.has(name)).map((name) => `the log does not say who made the key ${name}`),
    ...lines
      .filter(({ by }) => by !== "Keeper" && by !== "demo" && by !== "this machine")
      .map(({ by }) => `the log names ${by}`),
  ];
}

/** 400 orders claim an offer that 100 may have; the app is killed in the middle, started again, and all ask once more. */
async function claimsThroughAKill(store, killAndStart) {
  const draft = await read(store, "/api/draft");
  const { revision, body } = draft.entities.find(({ kind, id }) => kind === "offer" && id === "newsletter");
  const write = { kind: "offer", id: "newsletter", seen: revision, body: { ...body, limits: { overall: 100 } } };
  const { sequence } = await (await post(store, "/api/draft/changes", { writes: [write] })).json();
  await post(store, "/api/releases", { sequence });
  const orders = Array.from({ length: 400 }, (_, i) => `order-${i}`);
  const ask = () =>
    Promise.all(
      orders.map((order) =>
        post(store, "/api/redemptions", { order, offers: ["newsletter"] }).then(
          (response) => response.ok,
          () => false,
        ),
      ),
    );
  const first = ask();
  await wait(250 + Math.random() * 300);
  await killAndStart();
  const acknowledged = await first;
  const again = await ask();
  const lost = orders.filter((_, i) => acknowledged[i] && !again[i]);
  const claimed = again.filter(Boolean).length;
  const { uses } = await read(store, "/api/redemptions");
  const faults = [
    ...lost.map((order) => `${order} was acknowledged and is not there after the kill`),
    ...(claimed === 100 && uses.newsletter === 100
      ? []
      : [`${claimed} claims hold, ${uses.newsletter} are counted, of 100`]),
  ];
  return { claimed, faults };
}

const CLOSED = new Set(["ECONNRESET", "EPIPE", "ECONNREFUSED"]);
/** Nobody waits longer, in milliseconds. */
const LONGEST = 5000;

/** Each front is killed twice while shops ask, over connections kept and new ones: who is answered by another notices nothing. */
async function frontsThroughKills({ address, key }, app) {
  const faults = [];
  const body = readFileSync(new URL("../demo/requests/below-goal.json", import.meta.url));
  const headers = { "content-type": "application/json", authorization: key };
  const seen = { asking: true, answered: 0, cutOff: 0 };
  const shop = async (agent) => {
    while (seen.asking) {
      const status = await new Promise((resolve) => {
        const asked = request(
          `${address}/api/quote`,
          { method: "POST", headers, agent, timeout: LONGEST },
          (answer) => {
            answer.resume().once("end", () => resolve(answer.statusCode));
            answer.once("error", (error) => resolve(error.code));
          },
        );
        asked.once("timeout", () => resolve("not at all"));
        asked.once("error", (error) => resolve(error.code)).end(body);
      });
      if (status === 200) seen.answered += 1;
      else if (CLOSED.has(status)) seen.cutOff += 1;
      else faults.push(`while a front was killed, a quote was answered ${status}`);
      if (faults.length > 10) return;
    }
    agent.destroy();
  };
  const [keeping, anew] = [{ keepAlive: true, maxSockets: 1 }, { maxSockets: 1 }];
  const shops = [keeping, keeping, keeping, keeping, anew, anew].map((kind) => shop(new Agent(kind)));
  const fronts = frontsOf(app);
  const kills = [...fronts.keys(), ...fronts.keys()];
  for (const which of kills) {
    await wait(200 + Math.random() * 200);
    process.kill(frontsOf(app)[which] ?? 0, "SIGKILL");
    const before = seen.answered;
    await wait(500);
    if (seen.answered === before) faults.push("while a front was gone, nobody was answered");
    // Until it is there again, and connections come to it.
    for (let tries = 0; readyFronts(app) < fronts.length && tries < 400; tries += 1) await wait(50);
    await wait(300);
  }
  seen.asking = false;
  await Promise.all(shops);
  if (fronts.length < 2) faults.push("there is one front alone");
  if (frontsOf(app).length !== fronts.length) faults.push(`of ${fronts.length} fronts, ${frontsOf(app).length} run`);
  // One request a connection at most; and somebody has to notice, or none was killed.
  if (seen.cutOff === 0 || seen.cutOff > kills.length * shops.length) faults.push(`${seen.cutOff} were cut off`);
  return { killed: kills.length, answered: seen.answered, faults };
}

/** The processes of the fronts: what the app's own process has started, but for the desk. */
function frontsOf(app) {
  const children = readFileSync(`/proc/${app}/task/${app}/children`, "utf8").trim().split(" ").map(Number);
  return children.filter((child) => {
    try {
      return readFileSync(`/proc/${child}/cmdline`, "utf8").includes("front.mjs");
    } catch {
      return false;
    }
  });
}

/** How many of them listen, which is when they know what to answer. */
function readyFronts(app) {
  const folder = readdirSync(tmpdir()).find((name) => name.startsWith(`summant-${app}-`));
  return frontsOf(app).filter((front) => existsSync(join(tmpdir(), folder ?? "", `front-${front}.sock`))).length;
}

/** A writer for each zone and option, so that none is in another's way. */
async function writersFor(store) {
  const { entities } = await read(store, "/api/draft");
  return entities
    .filter(({ kind }) => kind === "zone" || kind === "option")
    .map(({ kind, id, body, revision }) => ({
      kind,
      id,
      body,
      revision,
      acknowledged: body.position,
      tried: body.position,
    }));
}

/** Saves its entity's position again and again, one more each time, until told to stop or no answer comes. */
async function keepSaving(store, writer, stopped, totals, sequences) {
  while (!stopped.now) {
    writer.tried = writer.acknowledged + 1;
    const body = { ...writer.body, position: writer.tried };
    const writes = [{ kind: writer.kind, id: writer.id, seen: writer.revision, body }];
    try {
      const response = await post(store, "/api/draft/changes", { writes });
      if (!response.ok) {
        totals.unanswered += 1;
        return;
      }
      const { entities, sequence } = await response.json();
      sequences.add(sequence);
      writer.revision = entities[0].revision;
      writer.acknowledged = writer.tried;
      totals.acknowledged += 1;
    } catch {
      totals.unanswered += 1;
      return;
    }
  }
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? "").href) {
  const root = fileURLToPath(new URL("../", import.meta.url));
  needDebianPackages([...MARIADB, ...CHROMIUM]);
  needNodePackages(root);
  await needBuild(root);
  mkdirSync(join(root, ".data"), { recursive: true });
  const throwaway = mkdtempSync(join(root, ".data", "kill-"));
  const { lines, faults } = await killRounds(root, throwaway, Number(process.argv[2] ?? 5));
  for (const line of lines) say(line);
  rmSync(throwaway, { recursive: true, force: true });
  process.exitCode = faults.length === 0 ? 0 : 1;
}
