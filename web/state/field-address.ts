import type { EntityKind } from "../../core/plan/entities.ts";

/** Where things of a kind are changed; an id follows. */
const PAGES: Readonly<Record<EntityKind, string>> = {
  store: "/places#store/settings",
  market: "/places#market/",
  zone: "/places#zone/",
  location: "/places#location/",
  option: "/delivery#",
  offer: "/offers#",
  notice: "/wording#notice/",
  condition: "/offers#condition/",
  rates: "/offers#rates",
};

type Field = { readonly kind: EntityKind; readonly id: string; readonly path?: string };

/**
 * The address of a field: its section, what is open there, and which part is marked, as a JSON pointer within the entity.
 *
 * @example fieldAddress({ kind: "offer", id: "post", path: "/limits/overall" }) // "/offers?at=%2Flimits%2Foverall#post"
 */
export function fieldAddress({ kind, id, path = "" }: Field): string {
  if (isText(kind, path)) return marked(`/wording#${kind === "store" ? "plan" : encodeURIComponent(id)}`, path);
  const page = PAGES[kind];
  return marked(kind === "store" || kind === "rates" ? page : `${page}${encodeURIComponent(id)}`, path);
}

/** Texts about steps are changed where all texts are. */
const isText = (kind: EntityKind, path: string): boolean =>
  (kind === "store" && path.startsWith("/wording")) || (kind === "offer" && /^\/steps\/\d+\/wording/.test(path));

function marked(address: string, path: string): string {
  const [page = "", id] = address.split("#");
  const query = path === "" ? "" : `?at=${encodeURIComponent(path)}`;
  return `${page}${query}${id === undefined ? "" : `#${id}`}`;
}

/**
 * Of places named by JSON pointers, the one that a pointer lies in or at; the narrowest. One that it lies around will do.
 *
 * @example nearestPlace(["/limits", "/limits/overall", "/when"], "/limits/overall") // "/limits/overall"
 */
export function nearestPlace(places: readonly string[], path: string): string | null {
  const around = places.filter((place) => path === place || path.startsWith(`${place}/`));
  const within = places.filter((place) => place.startsWith(`${path}/`));
  const [best] = around.length > 0 ? around.sort((a, b) => b.length - a.length) : within;
  return best ?? null;
}
