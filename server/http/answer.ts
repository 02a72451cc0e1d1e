/** What an endpoint says, before it is written to anyone. */
export type Answer = {
  readonly status: number;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string;
};

/** @example jsonAnswer({ ok: true }) // 200, application/json, kept by no cache */
export const jsonAnswer = (body: unknown, status = 200): Answer => ({
  status,
  headers: { "content-type": "application/json", "cache-control": "no-store" },
  body: JSON.stringify(body),
});

export const withHeader = (answer: Answer, name: string, value: string): Answer => ({
  ...answer,
  headers: { ...answer.headers, [name]: value },
});

export const toResponse = ({ status, headers, body }: Answer): Response => new Response(body, { status, headers });
