import type { Problem } from "../../core/schema/problem.ts";

/** An error answer by RFC 9457. `errors` uses the form of the RFC's own example: a detail and a JSON Pointer fragment. */
export function problemDocument(
  status: number,
  title: string,
  more: { detail?: string; problems?: readonly Problem[]; extra?: object } = {},
): Response {
  const { detail, problems, extra } = more;
  const body = {
    type: "about:blank",
    title,
    status,
    ...(detail === undefined ? {} : { detail }),
    ...(problems === undefined
      ? {}
      : { errors: problems.map(({ path, message }) => ({ pointer: `#${path}`, detail: message })) }),
    ...extra,
  };
  return new Response(JSON.stringify(body), { status, headers: { "content-type": "application/problem+json" } });
}
