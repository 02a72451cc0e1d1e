/** What an endpoint says, before it is written to anyone. */
export type Answer = {
  readonly status: number;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string;
  /** Each character of the body is one of its octets already. */
  readonly isOctets?: true;
};

const OF_JSON = { "content-type": "application/json", "cache-control": "no-store" };

/** @example jsonAnswer({ ok: true }) // 200, application/json, kept by no cache */
export const jsonAnswer = (body: unknown, status = 200): Answer => ({
  status,
  headers: OF_JSON,
  body: JSON.stringify(body),
});

/** A quote as JSON in UTF-8, a character for each octet. @param release the number of the release it comes from */
export const octetsAnswer = (body: string, release: number): Answer => ({
  status: 200,
  // In one piece: of a spread with one more, V8 makes a shape anew each time.
  headers: {
    "content-type": OF_JSON["content-type"],
    "cache-control": OF_JSON["cache-control"],
    "summant-release": String(release),
  },
  body,
  isOctets: true,
});

export const withHeader = (answer: Answer, name: string, value: string): Answer => ({
  ...answer,
  headers: { ...answer.headers, [name]: value },
});

export const toResponse = ({ status, headers, body, isOctets }: Answer): Response =>
  new Response(isOctets ? Buffer.from(body, "latin1") : body, { status, headers });
