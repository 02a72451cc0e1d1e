import type { IncomingMessage } from "node:http";
import { LOOPBACK, nameOf } from "./gates.ts";

/** Where a request comes from, and whether nobody on the way can read along. */
export type CameFrom = { readonly address: string; readonly agent: string; readonly isPrivate: boolean };

/**
 * @param proxies addresses of what stands in front of this server: they alone are believed about who asked them, and how
 * @example cameFrom(request, new Set(["10.0.0.2"])) // { address: "198.51.100.7", isPrivate: true, … }
 */
export function cameFrom(request: IncomingMessage, proxies: ReadonlySet<string>): CameFrom {
  const { headers, socket } = request;
  const agent = headers["user-agent"] ?? "";
  const near = plain(socket.remoteAddress ?? "");
  if (proxies.has(near)) {
    // The last is the one that the proxy itself has seen.
    const last = [headers["x-forwarded-for"]].flat().join(",").split(",").at(-1)?.trim();
    const isPrivate = headers["x-forwarded-proto"] === "https";
    return { address: last || near, agent, isPrivate };
  }
  return { address: near, agent, isPrivate: LOOPBACK.includes(nameOf(headers.host ?? "")) };
}

/** IPv4 as it is written, however it came in. @example plain("::ffff:10.0.0.2") // "10.0.0.2" */
const plain = (address: string) => address.replace(/^::ffff:/, "");
