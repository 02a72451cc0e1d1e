import { hash, verify } from "@node-rs/argon2";
import { dictionary } from "@zxcvbn-ts/language-common";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { atMost } from "./at-most.ts";
import { nameKey } from "./person.ts";

/** Letters of a password, at least and at most. */
const SHORTEST = 12;
const LONGEST = 200;

/** argon2id with what OWASP's "Password Storage Cheat Sheet" names first: 19 MiB, two passes, one lane. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

/** Each takes 19 MiB and a core for tens of milliseconds: more at once would let strangers fill the machine. */
const fewAtATime = atMost(2);

const COMMON: ReadonlySet<string> = new Set(dictionary["passwords-common"]);

/**
 * Why a password cannot be taken; undefined when it can.
 *
 * @param name whose it is to be
 * @example passwordProblem("Password1234", "Ana") // it is among the commonest
 */
export function passwordProblem(password: string, name: string): Phrase | undefined {
  const letters = [...password].length;
  if (letters < SHORTEST) return phrase("A password has at least {count} characters", { count: SHORTEST });
  if (letters > LONGEST) return phrase("A password has at most {count} characters", { count: LONGEST });
  const plain = nameKey(password);
  if (!/\p{L}/u.test(plain)) return phrase("Digits and signs alone are guessed soon: put words to them");
  // What is put before and after a common word is as common as the word.
  const core = plain.replaceAll(/^[^\p{L}]+|[^\p{L}]+$/gu, "");
  if ([plain, core, ...repeated(plain), ...repeated(core)].some((text) => COMMON.has(text)))
    return phrase("That password is among the commonest: whoever tries will try it first");
  if (new Set(plain).size < 5) return phrase("That password is the same few characters again and again");
  const key = nameKey(name);
  return key.length > 2 && plain.includes(key) ? phrase("A password does not hold the name it is for") : undefined;
}

/** What a text is, where it is the same twice or more. */
function repeated(text: string): string[] {
  const part = /^(.+?)\1+$/u.exec(text)?.[1];
  return part === undefined ? [] : [part];
}

export const hashPassword = (password: string): Promise<string> =>
  fewAtATime(() => hash(password.normalize("NFKC"), COST));

/** Somebody's who is not there: looked at as long as anybody's, so that time tells nobody which names there are. */
let nobodys: Promise<string> | undefined;

/** @param hashed as it is kept; null where there is none, which no password is right for */
export async function isPassword(hashed: string | null, password: string): Promise<boolean> {
  nobodys ??= hashPassword("nobody's at all");
  const against = hashed ?? (await nobodys);
  const isRight = await fewAtATime(() => verify(against, password.normalize("NFKC")));
  return isRight && hashed !== null;
}
