import { once } from "node:events";
import { createServer, type IncomingMessage } from "node:http";
import { connect } from "node:net";
import { text } from "node:stream/consumers";
import { setImmediate as later, setTimeout as pause } from "node:timers/promises";
import * as fc from "fast-check";
import { afterAll, describe, expect, it } from "vitest";
import { checkClaim } from "../validation/documents.ts";
import { readBody, readIncoming } from "./read-body.ts";

const JSON_TYPE = "application/json; charset=utf-8";
const post = (body: string | ReadableStream, type: string | null = JSON_TYPE) =>
  new Request("http://127.0.0.1/", {
    method: "POST",
    body,
    ...(type === null ? {} : { headers: { "content-type": type } }),
    // A stream's length is not known beforehand.
    ...(body instanceof ReadableStream ? { duplex: "half" } : {}),
  });
const claim = { order: "o-1", offers: ["free-post"] };

async function refusalOf(request: Request, limit = 1000): Promise<{ status: number; document: unknown }> {
  const read = await readBody(request, limit, checkClaim);
  if (!("refusal" in read)) throw new Error("the body was taken");
  expect(read.refusal.headers["content-type"]).toBe("application/problem+json");
  return { status: read.refusal.status, document: JSON.parse(read.refusal.body) };
}

describe("the body of a request", () => {
  it("is read and checked", async () => {
    expect(await readBody(post(JSON.stringify(claim)), 1000, checkClaim)).toEqual({ value: claim });
    // Split in the middle of a character of several bytes.
    const bytes = new TextEncoder().encode(JSON.stringify({ ...claim, order: "Bestellung-ü" }));
    const parts = new ReadableStream({
      start(controller) {
        for (const byte of bytes) controller.enqueue(Uint8Array.of(byte));
        controller.close();
      },
    });
    expect(await readBody(post(parts), 1000, checkClaim)).toEqual({ value: { ...claim, order: "Bestellung-ü" } });
  });

  it.each([null, "text/plain", "application/x-www-form-urlencoded", "application/jsonp"])(
    "has to be JSON by its type: %s is 415",
    async (type) => {
      expect((await refusalOf(post(JSON.stringify(claim), type))).status).toBe(415);
    },
  );

  it("is not read further than it may be long, whether it says so or not", async () => {
    expect((await refusalOf(post(JSON.stringify(claim)), 20)).status).toBe(413);
    let pulled = 0;
    const endless = new ReadableStream({
      pull(controller) {
        pulled += 1;
        controller.enqueue(new TextEncoder().encode(" ".repeat(100)));
      },
    });
    expect((await refusalOf(post(endless), 1000)).status).toBe(413);
    expect(pulled).toBeLessThan(20);
    const exact = JSON.stringify(claim);
    expect(await readBody(post(exact), exact.length, checkClaim)).toHaveProperty("value");
  });

  it("is told from where on it is no JSON, and what has the wrong form", async () => {
    const broken = await refusalOf(post('{"order": "o-1", "offers": [}'));
    expect(broken.status).toBe(400);
    expect(JSON.stringify(broken.document)).toMatch(/is not JSON: Unexpected token/);
    expect((await refusalOf(post(""))).status).toBe(400);
    const cutOff = new TextEncoder().encode('{"order": "ü"}').filter((byte) => byte !== 0xbc);
    const parts = new ReadableStream({
      start(controller) {
        controller.enqueue(cutOff);
        controller.close();
      },
    });
    expect(await refusalOf(post(parts))).toMatchObject({ status: 400, document: { detail: "It is not UTF-8." } });
    const wrong = await refusalOf(post(JSON.stringify({ order: "o-1", offers: [7], more: true })));
    expect(wrong).toMatchObject({ status: 422 });
    expect(JSON.stringify(wrong.document)).toMatch(/\/offers\/0/);
    expect(JSON.stringify(wrong.document)).toMatch(/\/more/);
    const doubled = await refusalOf(post('{"order": "o-1", "order": "o-2", "offers": ["free-post"]}'));
    expect(doubled.status).toBe(400);
  });
});

