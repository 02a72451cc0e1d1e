import { TOTP } from "otpauth";
import { afterAll, beforeEach, describe, expect, it } from "vitest";
import { databaseUrl, inTransaction, openPool } from "../database/pool.ts";
import { readLog } from "../log/read-log.ts";
import { writeSettings } from "../settings/settings.ts";
import { FIRST_SETTINGS, type Settings } from "../settings/settings-schema.ts";
import { accountOf, beginFactor, changePassword, switchFactorOn } from "./account.ts";
import { atWork } from "./at-work.ts";
import { firstLink, runAnew } from "./by-machine.ts";
import { invite, listPeople, makePasswordLink, setRole, takeOut } from "./people.ts";
import type { Person } from "./person.ts";
import { endSession, personOf } from "./sessions.ts";
import { redeem, signIn } from "./sign-in.ts";

const pool = openPool(databaseUrl(), 8);
afterAll(() => pool.end());

beforeEach(async () => {
  for (const table of ["people", "sign_in_failures", "settings", "events"]) await pool.query(`DELETE FROM ${table}`);
});
// Whoever tests after this finds the store as it begins.
afterAll(async () => {
  for (const table of ["people", "settings", "events"]) await pool.query(`DELETE FROM ${table}`);
});

const HERE = { address: "198.51.100.7", agent: "a browser" };
const BY = { name: "Keeper", address: "" };
const GOOD = "eleven paper lanterns";
const set = (change: Partial<Settings>) =>
  inTransaction(pool, (connection) => writeSettings(connection, { ...FIRST_SETTINGS, ...change }));

/** Somebody with a password, signed in. */
async function somebody(name: string, role: Person["role"] = "edit"): Promise<{ person: Person; session: string }> {
  const invited = await invite(pool, name, role, BY);
  if (!("link" in invited)) throw new Error(`${name}: ${invited.refused}`);
  const came = await redeem(pool, invited.link, GOOD, HERE);
  if (!("session" in came)) throw new Error(`${name} does not get in`);
  return { person: await known(came.session), session: came.session };
}

async function known(session: string): Promise<Person> {
  const person = await personOf(pool, session, true);
  if (!person) throw new Error("nobody is signed in");
  return person;
}

describe("signing in", () => {
  it("goes by name and password, says of neither which was wrong, and ends with the session", async () => {
    await somebody("Ana Reis");
    const came = await signIn(pool, { name: " ana  REIS", password: GOOD }, HERE);
    if (!("session" in came)) throw new Error("not signed in");
    expect(await known(came.session)).toMatchObject({ name: "Ana Reis", role: "edit", owesSecondFactor: false });
    for (const [name, password] of [
      ["Ana Reis", "eleven paper lantern"],
      ["Nobody", GOOD],
      ["Ana Reis", ""],
    ] as const)
      expect(await signIn(pool, { name, password }, HERE)).toEqual({ refused: "wrong" });
    expect(await personOf(pool, `${came.session}x`, true)).toBeNull();
    const { id, session } = await known(came.session);
    expect(await endSession(pool, id, session)).toBe(true);
    expect(await personOf(pool, came.session, true)).toBeNull();
  });

  it("is slower with each failure, also of many at once, and for others neither there nor elsewhere", async () => {
    await somebody("Ana Reis");
    await somebody("Bo Lind");
    const tries = await Promise.all(
      Array.from({ length: 12 }, () => signIn(pool, { name: "Ana Reis", password: "wrong" }, HERE)),
    );
    expect(tries.every((one) => "refused" in one)).toBe(true);
    // Right, and yet: whoever guesses is not told sooner.
    const now = await signIn(pool, { name: "Ana Reis", password: GOOD }, { ...HERE, address: "203.0.113.9" });
    expect(now).toMatchObject({ refused: "wait" });
    expect("seconds" in now && now.seconds).toBeLessThanOrEqual(60);
    expect(await signIn(pool, { name: "Bo Lind", password: GOOD }, HERE)).toHaveProperty("session");
    // As if a minute had passed.
    await pool.query("UPDATE sign_in_failures SET waits_until = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND");
    expect(await signIn(pool, { name: "Ana Reis", password: GOOD }, HERE)).toHaveProperty("session");
    expect(await signIn(pool, { name: "Ana Reis", password: "wrong" }, HERE)).toEqual({ refused: "wrong" });
  });

  it("from one address slows whoever tries many names", async () => {
    for (let i = 0; i < 22; i += 1) await signIn(pool, { name: `Name ${i}`, password: "wrong" }, HERE);
    expect(await signIn(pool, { name: "Another", password: "wrong" }, HERE)).toMatchObject({ refused: "wait" });
    expect(await signIn(pool, { name: "Another", password: "wrong" }, { ...HERE, address: "x" })).toEqual({
      refused: "wrong",
    });
  });

  it("takes a code where there is a second factor, each once, and guessing codes is as slow as guessing passwords", async () => {
    const { person } = await somebody("Ana Reis");
    const { secret } = beginFactor(person);
    const codeAt = (steps: number) => new TOTP({ secret }).generate({ timestamp: Date.now() + steps * 30_000 });
    expect(await switchFactorOn(pool, person, { secret, code: "000000", current: GOOD }, "")).toMatchObject({
      at: "/code",
    });
    expect(await switchFactorOn(pool, person, { secret, code: codeAt(-1), current: "no" }, "")).toMatchObject({
      at: "/current",
    });
    expect(await switchFactorOn(pool, person, { secret, code: codeAt(-1), current: GOOD }, "")).toEqual({ done: true });
    const asked = { name: "Ana Reis", password: GOOD };
    expect(await signIn(pool, asked, HERE)).toEqual({ refused: "code-wanted" });
    const code = codeAt(0);
    const both = await Promise.all([1, 2].map(() => signIn(pool, { ...asked, code }, HERE)));
    expect(both.filter((one) => "session" in one)).toHaveLength(1);
    expect(await signIn(pool, { ...asked, code }, HERE)).toEqual({ refused: "code-wrong" });
    // Asking for the code over and over forgives no wrong one.
    for (let i = 0; i < 8; i += 1) {
      await signIn(pool, { ...asked, code: "123456" }, HERE);
      await signIn(pool, asked, HERE);
    }
    expect(await signIn(pool, asked, HERE)).toMatchObject({ refused: "wait" });
    // A link for a new password is no way around the device.
    const link = await makePasswordLink(pool, person.id, false, BY);
    if (!("link" in link)) throw new Error("no link");
    expect(await redeem(pool, link.link, `${GOOD} too`, HERE)).toEqual({ done: "password-set" });
  });

  it("owes a second factor where the settings say so, until there is one", async () => {
    const { session } = await somebody("Ana Reis", "run");
    await set({ secondFactor: "run" });
    expect((await known(session)).owesSecondFactor).toBe(true);
    const person = await known(session);
    const { secret } = beginFactor(person);
    await switchFactorOn(pool, person, { secret, code: new TOTP({ secret }).generate(), current: GOOD }, "");
    expect((await known(session)).owesSecondFactor).toBe(false);
  });
});

