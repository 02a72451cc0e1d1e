import type { IncomingHttpHeaders } from "node:http";
import type { By } from "../log/events.ts";
import type { Person } from "../people/person.ts";

/** Who asks, as the front has found out. */
export type Caller = {
  /** Where from, as far as can be told. */
  readonly address: string;
  readonly agent: string;
  /** Whether nobody on the way can read along: by HTTPS, or on this machine. */
  readonly isPrivate: boolean;
  readonly person: Person | null;
  /** Who is written down as having done it: the person, or the key; empty where anybody may ask. */
  readonly by: string;
};

/** How the front tells the desk, which nobody else reaches. Whoever sends it from outside is not believed: the front writes it anew. */
const HEADER = "x-summant-caller";

export function writeCaller(headers: IncomingHttpHeaders, caller: Caller): void {
  headers[HEADER] = encodeURIComponent(JSON.stringify(caller));
}

/** @throws when the request did not come by the front */
export function callerOf(request: Request): Caller {
  const header = request.headers.get(HEADER);
  if (header === null) throw new Error(`${request.url} was asked without the front`);
  return JSON.parse(decodeURIComponent(header));
}

/** Who does it, for the log. */
export function byOf(request: Request): By {
  const { by, address } = callerOf(request);
  return { name: by, address };
}

/** Somebody who has signed in. @throws when nobody has, which the front does not let through */
export function personOf(request: Request): Person {
  const { person } = callerOf(request);
  if (!person) throw new Error(`${request.url} was asked by nobody who has signed in`);
  return person;
}
