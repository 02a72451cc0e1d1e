import { Secret, TOTP } from "otpauth";

/** Seconds that a code holds, and its digits: what RFC 6238 names and every app for codes takes. */
const PERIOD = 30;
const DIGITS = 6;
/** A clock may be one step before or behind. */
const WINDOW = 1;

const totpOf = (secret: string, name = "") =>
  new TOTP({ issuer: "Summant", label: name, secret: Secret.fromBase32(secret), period: PERIOD, digits: DIGITS });

/** A new secret, in base 32: 160 bits, as RFC 4226 advises. */
export const newFactor = (): string => new Secret({ size: 20 }).base32;

/** What an app for codes reads. @example "otpauth://totp/Summant:Ana?…" */
export const factorAddress = (secret: string, name: string): string => totpOf(secret, name).toString();

/**
 * The step of time that a code is of, by RFC 6238; null when it is of none.
 *
 * @param after the step of the last code that was taken: none is taken twice
 * @param now milliseconds of UTC
 */
export function stepOf(secret: string, code: string, after: number, now: number): number | null {
  const token = code.replaceAll(/\s/g, "");
  if (!/^\d+$/.test(token)) return null;
  const delta = totpOf(secret).validate({ token, timestamp: now, window: WINDOW });
  if (delta === null) return null;
  const step = Math.floor(now / 1000 / PERIOD) + delta;
  return step > after ? step : null;
}
