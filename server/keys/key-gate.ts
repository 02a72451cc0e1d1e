import type { Pool } from "mysql2/promise";
import { phrase } from "../../core/phrases/phrase.ts";
import { type Answer, withHeader } from "../http/answer.ts";
import { problemAnswer } from "../http/problem-document.ts";
import { hexHashOf } from "../people/secret.ts";
import { Reading } from "../shop/reading.ts";
import { Allowance } from "./allowance.ts";
import { liveKeys, noteUses } from "./keys.ts";
import type { Right } from "./rights.ts";

/** While the database is away, keys are believed for so many milliseconds. */
const BELIEVED = 3_600_000;
/** How often it is written down when keys were last used, in milliseconds. */
const NOTED_EVERY = 2000;
/** So many keys' hashes are kept. */
const MOST_KEPT = 1000;

/** Lets a shop's server in by its `Authorization` header, for what is asked for. */
export type KeyGate = (
  authorization: string,
  right: Right | undefined,
) => Promise<{ readonly by: string } | { readonly refusal: Answer }>;

/** Keys are read anew as often as releases are: one that is revoked holds a second more, on every server. */
export function keyGate(pool: Pool): KeyGate & {
  readonly forget: () => void;
  readonly readAhead: () => Promise<unknown>;
} {
  const keys = new Reading(() => liveKeys(pool));
  const allowance = new Allowance(pool);
  /** By number of key, in milliseconds of UTC. */
  const used = new Map<number, number>();
  let noting = false;
  /** Hashes of keys that held when they were last sent, by the header: working one out takes as long as reading a request. */
  const hashes = new Map<string, string>();

  const note = (number: number) => {
    used.set(number, Date.now());
    if (noting) return;
    noting = true;
    setTimeout(() => {
      noting = false;
      const noted = new Map([...used].map(([key, at]) => [key, new Date(at)]));
      used.clear();
      noteUses(pool, noted).catch((error: unknown) => console.error(`Keys' last uses are not noted: ${String(error)}`));
    }, NOTED_EVERY).unref();
  };

  const gate: KeyGate = async (authorization, right) => {
    const live = await keys.now();
    const known = hashes.get(authorization);
    const hash = known ?? hexHashOf(/^Bearer +(\S+)$/i.exec(authorization)?.[1] ?? "");
    const key = live.get(hash);
    if (!key || keys.age() > BELIEVED) return { refusal: UNKNOWN };
    if (known === undefined) {
      if (hashes.size >= MOST_KEPT) hashes.clear();
      hashes.set(authorization, hash);
    }
    if (right === undefined || !key.rights.has(right)) return { refusal: NOT_ALLOWED };
    const wait = await allowance.take(key);
    note(key.number);
    return wait > 0 ? { refusal: tooMany(key.aSecond, wait) } : { by: `key ${key.name}` };
  };
  return Object.assign(gate, { forget: () => keys.forget(), readAhead: () => keys.now() });
}

const UNKNOWN = withHeader(
  problemAnswer(401, phrase("No such key holds"), { detail: phrase("Send authorization: Bearer and the key.") }),
  "www-authenticate",
  'Bearer error="invalid_token"',
);

const NOT_ALLOWED = problemAnswer(403, phrase("That key does not allow this"), {
  detail: phrase("What a key allows is ticked when it is made."),
});

function tooMany(aSecond: number, wait: number): Answer {
  const answer = problemAnswer(429, phrase("Too many calls"), {
    detail: phrase("This key may call {aSecond} times a second.", { aSecond }),
  });
  return withHeader(answer, "retry-after", String(Math.ceil(wait / 1000)));
}
