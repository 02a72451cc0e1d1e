import { describe, expect, it } from "vitest";
import { checkClaim } from "../validation/documents.ts";
import { readBody } from "./read-body.ts";

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
