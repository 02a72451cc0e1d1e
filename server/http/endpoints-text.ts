import { RIGHTS } from "../keys/rights.ts";
import { mayAs, ROLES } from "../people/person.ts";
import { ENDPOINTS, PAGES } from "./endpoints.ts";

type Entry = { readonly who: "anybody" | (typeof ROLES)[number]; readonly right?: string; readonly largest?: number };

const MARK = "yes";
const row = (cells: readonly string[]) => `| ${cells.join(" | ")} |`;

/** Who may ask what, as a page of docs/: made by `npm run schemas`, and each cell of it asked by `npm run test:attack`. */
export function endpointsText(): string {
  const columns = ["anybody", ...ROLES, ...RIGHTS.map((right) => `key: ${right}`)];
  const cells = (asked: string, { who, right, largest }: Entry) =>
    row([
      asked,
      who === "anybody" ? MARK : "",
      ...ROLES.map((role) => (who === "anybody" || mayAs(role, who) ? MARK : "")),
      ...RIGHTS.map((one) => (who === "anybody" || one === right ? MARK : "")),
      largest === undefined ? "" : String(largest),
    ]);
  const endpoints = Object.entries(ENDPOINTS).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, entry]) => cells(`\`${method} ${path}\``, entry)),
  );
  const pages = Object.entries(PAGES).map(([path, entry]) => cells(`\`${path}\``, entry));
  return [
    "# Who may ask what",
    "",
    "Made from `server/http/endpoints.ts` by `npm run schemas`. People sign in and have a role; shops' servers send a key, which may do what is",
    "ticked. Whatever is not here is passed on to nobody. `npm run test:attack` asks every cell of it.",
    "",
    row(["", ...columns, "bytes at most"]),
    row(columns.map(() => "---").concat("---", "---")),
    ...endpoints,
    ...pages,
    "",
  ].join("\n");
}