describe("the body of a request as node has it", async () => {
  const LIMIT = 20_000;
  const told: unknown[] = [];
  /** How long whoever reads has other things to do first. */
  let busy: () => Promise<unknown> = later;
  const read = async (request: IncomingMessage) => {
    await busy();
    const body = await readIncoming(request, LIMIT, checkClaim);
    const said = !body ? "gone" : "refusal" in body ? body.refusal.status : body.value;
    told.push(said);
    return JSON.stringify(said);
  };
  const server = createServer((request, response) => read(request).then((said) => response.end(said)));
  server.listen(0, "127.0.0.1");
  await once(server, "listening");
  afterAll(() => server.close());

  function dialled() {
    const address = server.address();
    if (typeof address !== "object" || !address) throw new Error("the server does not listen");
    return connect({ port: address.port, host: "127.0.0.1", noDelay: true });
  }
  const headed = (length: string) =>
    `POST / HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n${length}\r\n\r\n`;
  const bodies = (all: string) =>
    all
      .split("\r\n\r\n")
      .slice(1)
      .map((part) => part.split("HTTP/1.1")[0]);

  it("is the same in whatever pieces and however late it comes, one after the other on a connection", async () => {
    const order = fc.string({ minLength: 1, maxLength: 40, unit: fc.constantFrom("a", "ü", "✓", "😀") });
    const cuts = fc.array(fc.nat({ max: 400 }), { maxLength: 4 });
    const drawn = fc.array(fc.record({ order, cuts, isChunked: fc.boolean() }), { minLength: 1, maxLength: 3 });
    await fc.assert(
      fc.asyncProperty(drawn, fc.boolean(), async (asked, isBusy) => {
        busy = isBusy ? () => pause(5) : later;
        const socket = dialled();
        const came = text(socket);
        for (const [i, { order, cuts, isChunked }] of asked.entries()) {
          const body = Buffer.from(JSON.stringify({ ...claim, order }));
          const close = i === asked.length - 1 ? "\r\nConnection: close" : "";
          const framed = isChunked
            ? Buffer.concat([Buffer.from(`${body.byteLength.toString(16)}\r\n`), body, Buffer.from("\r\n0\r\n\r\n")])
            : body;
          socket.write(
            headed((isChunked ? "Transfer-Encoding: chunked" : `Content-Length: ${body.byteLength}`) + close),
          );
          const at = [0, ...cuts.map((cut) => Math.min(cut, framed.byteLength)).sort((a, b) => a - b)];
          for (const [k, from] of at.entries()) {
            if (k > 0) await later();
            socket.write(framed.subarray(from, at[k + 1] ?? framed.byteLength));
          }
        }
        expect((await came).match(/HTTP\/1\.1 200/g)).toHaveLength(asked.length);
        expect(told.splice(0)).toEqual(asked.map(({ order }) => ({ ...claim, order })));
      }),
      { numRuns: 60 },
    );
  });

  it("is refused when it is empty or too large, with its length said or not, and read no further when the caller goes", async () => {
    const large = " ".repeat(LIMIT + 1);
    const size = large.length;
    for (const wait of [later, () => pause(20)]) {
      busy = wait;
      for (const [head, body, status] of [
        ["Content-Length: 0", "", 400],
        [`Content-Length: ${size}`, large, 413],
        ["Transfer-Encoding: chunked", `${size.toString(16)}\r\n${large}\r\n0\r\n\r\n`, 413],
      ] as const) {
        const socket = dialled();
        socket.write(headed(`${head}\r\nConnection: close`) + body);
        expect(bodies(await text(socket))).toEqual([String(status)]);
      }
      told.length = 0;
      const gone = dialled();
      gone.write(`${headed("Content-Length: 50")}{"order":`);
      await pause(10);
      gone.destroy();
      await expect.poll(() => told).toEqual(["gone"]);
    }
  });
});
