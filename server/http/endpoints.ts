const KIB = 1024;
const MIB = 1024 * KIB;

/** What an endpoint takes by one method: bytes of its body at most, where it has one. */
type Taken = { readonly largest: number };
type Methods = { readonly GET?: object; readonly POST?: Taken };

/**
 * Every endpoint with what may be asked of it: whatever is not here is refused before anything looks at it. A test compares the table
 * with the files of the framework's endpoints.
 */
export const ENDPOINTS = {
  "/api/carriers": { GET: {}, POST: { largest: 64 * KIB } },
  "/api/catalogue": { GET: {} },
  "/api/checks/surroundings": { GET: {} },
  "/api/draft": { GET: {} },
  "/api/draft/changes": { POST: { largest: 8 * MIB } },
  "/api/draft/check": { POST: { largest: 8 * MIB } },
  "/api/health": { GET: {} },
  "/api/products": { GET: {}, POST: { largest: MIB } },
  "/api/products/csv": { GET: {} },
  "/api/products/import": { POST: { largest: 8 * MIB } },
  "/api/products/names": { GET: {} },
  "/api/quote": { POST: { largest: 256 * KIB } },
  "/api/redemptions": { GET: {}, POST: { largest: 16 * KIB } },
  "/api/redemptions/cancel": { POST: { largest: 4 * KIB } },
  "/api/regions/[country]": { GET: {} },
  "/api/releases": { GET: {}, POST: { largest: 8 * KIB } },
  "/api/releases/[number]": { GET: {}, POST: { largest: KIB } },
  "/api/releases/offers": { POST: { largest: KIB } },
  "/api/sample-carts": { POST: { largest: 256 * KIB } },
  "/api/samples": { GET: {}, POST: { largest: 8 * MIB } },
  "/api/shoppers/erase": { POST: { largest: KIB } },
  "/api/shoppers/export": { POST: { largest: KIB } },
  "/api/standpoints": { GET: {}, POST: { largest: 64 * KIB } },
} as const satisfies Readonly<Record<string, Methods>>;

type Endpoints = typeof ENDPOINTS;
/** An endpoint that takes a body. */
type Posted = { [Path in keyof Endpoints]: Endpoints[Path] extends { POST: Taken } ? Path : never }[keyof Endpoints];

/** Bytes that the body of an endpoint has at most. @example largest("/api/quote") // 262144 */
export const largest = (path: Posted): number => ENDPOINTS[path].POST.largest;

const BY_LENGTH = new Map<number, { readonly segments: readonly string[]; readonly methods: Methods }[]>();
for (const [path, methods] of Object.entries(ENDPOINTS)) {
  const segments = path.split("/");
  BY_LENGTH.set(segments.length, [...(BY_LENGTH.get(segments.length) ?? []), { segments, methods }]);
}

/** What may be asked of a path, written as it stands in the table or with its parts filled in; undefined where there is no endpoint. */
export function methodsAt(path: string): Methods | undefined {
  const asked = path.split("/");
  const fits = (segments: readonly string[], exactly: boolean) =>
    segments.every((segment, i) => segment === asked[i] || (!exactly && segment.startsWith("[") && asked[i] !== ""));
  const known = BY_LENGTH.get(asked.length) ?? [];
  // A part that is named comes before one that is filled in.
  const found =
    known.find(({ segments }) => fits(segments, true)) ?? known.find(({ segments }) => fits(segments, false));
  return found?.methods;
}
