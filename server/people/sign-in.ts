import type { Pool } from "mysql2/promise";
import type { Phrase } from "../../core/phrases/phrase.ts";
import { inTransaction } from "../database/pool.ts";
import { logEvent } from "../log/events.ts";
import { linkOf, useLink } from "./one-time-links.ts";
import { hashPassword, isPassword, passwordProblem } from "./passwords.ts";
import { secretsOf, setPassword, takeStep } from "./people.ts";
import { stepOf } from "./second-factor.ts";
import { beginSession, type Origin } from "./sessions.ts";
import { countTry, forgetTries, takeBackTry, waitOf } from "./slow-down.ts";

/** What came of signing in: a session's secret, or why there is none. */
export type SignedIn =
  | { readonly session: string }
  | { readonly refused: "wrong" | "code-wanted" | "code-wrong" }
  | { readonly refused: "wait"; readonly seconds: number };

/** By name and password, and by a code where the person has a second factor. Which of name and password was wrong is told nobody. */
export async function signIn(
  pool: Pool,
  { name, password, code }: { readonly name: string; readonly password: string; readonly code?: string | undefined },
  origin: Origin,
): Promise<SignedIn> {
  const seconds = await waitOf(pool, name, origin.address);
  if (seconds > 0) return { refused: "wait", seconds };
  await countTry(pool, name, origin.address);
  const secrets = await secretsOf(pool, name);
  // A name that nobody has may be a password that went into the wrong field.
  const by = { name: secrets?.name ?? "somebody unknown", address: origin.address };
  if (!(await isPassword(secrets?.password ?? null, password)) || !secrets) {
    await logEvent(pool, "sign-in-failed", by);
    return { refused: "wrong" };
  }
  const { id, secondFactor, lastStep } = secrets;
  if (secondFactor !== null) {
    if (code === undefined) {
      await takeBackTry(pool, name, origin.address);
      return { refused: "code-wanted" };
    }
    const step = stepOf(secondFactor, code, lastStep, Date.now());
    if (step === null || !(await takeStep(pool, id, step))) {
      await logEvent(pool, "sign-in-failed", by);
      return { refused: "code-wrong" };
    }
  }
  await forgetTries(pool, name, origin.address);
  const session = await beginSession(pool, id, origin);
  await logEvent(pool, "signed-in", by);
  return { session };
}

export type Redeemed =
  | { readonly session: string }
  | { readonly done: "password-set" }
  | { readonly refused: "ended" }
  | { readonly refused: "password"; readonly why: Phrase };

/**
 * Signs in by a link, once. A link that is not the machine's own needs a password to be set, and where there is a second factor it
 * does no more than that: whoever reads a mail has not got the device.
 *
 * @param password as it is to be; undefined for a link that needs none
 */
export async function redeem(
  pool: Pool,
  secret: string,
  password: string | undefined,
  origin: Origin,
): Promise<Redeemed> {
  const link = await linkOf(pool, secret);
  if (!link || (password === undefined && link.kind !== "first")) return { refused: "ended" };
  const why = password === undefined ? undefined : passwordProblem(password, link.name);
  if (why) return { refused: "password", why };
  const hashed = password === undefined ? undefined : await hashPassword(password);
  return inTransaction(pool, async (connection): Promise<Redeemed> => {
    const used = await useLink(connection, secret);
    if (!used) return { refused: "ended" };
    const by = { name: used.name, address: origin.address };
    if (hashed !== undefined) {
      await setPassword(connection, used.person, hashed, undefined);
      await logEvent(connection, "password-set", by);
      if ((await secretsOf(connection, used.person))?.secondFactor) return { done: "password-set" };
    }
    await logEvent(connection, "signed-in", by);
    return { session: await beginSession(connection, used.person, origin) };
  });
}
