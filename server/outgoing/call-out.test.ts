import { createServer, type RequestListener, type Server } from "node:http";
import { afterAll, describe, expect, it } from "vitest";
import { english } from "../../core/phrases/speak.ts";
import { callOut, type Listed } from "./call-out.ts";

const servers: Server[] = [];
afterAll(() => Promise.all(servers.map((server) => new Promise((resolve) => server.close(resolve)))));

/** A server of somebody else's, on this machine. @returns its port, and how often it was asked */
async function elsewhere(answer: RequestListener): Promise<{ port: number; asked: () => number }> {
  let asked = 0;
  const server = createServer((request, response) => {
    asked += 1;
    answer(request, response);
  }).listen(0, "127.0.0.1");
  servers.push(server);
  await new Promise((resolve) => server.once("listening", resolve));
  const address = server.address();
  return { port: typeof address === "object" && address ? address.port : 0, asked: () => asked };
}

const why = async (address: string, listed: Listed) => {
  const came = await callOut(address, listed);
  return "problem" in came ? english(came.problem) : came.status;
};

describe("calls to other servers", () => {
  it("go to hosts that are listed, and to private addresses only where those are listed themselves", async () => {
    const { port, asked } = await elsewhere((_, response) => response.end("here"));
    const local = `http://localhost:${port}/`;
    expect(await why(local, [])).toMatch(/localhost is not on the list/);
    expect(await why(local, ["localhost"])).toMatch(/may be called only where it is listed itself/);
    expect(await why(`http://127.0.0.1:${port}/`, ["localhost"])).toMatch(/only where it is listed/);
    expect(asked()).toBe(0);
    expect(await why(local, ["LOCALHOST", "127.0.0.0/8", "::1"])).toBe(200);
    expect(await why(`http://127.0.0.1:${port}/`, ["127.0.0.1"])).toBe(200);
    expect(asked()).toBe(2);
  });

  it("reach no private address, however it is written", async () => {
    const { port, asked } = await elsewhere((_, response) => response.end());
    for (const host of [
      ...["127.0.0.1", "127.1", "2130706433", "0x7f000001", "0177.0.0.1", "0.0.0.0", "[::1]", "[::]", "10.1.2.3"],
      ...[
        "[::ffff:127.0.0.1]",
        "[::ffff:7f00:1]",
        "169.254.169.254",
        "[fe80::1]",
        "[fd00::1]",
        "192.168.0.1",
        "172.31.0.1",
      ],
      ...["100.64.0.1", "[64:ff9b::7f00:1]", "[2002:7f00:1::]"],
    ])
      expect([host, await why(`http://${host}:${port}/`, ["shop.example"])]).toEqual([
        host,
        expect.stringMatching(/may be called only|not on the list/),
      ]);
    expect(asked()).toBe(0);
    for (const address of ["file:///etc/passwd", "ftp://shop.example", "shop.example", "", "http://a:b@shop.example/"])
      expect([address, await why(address, ["shop.example"])]).toEqual([address, expect.stringMatching(/address/)]);
  });

  it("follow no redirect, read no more than they may, and wait no longer", async () => {
    const inner = await elsewhere((_, response) => response.end("secret"));
    const moved = await elsewhere((_, response) =>
      response.writeHead(302, { location: `http://127.0.0.1:${inner.port}/` }).end(),
    );
    expect(await why(`http://127.0.0.1:${moved.port}/`, ["127.0.0.1"])).toBe(302);
    expect(inner.asked()).toBe(0);
    const long = await elsewhere((_, response) => response.end("x".repeat(3000)));
    const address = `http://127.0.0.1:${long.port}/`;
    const came = await callOut(address, ["127.0.0.1"], { most: 2000 });
    expect("problem" in came && english(came.problem)).toMatch(/too long: at most 2,?000 bytes/);
    const whole = await callOut(address, ["127.0.0.1"], { method: "POST", body: "x", most: 3000 });
    expect("body" in whole && whole.body.byteLength).toBe(3000);
    const silent = await elsewhere(() => {});
    const began = performance.now();
    const never = await callOut(`http://127.0.0.1:${silent.port}/`, ["127.0.0.1"], { within: 200 });
    expect("problem" in never && english(never.problem)).toMatch(/did not answer/);
    expect(performance.now() - began).toBeLessThan(5000);
  });
});
