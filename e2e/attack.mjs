// npm run test:attack: the real app, started fresh, is attacked over HTTP; a table says what came of each attack.
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { request } from "node:http";
import { connect } from "node:net";
import { join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { prepareDatabase, startApp } from "../scripts/setup/app-server.mjs";
import { needBuild } from "../scripts/setup/build.mjs";
import { freePort, startDatabase } from "../scripts/setup/database.mjs";
import { MARIADB, needDebianPackages } from "../scripts/setup/debian-packages.mjs";
import { needNodePackages } from "../scripts/setup/node-packages.mjs";
import { say } from "../scripts/setup/say.mjs";
import { makeKey, signInBy } from "../scripts/setup/sign-in.mjs";

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const JSON_TYPE = { "content-type": "application/json" };
const PROBLEM = "application/problem+json";

/** Whoever runs the store asks, shops' calls are a shop's, unless somebody else is named. */
function signedIn({ cookie, key }, path, method) {
  const isOfShops = path === "/api/quote" || (path.startsWith("/api/redemptions") && method === "POST");
  return isOfShops ? { authorization: key } : { cookie };
}
const NOBODY = {};
/** The same as lines of a request. */
const credentials = (app, path) =>
  Object.entries(signedIn(app, path, "POST"))
    .map(([name, value]) => `${name}: ${value}\r\n`)
    .join("");

/** A request as it is, whatever fetch would make of it. @returns status, headers, text and the milliseconds it took */
function ask(app, path, { method = "GET", headers: more = {}, body, as = signedIn(app, path, method) } = {}) {
  const began = performance.now();
  const headers = { ...as, ...more };
  return new Promise((resolve, reject) => {
    const sent = request(
      { host: "127.0.0.1", port: app.port, path, method, headers, setHost: !("host" in headers) },
      (answer) => {
        const parts = [];
        answer.on("data", (part) => parts.push(part));
        answer.on("end", () => {
          const { statusCode: status, headers: told } = answer;
          resolve({ status, headers: told, text: Buffer.concat(parts).toString(), ms: performance.now() - began });
        });
        answer.on("error", reject);
      },
    );
    sent.on("error", reject);
    sent.end(body);
  });
}

const post = (app, path, value, headers = {}, as) =>
  ask(app, path, {
    method: "POST",
    headers: { ...JSON_TYPE, ...headers },
    body: JSON.stringify(value),
    ...(as ? { as } : {}),
  });

/** Bytes on a connection of their own. @returns what came back until it was closed, or null when it was not within `ms` */
function raw({ port }, bytes, ms) {
  return new Promise((resolve) => {
    const socket = connect(port, "127.0.0.1");
    let text = "";
    const done = (value) => {
      socket.destroy();
      resolve(value);
    };
    socket.on("data", (part) => {
      text += part.toString("latin1");
    });
    socket.on("close", () => done(text));
    socket.on("error", () => done(text));
    setTimeout(() => done(null), ms);
    socket.write(bytes);
  });
}

class Fault extends Error {}

function must(holds, what) {
  if (!holds) throw new Fault(what);
}

/** Somebody new, signed in. @returns what they send */
async function newPerson(app, name, role) {
  const { link } = JSON.parse((await post(app, "/api/people", { do: "invite", name, role })).text);
  const used = await post(
    app,
    "/api/sign-in/link",
    { do: "use", token: link, password: "eleven paper lanterns" },
    {},
    NOBODY,
  );
  return { cookie: used.headers["set-cookie"][0].split(";")[0] };
}

/** Nobody, somebody of each role, a key for each right, one for all, one that does not hold. */
async function askersOf(app, ROLES, RIGHTS) {
  const askers = [
    { name: "nobody", as: NOBODY },
    { name: "an unknown key", as: { authorization: "Bearer summant_x" } },
    { name: "an unknown session", as: { cookie: "__Host-summant=x" } },
  ];
  for (const role of ROLES) {
    const name = `Somebody who may ${role} ${Date.now()}`;
    askers.push({ name: role, role, isKnown: true, as: await newPerson(app, name, role) });
  }
  for (const rights of [...RIGHTS.map((right) => [right]), RIGHTS]) {
    const made = await post(app, "/api/keys", { do: "make", name: rights.join(), rights, aSecond: 100_000 });
    const as = { authorization: `Bearer ${JSON.parse(made.text).secret}` };
    askers.push({ name: `a key to ${rights.join()}`, rights, isKnown: true, as });
  }
  return askers;
}

/** JSON that is nearly another: a part of it replaced, taken away, or added. */
const nearTo = (fc, value) =>
  fc.tuple(fc.nat(), fc.jsonValue(), fc.constantFrom("swap", "drop", "add")).map(([at, other, how]) => {
    const copy = structuredClone(value);
    const places = [];
    const look = (thing) => {
      for (const key of Object.keys(thing)) {
        places.push([thing, key]);
        if (typeof thing[key] === "object" && thing[key] !== null) look(thing[key]);
      }
    };
    look(copy);
    if (places.length === 0) return other;
    const [thing, key] = places[at % places.length];
    if (how === "drop") delete thing[key];
    else if (how === "swap") thing[key] = other;
    else thing[`${key}x`] = other;
    return copy;
  });

const BELOW_GOAL = JSON.parse(readFileSync(new URL("../demo/requests/below-goal.json", import.meta.url), "utf8"));
/** As shops ask, and once more of a moment that has passed: what windows held then is not kept. */
const QUOTE = { ...BELOW_GOAL, at: new Date().toISOString() };
const LONG_PAST = { ...BELOW_GOAL, at: "2026-11-20T10:00:00Z" };
const draftOf = async (app) => JSON.parse((await ask(app, "/api/draft")).text);
/** A body of the wrong form is told every place that is wrong. */
const saysWhere = ({ status, text }) =>
  status !== 422 || JSON.parse(text).errors?.every(({ pointer, detail }) => /^#(\/|$)/.test(pointer) && detail);
const isProblem = ({ headers }) => headers["content-type"] === PROBLEM;

/** What is tried: each says in a few words what came of it, or throws what did not hold. */
const ATTACKS = {
  "pictures from anywhere": async (app) => {
    const { status, ms } = await ask(app, "/_image?href=%2Ffavicon.svg&w=20000&h=20000&f=png");
    must(status === 404 && ms < 10_000, `${status} after ${ms.toFixed(0)} ms`);
    return "404";
  },
  "methods nobody decided about": async (app, { ENDPOINTS }) => {
    let tried = 0;
    for (const [pattern, methods] of Object.entries({ ...ENDPOINTS, "/offers": { GET: {} }, "/": { GET: {} } })) {
      const path = pattern.replace("[number]", "1").replace("[country]", "PT");
      for (const method of ["GET", "POST", "PUT", "PATCH", "DELETE", "OPTIONS", "TRACE", "PROPFIND"]) {
        if (method in methods) continue;
        const answer = await ask(app, path, { method });
        must(
          answer.status === 405 && isProblem(answer) && answer.headers.allow,
          `${method} ${path}: ${answer.status}, allow: ${answer.headers.allow}`,
        );
        tried += 1;
      }
    }
    return `405 with Allow, ${tried} times`;
  },
  "answers without headers of safety": async (app) => {
    const page = await ask(app, "/offers");
    const [script = ""] = /\/_astro\/[^"]+\.js/.exec(page.text) ?? [];
    const paths = ["/offers", script, "/api/health", "/api/nothing", "/nothing", "/favicon.svg"];
    for (const path of paths) {
      const { headers } = await ask(app, path);
      must(headers["x-content-type-options"] === "nosniff", `${path}: no nosniff`);
      must(/frame-ancestors 'none'/.test(headers["content-security-policy"] ?? ""), `${path}: may be framed`);
    }
    must((await post(app, "/api/quote", QUOTE)).headers["x-content-type-options"] === "nosniff", "a quote: no nosniff");
    return `${paths.length + 1} kinds of answers have them`;
  },
  "a page by another name": async (app) => {
    for (const host of ["evil.example", "127.0.0.1.evil.example", "localhost.evil.example:80"])
      for (const path of ["/offers", "/api/draft", "/favicon.svg"]) {
        const { status } = await ask(app, path, { headers: { host } });
        must(status === 421, `${path} as ${host}: ${status}`);
      }
    return "421";
  },
  "who may ask what": async (app, { ENDPOINTS, PAGES, ROLES, RIGHTS }) => {
    const everybody = await askersOf(app, ROLES, RIGHTS);
    let cells = 0;
    const dueTo = ({ role, rights, isKnown }, { who, right }) => {
      const isIn = role ? ROLES.indexOf(role) >= ROLES.indexOf(who) : rights?.includes(right);
      if (who === "anybody" || isIn) return "let in";
      return isKnown ? 403 : 401;
    };
    const asked = Object.entries(ENDPOINTS).flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, access]) => ({ path, method, access })),
    );
    for (const { path: pattern, method, access } of asked) {
      const path = pattern.replace("[number]", "1").replace("[country]", "PT");
      const body = method === "POST" ? { headers: JSON_TYPE, body: "{}" } : {};
      for (const one of everybody) {
        const { status } = await ask(app, path, { method, as: one.as, ...body });
        const came = [401, 403].includes(status) ? status : "let in";
        const due = dueTo(one, access);
        must(came === due && status < 500, `${method} ${path} as ${one.name}: ${status}, wanted ${due}`);
        cells += 1;
      }
    }
    for (const [path, { who }] of Object.entries(PAGES))
      for (const { name, as, role } of everybody) {
        // Keys open no pages.
        if (!role && name !== "nobody") continue;
        const { status, headers } = await ask(app, path, { as });
        const isSentAway = status === 303 && headers.location.startsWith("/sign-in");
        must(isSentAway === (who !== "anybody" && !role), `${path} as ${name}: ${status}`);
        cells += 1;
      }
    return `${cells} cells, each as the table says`;
  },
  "people who owe a second factor": async (app, { ROLES, RIGHTS }) => {
    const looker = (await askersOf(app, ROLES, RIGHTS)).find(({ role }) => role === "look");
    const settings = JSON.parse((await ask(app, "/api/settings")).text);
    await post(app, "/api/settings", { ...settings, secondFactor: "everyone" });
    const owing = await ask(app, "/api/draft", { as: looker.as });
    must(owing.status === 403 && JSON.parse(owing.text).owes === "second-factor", `the draft: ${owing.status}`);
    must((await ask(app, "/api/account", { as: looker.as })).status === 200, "they cannot set one up");
    must((await post(app, "/api/settings", settings)).status === 403, "whoever runs it is let off");
    await app.runSql("DELETE FROM settings");
    return "they may set one up, and no more";
  },
  "somebody else's name on a request": async (app) => {
    const caller = { address: "127.0.0.1", agent: "", isPrivate: true, by: "Keeper" };
    const person = { id: 1, name: "Keeper", role: "run", session: 1, owesSecondFactor: false };
    const forged = { "x-summant-caller": encodeURIComponent(JSON.stringify({ ...caller, person })) };
    for (const path of ["/api/draft", "/api/people", "/api/keys"]) {
      const { status } = await ask(app, path, { as: NOBODY, headers: forged });
      must(status === 401, `${path}: ${status}`);
    }
    for (const cookie of ["__Host-summant=", "__Host-summant=x", "__Host-summant=' OR 1=1 --", "summant=x; other"]) {
      const { status } = await ask(app, "/api/draft", { as: NOBODY, headers: { cookie } });
      must(status === 401, `${cookie}: ${status}`);
    }
    return "401";
  },
  "addresses written otherwise": async (app) => {
    for (const path of [
      ...["/api/%64raft", "/api//draft", "//api/draft", "/api/draft/", "/api/./draft", "/API/draft", "/api/draft;x"],
      ...[
        "/api/regions/../draft",
        "/api/regions/%2e%2e",
        "/api/releases/..",
        "/%61pi/draft",
        "/api\\draft",
        "/./api/draft",
      ],
    ])
      for (const as of [NOBODY, { cookie: app.cookie }]) {
        const { status, text } = await ask(app, path, { as });
        must([400, 401, 404].includes(status) && !text.includes('"entities"'), `${path}: ${status}`);
      }
    return "nothing answers there";
  },
  "signing in where others read along": async (app) => {
    const asked = { name: "Keeper", password: "x" };
    const headers = { host: "shop.example" };
    for (const [path, body] of [
      ["/api/sign-in", asked],
      ["/api/sign-in/link", { do: "look", token: "x" }],
    ]) {
      const plain = await post(app, path, body, headers, NOBODY);
      must(plain.status === 403 && plain.text.includes("HTTPS"), `${path} by plain HTTP: ${plain.status}`);
      // Nobody in front of it is believed, since nobody was named.
      const told = await post(app, path, body, { ...headers, "x-forwarded-proto": "https" }, NOBODY);
      must(told.status === 403, `${path} said to be HTTPS: ${told.status}`);
    }
    return "403, with what to do";
  },
  "a session that has ended": async (app) => {
    const bo = await newPerson(app, "Bo who leaves", "edit");
    must((await ask(app, "/api/draft", { as: bo })).status === 200, "they are not let in");
    const out = await post(app, "/api/account", { do: "sign-out" }, {}, bo);
    must(out.status === 200 && /Max-Age=0/.test(out.headers["set-cookie"]?.[0]), `signing out: ${out.status}`);
    must((await ask(app, "/api/draft", { as: bo })).status === 401, "they are let in still");
    const made = await post(app, "/api/keys", { do: "make", name: "Gone", rights: ["quote"], aSecond: 9 });
    const key = { authorization: `Bearer ${JSON.parse(made.text).secret}` };
    must((await post(app, "/api/quote", QUOTE, {}, key)).status === 200, "the key is not let in");
    const listed = JSON.parse((await ask(app, "/api/keys")).text).keys.find(({ name }) => name === "Gone");
    await post(app, "/api/keys", { do: "revoke", key: listed.number });
    must((await post(app, "/api/quote", QUOTE, {}, key)).status === 401, "the key is let in still");
    return "401, at once";
  },
  "writes from other sites": async (app) => {
    const elsewhere = [
      { origin: "http://evil.example" },
      { origin: "null" },
      { origin: `http://127.0.0.1:${app.port + 1}` },
      { "sec-fetch-site": "cross-site" },
      { "sec-fetch-site": "same-site" },
    ];
    const before = (await draftOf(app)).sequence;
    for (const headers of elsewhere)
      for (const path of ["/api/draft/changes", "/api/releases", "/api/redemptions", "/api/samples"]) {
        const { status } = await post(app, path, {}, headers);
        must(status === 403, `${path} with ${JSON.stringify(headers)}: ${status}`);
      }
    must((await draftOf(app)).sequence === before, "something was written");
    const own = await post(app, "/api/quote", QUOTE, { origin: `http://127.0.0.1:${app.port}` });
    must(own.status === 200, `an own page: ${own.status}`);
    return "403";
  },
  "bodies that are too large": async (app, { ENDPOINTS }) => {
    for (const [path, { POST }] of Object.entries(ENDPOINTS)) {
      if (!POST) continue;
      const at = path.replace("[number]", "1");
      const told = await raw(
        app,
        `POST ${at} HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: ${POST.largest + 1}\r\n\r\n{`,
        5000,
      );
      must(told?.startsWith("HTTP/1.1 413"), `${at}, told: ${told?.slice(0, 30) ?? "waits for it"}`);
      const untold = await ask(app, at, {
        method: "POST",
        headers: JSON_TYPE,
        body: " ".repeat(POST.largest + 1),
      }).catch((error) => ({ status: error.code }));
      must(
        untold.status === 413 || untold.status === "ECONNRESET" || untold.status === "EPIPE",
        `${at}: ${untold.status}`,
      );
    }
    return "413 before they are read";
  },
  "headers without end, two lengths at once": async (app) => {
    const long = await raw(app, `GET / HTTP/1.1\r\nHost: localhost\r\nX: ${"x".repeat(100_000)}\r\n\r\n`, 3000);
    must(long?.startsWith("HTTP/1.1 431"), `a long header: ${long?.slice(0, 30)}`);
    const both =
      "POST /api/quote HTTP/1.1\r\nHost: localhost\r\nContent-Length: 4\r\nTransfer-Encoding: chunked\r\n\r\n0\r\n\r\n";
    const smuggled = await raw(app, both, 3000);
    must(smuggled?.startsWith("HTTP/1.1 400"), `two lengths: ${smuggled?.slice(0, 30)}`);
    return "431, 400";
  },
  "paths out of the folder": async (app) => {
    const up = [
      "/../package.json",
      "/%2e%2e/package.json",
      "/_astro/..%2f..%2f..%2fpackage.json",
      "/..%5c..%5cpackage.json",
    ];
    for (const path of [...up, "/.data/mariadb/secret", "/server/start.mjs", "/%00", "/%E0%A4%A"]) {
      const { status, text } = await ask(app, path);
      must(status >= 400 && !text.includes('"dependencies"'), `${path}: ${status}`);
    }
    return "nothing is found there";
  },
  "uploads that are broken off": async (app) => {
    const head = (path) =>
      `POST ${path} HTTP/1.1\r\nHost: localhost\r\n${credentials(app, path)}Content-Type: application/json\r\nContent-Length: 5000\r\n\r\n{"cart":`;
    const paths = ["/api/quote", "/api/draft/changes", "/api/redemptions"];
    await Promise.all(Array.from({ length: 60 }, (_, i) => raw(app, head(paths[i % 3]), 100)));
    const { status, ms } = await post(app, "/api/quote", QUOTE);
    must(status === 200 && ms < 10_000, `a quote after it: ${status}`);
    must((await ask(app, "/api/health")).status === 200, "the app is not well");
    return "60 of them, nothing is held up";
  },
  "text that is no UTF-8": async (app) => {
    const body = Buffer.concat([Buffer.from('{"at": "'), Buffer.from([0xc3, 0x28, 0xff]), Buffer.from('"}')]);
    for (const path of ["/api/quote", "/api/draft/changes"]) {
      const { status } = await ask(app, path, { method: "POST", headers: JSON_TYPE, body });
      must(status === 400, `${path}: ${status}`);
    }
    return "400";
  },
  "JSON that is deep, or says things twice": async (app, { ENDPOINTS }) => {
    const deep = `{"writes":${"[".repeat(50_000)}${"]".repeat(50_000)}}`;
    const conditions = `{"writes":${'{"of":['.repeat(5000)}${"]}".repeat(5000)}}`;
    for (const [path, { POST }] of Object.entries(ENDPOINTS)) {
      if (!POST) continue;
      const at = path.replace("[number]", "1");
      for (const body of [deep, conditions, '{"a":1,"a":2}', '{"__proto__":{"x":1}}', "[]", "null", "1", '""']) {
        if (body.length > POST.largest) continue;
        const { status, ms } = await ask(app, at, { method: "POST", headers: JSON_TYPE, body });
        must(
          status >= 400 && status < 500 && ms < 20_000,
          `${at}, ${body.slice(0, 20)}: ${status} after ${ms.toFixed(0)} ms`,
        );
      }
    }
    return "refused in time";
  },
  "products that cannot be": async (app) => {
    const product = (more) => ({ sku: "attack", name: "Attack", prices: { EUR: "1.00" }, ...more });
    const refused = {
      "the same twice": [product(), product()],
      "half a yen": [product({ prices: { JPY: "1.5" } })],
      "no such money": [product({ prices: { ZZZ: "1" } })],
      "more than any cart": [product({ prices: { EUR: "999999999999999" } })],
      "a weight of many digits": [product({ weight: { value: "1.123456789012".padStart(28, "9"), unit: "g" } })],
      "an own charge of half a yen": [
        product({ delivery: { kind: "own-charge", amounts: { JPY: "0.5" }, per: "piece" } }),
      ],
    };
    for (const [what, products] of Object.entries(refused)) {
      const answer = await post(app, "/api/products", { products });
      must(answer.status === 422 && isProblem(answer), `${what}: ${answer.status} ${answer.text.slice(0, 120)}`);
    }
    const twins = [product({ sku: "Twin" }), product({ sku: "twin" })];
    must((await post(app, "/api/products", { products: twins })).status === 200, "twins by case are two products");
    return "422, with the place";
  },
  "formulas in cells": async (app) => {
    const name = '=HYPERLINK("http://evil.example","x")';
    await post(app, "/api/products", { products: [{ sku: "formula", name, prices: { EUR: "1.00" } }] });
    const { text } = await ask(app, "/api/products/csv");
    must(text.includes("'=HYPERLINK"), "the cell begins like a formula");
    return "written harmless";
  },
  "random bodies": async (app, { ENDPOINTS, fc, bodies }) => {
    let tried = 0;
    const starts = [
      QUOTE,
      { order: "o", offers: ["newsletter"], window: { option: "standard", slot: "x", day: "2026-11-27" } },
    ];
    for (const [path, { POST }] of Object.entries(ENDPOINTS)) {
      if (!POST) continue;
      const at = path.replace("[number]", "1");
      const valid = {
        do: "drop",
        id: "x",
        products: [{ sku: "r", name: "R", prices: { EUR: "1" } }],
        writes: [],
        sequence: 1,
      };
      const body = fc.oneof(fc.jsonValue(), nearTo(fc, valid), ...starts.map((start) => nearTo(fc, start)));
      await fc.assert(
        fc.asyncProperty(body, async (value) => {
          const answer = await post(app, at, value);
          tried += 1;
          must(answer.status < 500, `${at} ${JSON.stringify(value).slice(0, 300)}: ${answer.status}`);
          must(answer.status < 400 || isProblem(answer), `${at}: a ${answer.status} that is no problem document`);
          must(saysWhere(answer), `${at}: does not say where: ${answer.text.slice(0, 300)}`);
        }),
        { numRuns: bodies },
      );
    }
    // What was taken can be read, mended and released.
    const draft = await draftOf(app);
    must(Array.isArray(draft.entities), "the draft cannot be read");
    const released = await post(app, "/api/releases", { sequence: draft.sequence });
    must([201, 409].includes(released.status), `the draft cannot be released: ${released.status}`);
    must((await post(app, "/api/quote", QUOTE)).status === 200, "there is no quote");
    return `${tried} of them, no 5xx`;
  },
  "edits at random": async (app, { fc, bodies }) => {
    const { entities } = await draftOf(app);
    const tally = { taken: 0, refused: 0 };
    const save = async (kind, id, body) => {
      const seen = (await draftOf(app)).entities.find((one) => one.kind === kind && one.id === id)?.revision ?? 0;
      return post(app, "/api/draft/changes", { writes: [{ kind, id, seen, body }] });
    };
    const edit = fc
      .constantFrom(...entities)
      .chain(({ kind, id, body }) => nearTo(fc, body).map((other) => ({ kind, id, body, other })));
    await fc.assert(
      fc.asyncProperty(edit, async ({ kind, id, body, other }) => {
        const about = `${kind} ${id} as ${JSON.stringify(other).slice(0, 300)}`;
        const answer = await save(kind, id, other);
        must(answer.status === 200 || answer.status === 422, `${about}: ${answer.status}`);
        must(saysWhere(answer), `${about}: does not say where: ${answer.text.slice(0, 300)}`);
        tally[answer.status === 200 ? "taken" : "refused"] += 1;
        if (answer.status !== 200) return;
        const { sequence, unreadable } = await draftOf(app);
        must(unreadable.length === 0, `${about}: cannot be read again`);
        const released = await post(app, "/api/releases", { sequence });
        const isSame = released.status === 409 && released.text.includes("the same already");
        must(released.status === 201 || isSame, `${about}: cannot be released: ${released.text.slice(0, 300)}`);
        must((await post(app, "/api/quote", QUOTE)).status < 500, `${about}: no quote`);
        must((await save(kind, id, body)).status === 200, `${about}: cannot be mended`);
      }),
      { numRuns: bodies * 3 },
    );
    return `${tally.taken} taken, readable, releasable and mended; ${tally.refused} refused, each with where`;
  },
  "the database hangs": async (app, { database }) => {
    await post(app, "/api/quote", QUOTE);
    process.kill(database.now.pid, "SIGSTOP");
    try {
      await wait(1100);
      let slowest = 0;
      for (let i = 0; i < 20; i += 1) {
        const { status, ms } = await post(app, "/api/quote", i % 5 === 4 ? LONG_PAST : QUOTE);
        must(status === 200, `a quote: ${status}`);
        slowest = Math.max(slowest, ms);
      }
      must(slowest < 4000, `a quote took ${slowest.toFixed(0)} ms`);
      return `quotes go on, the slowest in ${slowest.toFixed(0)} ms`;
    } finally {
      process.kill(database.now.pid, "SIGCONT");
      await wait(500);
    }
  },
  "the database is killed": async (app, { database }) => {
    await post(app, "/api/quote", QUOTE);
    process.kill(database.now.pid, "SIGKILL");
    await database.now.ended;
    await wait(1100);
    for (const asked of [QUOTE, LONG_PAST])
      must((await post(app, "/api/quote", asked)).status === 200, `there is no quote of ${asked.at}`);
    for (const [path, value] of [
      ["/api/redemptions", { order: "o-1", offers: ["newsletter"] }],
      ["/api/draft/changes", { writes: [] }],
      ["/api/releases", { sequence: 1 }],
    ]) {
      const answer = await post(app, path, value);
      const isAway = answer.status === 503 && answer.headers["retry-after"];
      must(isAway || (answer.status >= 400 && answer.status < 500), `${path}: ${answer.status}`);
      if (path !== "/api/draft/changes") must(isAway, `${path}: ${answer.status}, no Retry-After`);
    }
    await database.again();
    for (let tries = 0; (await ask(app, "/api/health")).status !== 200; tries += 1) {
      must(tries < 50, "the app does not find the database again");
      await wait(100);
    }
    return "quotes go on, the rest is 503 with Retry-After";
  },
  "slow bodies": async (app, { isLong }) => {
    if (!isLong) return "(only in the long run)";
    const began = performance.now();
    const head = `POST /api/quote HTTP/1.1\r\nHost: localhost\r\n${credentials(app, "/api/quote")}Content-Type: application/json\r\nContent-Length: 500\r\n\r\n{`;
    const cut = await raw(app, head, 100_000);
    must(cut?.startsWith("HTTP/1.1 408"), `${cut === null ? "not cut" : cut.slice(0, 40)}`);
    return `cut with 408 after ${((performance.now() - began) / 1000).toFixed(0)} s`;
  },
};

