import { IncomingMessage } from "node:http";
import { Socket } from "node:net";
import { describe, expect, it } from "vitest";
import { cameFrom } from "./origin-of.ts";
import { cookieOf, setCookie } from "./session-cookie.ts";

function from(remoteAddress: string, headers: Record<string, string>, proxies: readonly string[] = []) {
  const socket = new Socket();
  Object.defineProperty(socket, "remoteAddress", { value: remoteAddress });
  const request = new IncomingMessage(socket);
  Object.assign(request.headers, headers);
  const { address, isPrivate } = cameFrom(request, new Set(proxies));
  return [address, isPrivate];
}

describe("where a request comes from", () => {
  it("is who is connected, and private on this machine alone, whatever is told", () => {
    const told = { "x-forwarded-for": "10.9.9.9", "x-forwarded-proto": "https" };
    expect(from("127.0.0.1", { host: "localhost:4173" })).toEqual(["127.0.0.1", true]);
    expect(from("::ffff:127.0.0.1", { host: "[::1]:4173", ...told })).toEqual(["127.0.0.1", true]);
    expect(from("198.51.100.7", { host: "shop.example", ...told })).toEqual(["198.51.100.7", false]);
  });

  it("is what a proxy that is named says, of those the last, and by what it says it came", () => {
    const host = "shop.example";
    const proxies = ["10.0.0.2"];
    expect(
      from("10.0.0.2", { host, "x-forwarded-for": "1.1.1.1, 198.51.100.7", "x-forwarded-proto": "https" }, proxies),
    ).toEqual(["198.51.100.7", true]);
    expect(from("::ffff:10.0.0.2", { host, "x-forwarded-for": "198.51.100.7" }, proxies)).toEqual([
      "198.51.100.7",
      false,
    ]);
    expect(from("10.0.0.2", { host: "localhost" }, proxies)).toEqual(["10.0.0.2", false]);
  });
});

describe("the session's cookie", () => {
  it("is set for this host alone, by HTTPS, for no script, and found among others", () => {
    expect(setCookie("x1")).toBe("__Host-summant=x1; Path=/; Secure; HttpOnly; SameSite=Lax");
    expect(cookieOf("a=1; __Host-summant=x1;b=2")).toBe("x1");
    for (const header of [undefined, "", "a=1", "x__Host-summant=x1", "__Host-summant=", "__host-summant=x1"])
      expect([header, cookieOf(header)]).toEqual([header, undefined]);
  });
});
