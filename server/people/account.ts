import type { Pool } from "mysql2/promise";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { inTransaction } from "../database/pool.ts";
import { logEvent } from "../log/events.ts";
import { hashPassword, isPassword, passwordProblem } from "./passwords.ts";
import { secretsOf, setFactor, setPassword } from "./people.ts";
import type { Person } from "./person.ts";
import { factorAddress, newFactor, stepOf } from "./second-factor.ts";
import { type SessionSeen, sessionsOf } from "./sessions.ts";
import { countTry, forgetTries, waitOf } from "./slow-down.ts";

/** What somebody sees of their own. */
export type Account = {
  readonly person: Person;
  readonly hasPassword: boolean;
  readonly hasSecondFactor: boolean;
  readonly sessions: readonly SessionSeen[];
};

export async function accountOf(pool: Pool, person: Person): Promise<Account> {
  const secrets = await secretsOf(pool, person.id);
  return {
    person,
    hasPassword: secrets?.password != null,
    hasSecondFactor: secrets?.secondFactor != null,
    sessions: await sessionsOf(pool, person),
  };
}

/** Why something of one's own was not changed; `at` is the key of the body that is to blame. */
export type NotChanged = { readonly at: string; readonly why: Phrase };
type Changed = { readonly done: true } | NotChanged;

const DONE = { done: true } as const;

/** Whether it is them: by the password, wherever they have one, as slowly as signing in. */
async function isThem(pool: Pool, { id, name }: Person, password: string, address: string): Promise<NotChanged | null> {
  const secrets = await secretsOf(pool, id);
  if (secrets?.password == null) return null;
  const wait = await waitOf(pool, name, address);
  if (wait > 0) return { at: "/current", why: phrase("Too many tries: wait {wait} seconds", { wait }) };
  await countTry(pool, name, address);
  if (!(await isPassword(secrets.password, password)))
    return { at: "/current", why: phrase("That is not your password now") };
  await forgetTries(pool, name, address);
  return null;
}

/** A new password; every other session ends. */
export async function changePassword(
  pool: Pool,
  person: Person,
  { current, password }: { readonly current: string; readonly password: string },
  address: string,
): Promise<Changed> {
  const why = passwordProblem(password, person.name);
  if (why) return { at: "/password", why };
  const notThem = await isThem(pool, person, current, address);
  if (notThem) return notThem;
  const hashed = await hashPassword(password);
  await inTransaction(pool, async (connection) => {
    await setPassword(connection, person.id, hashed, person.session);
    await logEvent(connection, "password-set", { name: person.name, address });
  });
  return DONE;
}

/** A secret to put into an app for codes; it holds once a code of it has been given back. */
export function beginFactor({ name }: Person): { readonly secret: string; readonly address: string } {
  const secret = newFactor();
  return { secret, address: factorAddress(secret, name) };
}

export async function switchFactorOn(
  pool: Pool,
  person: Person,
  { secret, code, current }: { readonly secret: string; readonly code: string; readonly current: string },
  address: string,
): Promise<Changed> {
  const notThem = await isThem(pool, person, current, address);
  if (notThem) return notThem;
  const step = stepOf(secret, code, 0, Date.now());
  if (step === null) return { at: "/code", why: phrase("That code is not the one that the app shows now") };
  await setFactor(pool, person.id, secret, step);
  await logEvent(pool, "factor-set", { name: person.name, address });
  return DONE;
}

export async function switchFactorOff(pool: Pool, person: Person, current: string, address: string): Promise<Changed> {
  const notThem = await isThem(pool, person, current, address);
  if (notThem) return notThem;
  await setFactor(pool, person.id, null, 0);
  await logEvent(pool, "factor-off", { name: person.name, address });
  return DONE;
}