describe("links", () => {
  it("work once, for whoever comes first, and only for a password that can be one", async () => {
    const invited = await invite(pool, "Ana Reis", "look", BY);
    if (!("link" in invited)) throw new Error("not invited");
    expect(await redeem(pool, invited.link, undefined, HERE)).toEqual({ refused: "ended" });
    expect(await redeem(pool, invited.link, "password1234", HERE)).toMatchObject({ refused: "password" });
    const both = await Promise.all([1, 2, 3].map(() => redeem(pool, invited.link, GOOD, HERE)));
    expect(both.filter((one) => "session" in one)).toHaveLength(1);
    expect(await invite(pool, "ANA REIS", "run", BY)).toEqual({ refused: "name-taken" });
  });

  it("end: each with the next, with the person, and with time", async () => {
    const { person } = await somebody("Ana Reis");
    await somebody("Bo Lind", "run");
    const linkFor = async () => {
      const made = await makePasswordLink(pool, person.id, false, BY);
      return "link" in made ? made.link : "";
    };
    const [first, second] = [await linkFor(), await linkFor()];
    expect(await redeem(pool, first, GOOD, HERE)).toEqual({ refused: "ended" });
    await pool.query("UPDATE one_time_links SET ends_at = UTC_TIMESTAMP(3)");
    expect(await redeem(pool, second, GOOD, HERE)).toEqual({ refused: "ended" });
    const third = await linkFor();
    await takeOut(pool, person.id, BY);
    expect(await redeem(pool, third, GOOD, HERE)).toEqual({ refused: "ended" });
  });

  it("let in whoever holds the machine: at first, and again when nobody gets in any more", async () => {
    const first = await firstLink(pool);
    expect(await redeem(pool, first ?? "", undefined, HERE)).toHaveProperty("session");
    const second = await firstLink(pool);
    const came = await redeem(pool, second ?? "", undefined, HERE);
    if (!("session" in came)) throw new Error("not signed in");
    const person = await known(came.session);
    expect(person.role).toBe("run");
    await changePassword(pool, person, { current: "", password: GOOD }, "");
    expect(await firstLink(pool)).toBeNull();
    const { person: bo } = await somebody("Bo Lind", "run");
    await setRole(pool, person.id, "look", BY);
    await takeOut(pool, person.id, BY);
    for (const name of ["keeper", "Somebody new"]) {
      expect(await redeem(pool, await runAnew(pool, name), `${GOOD} anew`, HERE)).toHaveProperty("session");
    }
    expect((await listPeople(pool)).map(({ name, role, leftAt }) => [name, role, leftAt])).toEqual([
      [bo.name, "run", null],
      ["Keeper", "run", null],
      ["Somebody new", "run", null],
    ]);
  });
});

