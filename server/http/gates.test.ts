import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { accessTo, ENDPOINTS, methodsAt, PAGES } from "./endpoints.ts";
import { endpointsText } from "./endpoints-text.ts";
import { gates, nameOf, pathOf } from "./gates.ts";

const pass = gates(["Shop.example"]);
const ask = (more: { method?: string; url?: string; headers?: Record<string, string> }) =>
  pass({ method: "GET", url: "/offers", ...more, headers: { host: "localhost:4173", ...more.headers } });
const statusOf = (more: Parameters<typeof ask>[0]) => ask(more)?.status;

describe("the gates", () => {
  it("tell a name from its port, and a path from its query, as a pattern would", () => {
    const near = fc.string({
      unit: fc.constantFrom("a", "Z", ":", "1", "0", "[", "]", "/", "?", "#", "%"),
      maxLength: 12,
    });
    fc.assert(
      fc.property(near, (text) => {
        expect(nameOf(text)).toBe(text.replace(/:\d*$/, "").toLowerCase());
        expect(pathOf(text)).toBe(text.split(/[?#]/)[0]);
      }),
      { numRuns: 2000 },
    );
  });

  it("let in who asks by a name of this machine or of the setting, and nobody else", () => {
    for (const host of [
      "localhost",
      "LOCALHOST:80",
      "127.0.0.1:4173",
      "[::1]:4173",
      "shop.example",
      "SHOP.example:443",
    ])
      expect(statusOf({ headers: { host } })).toBeUndefined();
    for (const host of [
      "",
      "evil.example",
      "localhost.evil.example",
      "127.0.0.1.nip.example",
      "shop.example.evil",
      "::1",
    ])
      expect([host, statusOf({ headers: { host } })]).toEqual([host, 421]);
    fc.assert(
      fc.property(fc.webAuthority(), (host) => {
        const isKnown = /^(localhost|127\.0\.0\.1|\[::1\]|shop\.example)(:\d*)?$/i.test(host);
        expect(statusOf({ headers: { host } })).toBe(isKnown ? undefined : 421);
      }),
    );
  });

  it("refuse writes from pages of other sites, other ports of this machine too, and let links lead here", () => {
    const write = (headers: Record<string, string>) => statusOf({ method: "POST", url: "/api/draft/changes", headers });
    expect(write({})).toBeUndefined();
    expect(write({ "sec-fetch-site": "same-origin", origin: "http://localhost:4173" })).toBeUndefined();
    expect(write({ "sec-fetch-site": "none" })).toBeUndefined();
    for (const site of ["cross-site", "same-site", "cross-site, same-origin"])
      expect([site, write({ "sec-fetch-site": site })]).toEqual([site, 403]);
    for (const origin of ["null", "", "http://localhost:4174", "http://evil.example", "http://localhost", "file://"])
      expect([origin, write({ origin })]).toEqual([origin, 403]);
    expect(statusOf({ headers: { "sec-fetch-site": "cross-site" } })).toBeUndefined();
  });

  it("say which methods are allowed, and what is too large before it is read", () => {
    expect(ask({ method: "DELETE", url: "/api/samples?x=1" })).toMatchObject({
      status: 405,
      headers: { allow: "GET, POST, HEAD", "content-type": "application/problem+json" },
    });
    expect(ask({ url: "/api/quote" })).toMatchObject({ status: 405, headers: { allow: "POST" } });
    for (const url of ["/", "/offers", "/_astro/x.js"])
      expect(ask({ method: "POST", url })).toMatchObject({ status: 405, headers: { allow: "GET, HEAD" } });
    expect(statusOf({ method: "HEAD", url: "/api/releases/7" })).toBeUndefined();
    const quote = (length: string) =>
      statusOf({ method: "POST", url: "/api/quote", headers: { "content-length": length } });
    expect([quote("262144"), quote("262145")]).toEqual([undefined, 413]);
    for (const url of ["/%E0%A4%A", "*", "http://evil.example/"]) expect([url, statusOf({ url })]).toEqual([url, 400]);
  });
});

describe("the table of endpoints", () => {
  const folder = fileURLToPath(new URL("../../web/pages/", import.meta.url));

  it("has every endpoint there is, with the methods it answers, and no other", () => {
    const front = readFileSync(new URL("./front.ts", import.meta.url), "utf8");
    const answered = new Map<string, Set<string>>();
    const add = (path: string, method: string) => answered.set(path, (answered.get(path) ?? new Set()).add(method));
    for (const [, path] of front.matchAll(/taking\("(\/api\/[^"]+)"/g)) if (path) add(path, "POST");
    for (const file of readdirSync(join(folder, "api"), { recursive: true, encoding: "utf8" })) {
      if (!file.endsWith(".ts") || file.includes("...")) continue;
      const path = `/api/${file.replace(/\.ts$/, "").replace(/(^|\/)index$/, "")}`.replace(/\/$/, "");
      const text = readFileSync(join(folder, "api", file), "utf8");
      for (const [, method] of text.matchAll(/export const ([A-Z]+)\b/g)) if (method) add(path, method);
    }
    const listed = Object.entries(ENDPOINTS).map(([path, methods]) => [path, Object.keys(methods).sort()]);
    expect(listed).toEqual([...answered].sort().map(([path, methods]) => [path, [...methods].sort()]));
  });

  it("has every page there is, and stands in docs/ as it is", () => {
    const pages = readdirSync(folder).filter((file) => file.endsWith(".astro") && file !== "404.astro");
    const paths = pages.map((file) => `/${file.replace(/\.astro$/, "").replace(/^index$/, "")}`);
    expect(Object.keys(PAGES)).toEqual(paths.sort());
    const written = readFileSync(new URL("../../docs/endpoints.md", import.meta.url), "utf8");
    expect(written).toBe(endpointsText());
  });

  it("lets nothing that it does not name be reached, however it is written", () => {
    fc.assert(
      fc.property(fc.webPath(), fc.constantFrom("GET", "POST"), (path, method) => {
        const access = accessTo(method, path);
        if (access === "unknown") return;
        const named = [...Object.keys(ENDPOINTS), ...Object.keys(PAGES)];
        const isNamed = named.some((one) => new RegExp(`^${one.replaceAll(/\[\w+\]/g, "[\\w-]+")}/?$`).test(path));
        expect([path, isNamed]).toEqual([path, true]);
      }),
    );
    for (const path of [
      "/api/%64raft",
      "/api//draft",
      "/api/draft/",
      "/api/regions/..",
      "/api/regions/%2e%2e",
      "/x.js",
    ])
      expect([path, accessTo("GET", path)]).toEqual([path, "unknown"]);
    expect(accessTo("GET", "/offers/")).toEqual({ role: "look", right: undefined, isPage: true });
    expect(accessTo("POST", "/api/quote")).toEqual({ role: "look", right: "quote", isPage: false });
    expect(accessTo("HEAD", "/api/draft")).toEqual({ role: "look", right: undefined, isPage: false });
  });

  it("takes a part that is named before one that is filled in", () => {
    expect(methodsAt("/api/releases/offers")).toBe(ENDPOINTS["/api/releases/offers"]);
    expect(methodsAt("/api/releases/12")).toBe(ENDPOINTS["/api/releases/[number]"]);
    expect(["/api/releases/", "/api/releases/1/2", "/api", "/api/quote/"].map(methodsAt)).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
  });
});