/** @returns lines to print, and what did not hold */
export async function attack(root, folder, isLong) {
  const { register } = await import("tsx/esm/api");
  register();
  const { ENDPOINTS, PAGES } = await import("../server/http/endpoints.ts");
  const { ROLES } = await import("../server/people/person.ts");
  const { RIGHTS } = await import("../server/keys/rights.ts");
  const { default: fc } = await import("fast-check");
  const { createConnection } = await import("mysql2/promise");
  const started = await startDatabase(folder);
  const database = {
    now: started,
    again: async () => {
      database.now = await startDatabase(folder, started.port);
    },
  };
  const link = prepareDatabase(root, started.url, { resetDemo: true });
  const port = await freePort();
  process.env.SUMMANT_HOSTS = "shop.example";
  const app = await startApp(root, started.url, port);
  const cookie = await signInBy(app.address, link);
  const attacked = {
    ...{ port, cookie, key: await makeKey(app.address, cookie) },
    runSql: async (sql) => {
      const connection = await createConnection(started.url);
      await connection.query(sql);
      await connection.end();
    },
  };
  const lines = [];
  const faults = [];
  try {
    for (const [name, run] of Object.entries(ATTACKS)) {
      const world = { ENDPOINTS, PAGES, ROLES, RIGHTS, fc, database, isLong, bodies: isLong ? 300 : 12 };
      const came = await run(attacked, world).catch((error) => {
        faults.push(name);
        return `FAULT: ${error instanceof Fault ? error.message : String(error?.stack ?? error)}`;
      });
      lines.push(`${name.padEnd(44)} ${came}`);
    }
  } finally {
    await app.stop();
    await database.now.stop();
  }
  return { lines, faults };
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? "").href) {
  const root = fileURLToPath(new URL("../", import.meta.url));
  needDebianPackages(MARIADB);
  needNodePackages(root);
  await needBuild(root);
  mkdirSync(join(root, ".data"), { recursive: true });
  const throwaway = mkdtempSync(join(root, ".data", "attack-"));
  const { lines, faults } = await attack(root, throwaway, process.argv[2] === "long");
  for (const line of lines) say(line);
  rmSync(throwaway, { recursive: true, force: true });
  process.exitCode = faults.length === 0 ? 0 : 1;
}
