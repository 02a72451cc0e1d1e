import { once } from "node:events";
import { createServer, type ServerResponse } from "node:http";
import { connect, type Socket } from "node:net";
import { text } from "node:stream/consumers";
import { afterAll, describe, expect, it } from "vitest";
import type { Answer } from "./answer.ts";
import { writeAnswer } from "./write-answer.ts";

const LONG = "Förderung ✓ ".repeat(20_000);
const ANSWERS: Readonly<Record<string, Answer>> = {
  "/text": { status: 200, headers: { "content-type": "text/plain" }, body: LONG },
  "/octets": { status: 200, headers: {}, body: Buffer.from("Porto – Faro").toString("latin1"), isOctets: true },
  "/away": { status: 303, headers: { location: "/text" }, body: "" },
};

/** Those under way, by address: each is answered when it is told to. */
const open = new Map<string, () => void>();
const server = createServer((request, response: ServerResponse) => {
  const { url = "" } = request;
  const path = url.replace("?later", "");
  const answer = ANSWERS[path];
  if (!answer) throw new Error(`nothing is answered at ${url}`);
  const write = () => writeAnswer(request, response, answer);
  if (url !== path) open.set(path, write);
  else if (request.method === "POST") write();
  else request.resume().once("end", write);
});
server.listen(0, "127.0.0.1");
await once(server, "listening");
afterAll(() => server.close());

function dialled(): Socket {
  const address = server.address();
  if (typeof address !== "object" || !address) throw new Error("the server does not listen");
  return connect(address.port, "127.0.0.1");
}

/** What the server sends, to its end, when it is asked this one after the other without waiting. */
async function sent(...asked: readonly string[]): Promise<string> {
  const socket = dialled();
  socket.write(asked.map((line) => `${line} HTTP/1.1\r\nHost: localhost\r\n\r\n`).join(""));
  socket.write("GET /away HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n");
  return text(socket);
}

/** Status, length as said and body of each answer, read as RFC 9112, section 6.3 has it: after a HEAD there is no body. */
function read(all: string, methods: readonly string[]): (readonly [number, number, string])[] {
  let rest = Buffer.from(all);
  return methods.map((method) => {
    const head = rest.indexOf("\r\n\r\n");
    const lines = rest.subarray(0, head).toString().split("\r\n");
    const length = Number(lines.find((line) => line.startsWith("content-length: "))?.slice("content-length: ".length));
    const end = head + 4 + (method === "HEAD" ? 0 : length);
    const body = rest.subarray(head + 4, end).toString();
    rest = rest.subarray(end);
    return [Number(lines[0]?.split(" ")[1]), length, body === LONG ? "all of it" : body.slice(0, 40)] as const;
  });
}

describe("an answer", () => {
  const size = Buffer.byteLength(LONG);

  it("is whole, whatever it is asked with and however many are asked at once", async () => {
    const all = await sent("GET /text", "HEAD /text", "GET /octets", "HEAD /octets", "GET /text");
    expect(read(all, ["GET", "HEAD", "GET", "HEAD", "GET", "GET"])).toEqual([
      [200, size, "all of it"],
      [200, size, ""],
      [200, 14, "Porto – Faro"],
      [200, 14, ""],
      [200, size, "all of it"],
      [303, 0, ""],
    ]);
  });

  it("waits for those that were asked for before it", async () => {
    const came = sent("GET /octets?later", "GET /text?later");
    await expect.poll(() => [...open.keys()]).toEqual(["/octets", "/text"]);
    open.get("/text")?.();
    open.get("/octets")?.();
    expect(read(await came, ["GET", "GET", "GET"])).toEqual([
      [200, 14, "Porto – Faro"],
      [200, size, "all of it"],
      [303, 0, ""],
    ]);
  });

  it("closes the connection where the body was not read to its end, and harms nobody when the caller has gone", async () => {
    const socket = dialled();
    socket.write("POST /octets HTTP/1.1\r\nHost: localhost\r\nContent-Length: 99\r\n\r\nnot all of it");
    expect(await text(socket)).toMatch(/\r\nconnection: close\r\n/i);

    open.clear();
    const gone = dialled();
    gone.write("GET /text?later HTTP/1.1\r\nHost: localhost\r\n\r\n");
    await expect.poll(() => open.has("/text")).toBe(true);
    gone.resetAndDestroy();
    await once(gone, "close");
    open.get("/text")?.();
    expect(read(await sent("GET /octets"), ["GET"])).toEqual([[200, 14, "Porto – Faro"]]);
  });
});
