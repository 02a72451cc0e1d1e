import type { Right } from "../keys/rights.ts";
import type { Role } from "../people/person.ts";

const KIB = 1024;
const MIB = 1024 * KIB;

/** Who may ask: anybody, or people whose role reaches; and shops' servers whose key has the right, where one is named. */
type Who = { readonly who: "anybody" } | { readonly who: Role; readonly right?: Right };
/** What an endpoint takes: bytes of its body at most. `asks`: it writes nothing that shops are answered by. */
type Taken = Who & { readonly largest: number; readonly asks?: true };
type Methods = { readonly GET?: Who; readonly POST?: Taken };

const LOOK = { who: "look" } as const;

/**
 * Every endpoint with what may be asked of it, and by whom: whatever is not here is refused before anything looks at it. Tests
 * compare the table with the files of the framework's endpoints, and ask every endpoint as everybody.
 */
export const ENDPOINTS = {
  "/api/account": { GET: LOOK, POST: { who: "look", largest: 4 * KIB } },
  "/api/at-work": { POST: { who: "look", largest: KIB, asks: true } },
  "/api/carriers": { GET: LOOK, POST: { who: "look", largest: 64 * KIB } },
  "/api/catalogue": { GET: LOOK },
  "/api/checks/surroundings": { GET: LOOK },
  "/api/draft": { GET: LOOK },
  "/api/draft/changes": { POST: { who: "edit", largest: 8 * MIB } },
  "/api/draft/check": { POST: { who: "look", largest: 8 * MIB, asks: true } },
  "/api/evidence": { POST: { who: "look", largest: 64 * KIB, asks: true } },
  "/api/health": { GET: { who: "anybody" } },
  "/api/keys": { GET: { who: "run" }, POST: { who: "run", largest: KIB } },
  "/api/log": { GET: LOOK },
  "/api/orders/faults": { GET: LOOK },
  "/api/orders/import": { POST: { who: "edit", largest: 16 * MIB } },
  "/api/orders/one": { POST: { who: "look", largest: KIB, asks: true } },
  "/api/past-goals": { GET: LOOK, POST: { who: "edit", largest: 128 * KIB } },
  "/api/people": { GET: { who: "run" }, POST: { who: "run", largest: KIB } },
  "/api/products": { GET: LOOK, POST: { who: "edit", largest: MIB } },
  "/api/products/csv": { GET: LOOK },
  "/api/products/import": { POST: { who: "edit", largest: 8 * MIB } },
  "/api/products/names": { GET: LOOK },
  "/api/quote": { POST: { who: "look", right: "quote", largest: 256 * KIB } },
  "/api/redemptions": { GET: LOOK, POST: { who: "run", right: "claim", largest: 16 * KIB } },
  "/api/redemptions/cancel": { POST: { who: "run", right: "claim", largest: 4 * KIB } },
  "/api/regions/[country]": { GET: LOOK },
  "/api/releases": { GET: LOOK, POST: { who: "release", largest: 8 * KIB } },
  "/api/releases/[number]": { GET: LOOK, POST: { who: "release", largest: KIB } },
  "/api/releases/offers": { POST: { who: "release", largest: KIB } },
  "/api/sample-carts": { POST: { who: "edit", largest: 256 * KIB } },
  "/api/samples": { GET: LOOK, POST: { who: "edit", largest: 8 * MIB } },
  "/api/settings": { GET: LOOK, POST: { who: "run", largest: 64 * KIB } },
  "/api/settings/call-out": { POST: { who: "run", largest: KIB } },
  "/api/shop/v1/orders": { POST: { who: "run", right: "orders", largest: 4 * MIB } },
  "/api/shoppers/erase": { POST: { who: "run", right: "shoppers", largest: KIB } },
  "/api/shoppers/export": { POST: { who: "run", right: "shoppers", largest: KIB } },
  "/api/sign-in": { POST: { who: "anybody", largest: 2 * KIB } },
  "/api/sign-in/link": { POST: { who: "anybody", largest: 2 * KIB } },
  "/api/standpoints": { GET: LOOK, POST: { who: "edit", largest: 64 * KIB } },
  "/api/stated-figures": { GET: LOOK, POST: { who: "edit", largest: 2 * KIB } },
  "/api/suggest": { POST: { who: "look", right: "quote", largest: 256 * KIB, asks: true } },
} as const satisfies Readonly<Record<string, Methods>>;

/** Every page, and who may open it. */
export const PAGES = {
  "/": LOOK,
  "/account": LOOK,
  "/checks": LOOK,
  "/delivery": LOOK,
  "/evidence": LOOK,
  "/keys": LOOK,
  "/log": LOOK,
  "/offers": LOOK,
  "/overview": LOOK,
  "/people": LOOK,
  "/places": LOOK,
  "/release": LOOK,
  "/settings": LOOK,
  "/sign-in": { who: "anybody" },
  "/wording": LOOK,
} as const satisfies Readonly<Record<string, Who>>;

type Endpoints = typeof ENDPOINTS;
/** An endpoint that takes a body. */
type Posted = { [Path in keyof Endpoints]: Endpoints[Path] extends { POST: Taken } ? Path : never }[keyof Endpoints];

/** Bytes that the body of an endpoint has at most. @example largest("/api/quote") // 262144 */
export const largest = (path: Posted): number => ENDPOINTS[path].POST.largest;

const ALL = Object.entries<Methods>(ENDPOINTS);
/** By path as it stands in the table. */
const NAMED: ReadonlyMap<string, Methods> = new Map(ALL);
const FILLED_IN = ALL.filter(([path]) => path.includes("[")).map(([path, methods]) => ({
  segments: path.split("/"),
  methods,
}));

/** What a part of a path may be filled in with: nothing that reads as another path. */
const FILLED = /^[\w-]+$/;

/** What may be asked of a path, written as it stands in the table or with its parts filled in; undefined where there is no endpoint. */
export function methodsAt(path: string): Methods | undefined {
  // A part that is named comes before one that is filled in.
  const named = NAMED.get(path);
  if (named) return named;
  const asked = path.split("/");
  return FILLED_IN.find(
    ({ segments }) =>
      segments.length === asked.length &&
      segments.every((segment, i) => segment === asked[i] || (segment.startsWith("[") && FILLED.test(asked[i] ?? ""))),
  )?.methods;
}

/** Whether a request may write something that shops are answered by. @example mayWrite("POST", "/api/evidence") // false */
export const mayWrite = (method: string, path: string): boolean =>
  method !== "GET" && method !== "HEAD" && !methodsAt(path)?.POST?.asks;

/**
 * What it takes to ask something: nothing, or a role, or a key with the right, where there is one. `unknown` is what stands in no
 * table: it is passed on to nobody, however it is written.
 */
export type Access =
  | "open"
  | "unknown"
  | { readonly role: Role; readonly right: Right | undefined; readonly isPage: boolean };

const PAGE_OF: ReadonlyMap<string, Who> = new Map(Object.entries(PAGES));

/** @example accessTo("POST", "/api/draft/changes") // { role: "edit", … } */
export function accessTo(method: string, path: string): Access {
  const methods = methodsAt(path);
  const page = methods ? undefined : PAGE_OF.get(path.length > 1 ? path.replace(/\/$/, "") : path);
  const asked: Who | undefined = methods ? (method === "POST" ? methods.POST : methods.GET) : page;
  if (!asked) return "unknown";
  if (asked.who === "anybody") return "open";
  return { role: asked.who, right: asked.right, isPage: page !== undefined };
}
