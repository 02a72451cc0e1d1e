// npm run test:kill: the app and the database are killed (kill -9) while saves are in flight, fifty times.
import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { prepareDatabase, startApp } from "./setup/app-server.mjs";
import { needBuild } from "./setup/build.mjs";
import { freePort, startDatabase } from "./setup/database.mjs";
import { CHROMIUM, MARIADB, needDebianPackages } from "./setup/debian-packages.mjs";
import { needNodePackages } from "./setup/node-packages.mjs";
import { say } from "./setup/say.mjs";

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
  const totals = { acknowledged: 0, unanswered: 0, databaseKills: 0, pageSaves: 0, claims: 0 };
  mkdirSync(folder, { recursive: true });
  let database = await startDatabase(folder);
  const { url, port: databasePort } = database;
  prepareDatabase(root, url, true);
  let app = await startApp(root, url, await freePort());
  const { address } = app;
  const appPort = Number(new URL(address).port);
  const { chromium } = await import("@playwright/test");
  const { BROWSER } = await import("../e2e/browser.mjs");
  const browser = await chromium.launch(BROWSER);
  try {
    const page = await browser.newPage();
    await page.goto(`${address}/offers`);
    const flag = page.getByRole("slider", { name: "Goal of Free standard delivery" });
    await flag.waitFor();
    const saves = page.getByRole("status").first();

    for (let round = 1; round <= rounds; round += 1) {
      const writers = await writersFor(address);
      const stopped = { now: false };
      const before = totals.acknowledged;
      const running = writers.map((writer) => keepSaving(address, writer, stopped, totals));
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
      const draft = await (await fetch(`${address}/api/draft`)).json();
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
      const after = await (await fetch(`${address}/api/draft`)).json();
      const offer = after.entities.find((entity) => entity.kind === "offer" && entity.id === "free-standard");
      const typed = Number(offer.body.steps[0].trigger.goal.at.byCurrency.EUR) * 100;
      if (Math.round(typed) < goal) faults.push(`round ${round}: the page's goal of ${goal} is ${typed} in the draft`);
      else totals.pageSaves += 1;
    }
    const limit = await claimsThroughAKill(address, async () => {
      process.kill(app.pid, "SIGKILL");
      await app.ended;
      app = await startApp(root, url, appPort);
    });
    faults.push(...limit.faults);
    totals.claims = limit.claimed;
  } finally {
    await browser.close();
    await app.stop();
    await database.stop();
  }
  const lines = [
    `kill -9: ${rounds} rounds, ${totals.databaseKills} of them of MariaDB too; ${totals.acknowledged} saves acknowledged and all there, ` +
      `${totals.unanswered} cut off; the open page saved by itself ${totals.pageSaves} times`,
    `claims: 400 at once for an offer of 100, the app killed meanwhile, all asked again: ${totals.claims} claimed`,
    ...faults,
  ];
  return { lines, faults };
}

const post = (address, path, body) =>
  fetch(`${address}${path}`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });

/** 400 orders claim an offer that 100 may have; the app is killed in the middle, started again, and all ask once more. */
async function claimsThroughAKill(address, killAndStart) {
  const draft = await (await fetch(`${address}/api/draft`)).json();
  const { revision, body } = draft.entities.find(({ kind, id }) => kind === "offer" && id === "newsletter");
  const write = { kind: "offer", id: "newsletter", seen: revision, body: { ...body, limits: { overall: 100 } } };
  const { sequence } = await (await post(address, "/api/draft/changes", { writes: [write] })).json();
  await post(address, "/api/releases", { sequence });
  const orders = Array.from({ length: 400 }, (_, i) => `order-${i}`);
  const ask = () =>
    Promise.all(
      orders.map((order) =>
        post(address, "/api/redemptions", { order, offers: ["newsletter"] }).then(
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
  const { uses } = await (await fetch(`${address}/api/redemptions`)).json();
  const faults = [
    ...lost.map((order) => `${order} was acknowledged and is not there after the kill`),
    ...(claimed === 100 && uses.newsletter === 100
      ? []
      : [`${claimed} claims hold, ${uses.newsletter} are counted, of 100`]),
  ];
  return { claimed, faults };
}

/** A writer for each zone and option, so that none is in another's way. */
async function writersFor(address) {
  const { entities } = await (await fetch(`${address}/api/draft`)).json();
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
async function keepSaving(address, writer, stopped, totals) {
  while (!stopped.now) {
    writer.tried = writer.acknowledged + 1;
    const body = { ...writer.body, position: writer.tried };
    const writes = [{ kind: writer.kind, id: writer.id, seen: writer.revision, body }];
    try {
      const response = await fetch(`${address}/api/draft/changes`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ writes }),
      });
      if (!response.ok) {
        totals.unanswered += 1;
        return;
      }
      const { entities } = await response.json();
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
