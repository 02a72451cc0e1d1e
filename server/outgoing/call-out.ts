import { lookup } from "node:dns/promises";
import { type IncomingMessage, request as plainRequest } from "node:http";
import { request as safeRequest } from "node:https";
import { BlockList, isIP, isIPv4, isIPv6 } from "node:net";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";

/** What the server may call: names of hosts, and addresses or ranges of them ("10.0.0.0/8"). */
export type Listed = readonly string[];

/** What came back, or why nothing was asked or nothing came. */
export type CalledOut =
  | { readonly status: number; readonly headers: IncomingMessage["headers"]; readonly body: Buffer }
  | { readonly problem: Phrase };

type Asked = {
  readonly method?: "GET" | "POST";
  readonly headers?: Readonly<Record<string, string>>;
  readonly body?: string;
  /** Bytes that are read of an answer at most; a longer one is none. */
  readonly most?: number;
  /** Milliseconds that the whole may take. */
  readonly within?: number;
};

const MOST = 1024 * 1024;
const WITHIN = 10_000;

/**
 * The one way out of this server: only to hosts that are listed, whose name is looked up once, and whose address is a public one
 * unless it is listed itself. What is redirected is not followed.
 *
 * @example await callOut("https://shop.example/cart", ["shop.example"]) // { status: 200, … }
 */
export async function callOut(address: string, listed: Listed, asked: Asked = {}): Promise<CalledOut> {
  const url = URL.canParse(address) ? new URL(address) : undefined;
  if (!url || !(url.protocol === "https:" || url.protocol === "http:"))
    return { problem: phrase("That is no address of the web: it begins with https:// or http://") };
  if (url.username !== "" || url.password !== "") return { problem: phrase("An address holds no name and password") };
  const name = url.hostname.replace(/^\[|\]$/g, "").toLowerCase();
  const ranges = rangesIn(listed);
  if (isIP(name) === 0 && !listed.some((one) => one.toLowerCase() === name))
    return { problem: phrase("{host} is not on the list of hosts that may be called", { host: name }) };
  const found = await addressesOf(name);
  const [to] = found;
  if (!to) return { problem: phrase("{host} has no address", { host: name }) };
  // All of them: which one a name gives first is up to whoever owns the name.
  const barred = found.find((one) => !has(ranges, one) && (isIP(name) !== 0 || has(NOT_PUBLIC, one)));
  if (barred !== undefined)
    return {
      problem: phrase("The address {address} may be called only where it is listed itself", { address: barred }),
    };
  return send(url, to, asked);
}

async function addressesOf(name: string): Promise<string[]> {
  if (isIP(name) !== 0) return [name];
  try {
    return (await lookup(name, { all: true })).map(({ address }) => address);
  } catch {
    return [];
  }
}

/** Addresses of private and special use: IANA's registries for IPv4 and IPv6 (RFC 6890 and what updates it). */
const NOT_PUBLIC = rangesIn([
  ...["0.0.0.0/8", "10.0.0.0/8", "100.64.0.0/10", "127.0.0.0/8", "169.254.0.0/16", "172.16.0.0/12", "192.0.0.0/24"],
  ...["192.0.2.0/24", "192.88.99.0/24", "192.168.0.0/16", "198.18.0.0/15", "198.51.100.0/24", "203.0.113.0/24"],
  ...["224.0.0.0/4", "240.0.0.0/4"],
  ...["::/128", "::1/128", "64:ff9b::/96", "64:ff9b:1::/48", "100::/64", "2001::/23", "2001:db8::/32", "2002::/16"],
  ...["fc00::/7", "fe80::/10", "ff00::/8"],
]);

function rangesIn(listed: Listed): BlockList {
  const list = new BlockList();
  for (const one of listed) {
    const [address = "", prefix] = one.split("/");
    const kind = kindOf(address);
    if (!kind) continue;
    const longest = kind === "ipv4" ? 32 : 128;
    const bits = prefix === undefined ? longest : Number(prefix);
    if (Number.isInteger(bits) && bits >= 0 && bits <= longest) list.addSubnet(address, bits, kind);
  }
  return list;
}

function kindOf(address: string): "ipv4" | "ipv6" | undefined {
  if (isIPv4(address)) return "ipv4";
  return isIPv6(address) ? "ipv6" : undefined;
}

function has(list: BlockList, address: string): boolean {
  const kind = kindOf(address);
  return kind !== undefined && list.check(address, kind);
}

function send(url: URL, to: string, { method = "GET", headers = {}, body, most = MOST, within = WITHIN }: Asked) {
  return new Promise<CalledOut>((resolve) => {
    const request = url.protocol === "https:" ? safeRequest : plainRequest;
    const sent = request(
      url,
      {
        method,
        headers,
        signal: AbortSignal.timeout(within),
        // The address that was looked at is the one that is called.
        lookup: (_, options, found) => {
          const family = isIP(to);
          if (options.all) found(null, [{ address: to, family }]);
          else found(null, to, family);
        },
      },
      (answer) => {
        const parts: Buffer[] = [];
        let size = 0;
        answer.on("data", (part: Buffer) => {
          size += part.byteLength;
          if (size > most) {
            resolve({ problem: phrase("The answer is too long: at most {most} bytes are read", { most }) });
            sent.destroy();
          } else parts.push(part);
        });
        answer.once("end", () =>
          resolve({ status: answer.statusCode ?? 0, headers: answer.headers, body: Buffer.concat(parts) }),
        );
        answer.once("error", fail);
      },
    );
    const fail = (error: Error) =>
      resolve({ problem: phrase("{host} did not answer: {why}", { host: url.host, why: error.message }) });
    sent.once("error", fail);
    sent.end(body);
  });
}