describe("people", () => {
  it("somebody always runs the store, though two take each other out at once", async () => {
    const [ana, bo] = [await somebody("Ana", "run"), await somebody("Bo", "run")];
    const both = await Promise.all([takeOut(pool, ana.person.id, BY), setRole(pool, bo.person.id, "look", BY)]);
    expect(both.map((one) => ("refused" in one ? one.refused : "done")).sort()).toEqual(["done", "last-to-run"]);
  });

  it("who leaves is out at once, and comes back with neither password nor second factor", async () => {
    await somebody("Bo", "run");
    const { person, session } = await somebody("Ana", "run");
    await takeOut(pool, person.id, BY);
    expect(await personOf(pool, session, true)).toBeNull();
    expect(await signIn(pool, { name: "Ana", password: GOOD }, HERE)).toEqual({ refused: "wrong" });
    expect(await invite(pool, "Ana", "look", BY)).toHaveProperty("link");
    expect(await signIn(pool, { name: "Ana", password: GOOD }, HERE)).toEqual({ refused: "wrong" });
    expect(await setRole(pool, person.id, "edit", BY)).toEqual({ done: true });
    expect(await setRole(pool, 999_999, "edit", BY)).toEqual({ refused: "no-such-person" });
  });

  it("a new password ends every other session, and needs the one there is", async () => {
    const { person, session } = await somebody("Ana");
    const other = await signIn(pool, { name: "Ana", password: GOOD }, { ...HERE, agent: "another" });
    if (!("session" in other)) throw new Error("not signed in");
    expect((await accountOf(pool, person)).sessions.map(({ isThis }) => isThis).sort()).toEqual([false, true]);
    expect(await changePassword(pool, person, { current: "wrong", password: `${GOOD} two` }, "")).toMatchObject({
      at: "/current",
    });
    expect(await changePassword(pool, person, { current: GOOD, password: "short" }, "")).toMatchObject({
      at: "/password",
    });
    expect(await changePassword(pool, person, { current: GOOD, password: `${GOOD} two` }, "")).toEqual({ done: true });
    expect(await personOf(pool, other.session, true)).toBeNull();
    expect(await personOf(pool, session, true)).not.toBeNull();
  });

  it("sessions end when they rest, and after their whole time, however busy", async () => {
    const { session } = await somebody("Ana");
    await pool.query("UPDATE sessions SET seen_at = seen_at - INTERVAL 119 MINUTE");
    expect(await personOf(pool, session, false)).not.toBeNull();
    // Looked at without counting, it goes on resting; counted, it is seen anew.
    await known(session);
    await pool.query("UPDATE sessions SET seen_at = seen_at - INTERVAL 119 MINUTE");
    expect(await personOf(pool, session, false)).not.toBeNull();
    await pool.query("UPDATE sessions SET seen_at = seen_at - INTERVAL 2 MINUTE");
    expect(await personOf(pool, session, true)).toBeNull();
    await pool.query("UPDATE sessions SET seen_at = UTC_TIMESTAMP(3), ends_at = UTC_TIMESTAMP(3)");
    expect(await personOf(pool, session, true)).toBeNull();
  });

  it("see each other at work, and nobody themselves or who has gone", async () => {
    const [ana, bo] = [await somebody("Ana"), await somebody("Bo")];
    expect(await atWork(pool, ana.person, { section: "offers", thing: "free-standard" })).toEqual([]);
    expect(await atWork(pool, bo.person, { section: "places", thing: "" })).toEqual([
      { name: "Ana", section: "offers", thing: "free-standard" },
    ]);
    await pool.query("UPDATE sessions SET at_work_at = at_work_at - INTERVAL 1 MINUTE WHERE person = ?", [
      bo.person.id,
    ]);
    expect(await atWork(pool, ana.person, { section: "offers", thing: "" })).toEqual([]);
  });

  it("what is done about them stands in the log, without a secret in it", async () => {
    const { person } = await somebody("Ana");
    await signIn(pool, { name: "Ana", password: "wrong one" }, HERE);
    await changePassword(pool, person, { current: GOOD, password: `${GOOD} two` }, "10.0.0.1");
    await signIn(pool, { name: GOOD, password: "Ana" }, HERE);
    const { lines } = await readLog(pool, { parts: ["people"], search: "", before: undefined });
    expect(lines.map((line) => line.part === "people" && [line.by, line.what, line.about])).toEqual([
      ["somebody unknown", "sign-in-failed", ""],
      ["Ana", "password-set", ""],
      ["Ana", "sign-in-failed", ""],
      ["Ana", "signed-in", ""],
      ["Ana", "password-set", ""],
      ["Keeper", "invited", "Ana (edit)"],
    ]);
    expect(JSON.stringify(lines)).not.toMatch(/lanterns|wrong one/);
    for (const table of ["people", "sign_in_failures", "events"]) {
      const [rows] = await pool.query(`SELECT * FROM ${table}`);
      expect(JSON.stringify(rows)).not.toContain("lanterns");
    }
  });
});
