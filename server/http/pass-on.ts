import { Agent, type IncomingMessage, type ServerResponse } from "node:http";
import { createProxyServer } from "httpxy";
import { phrase } from "../../core/phrases/phrase.ts";
import { withHeader } from "./answer.ts";
import { mayWrite } from "./endpoints.ts";
import { pathOf } from "./gates.ts";
import { problemAnswer } from "./problem-document.ts";
import { writeAnswer } from "./write-answer.ts";

/** What goes between the front and the desk alone. */
const OF_THE_CONNECTION: ReadonlySet<string> = new Set(["connection", "keep-alive", "transfer-encoding"]);
/** What is said while nothing listens there: the desk is being started. */
const NOT_THERE: ReadonlySet<unknown> = new Set(["ENOENT", "ECONNREFUSED"]);

/**
 * Has requests answered by the desk.
 *
 * @param onWrite called once something may have been written: its answer waits for that
 */
export function passingOn(socketPath: string, onWrite: () => Promise<void>) {
  const proxy = createProxyServer({
    target: { socketPath },
    agent: new Agent({ keepAlive: true }),
    selfHandleResponse: true,
  });
  proxy.on("proxyRes", (came, request, response) => {
    const passBack = () => {
      if (response.destroyed) return;
      const { rawHeaders } = came;
      const headers: string[] = [];
      for (let i = 0; i + 1 < rawHeaders.length; i += 2) {
        const [name = "", value = ""] = [rawHeaders[i], rawHeaders[i + 1]];
        if (!OF_THE_CONNECTION.has(name.toLowerCase())) headers.push(name, value);
      }
      response.writeHead(came.statusCode ?? 502, headers);
      came.pipe(response);
    };
    const { method = "", url = "" } = request;
    if (mayWrite(method, pathOf(url))) void onWrite().then(passBack);
    else passBack();
  });

  return (request: IncomingMessage, response: ServerResponse): void => {
    proxy.web(request, response).catch((error: NodeJS.ErrnoException) => {
      // A caller that went away is nobody's fault.
      if (response.destroyed) return;
      if (!NOT_THERE.has(error.code))
        console.error(`${request.method} ${request.url} did not reach the desk: ${error.message}`);
      if (response.headersSent) response.destroy();
      else refuse(request, response);
    });
  };
}

function refuse(request: IncomingMessage, response: ServerResponse): void {
  // They are among those that every answer of ours is written with.
  for (const name of response.getHeaderNames()) response.removeHeader(name);
  const answer = problemAnswer(503, phrase("The app is being started"), {
    detail: phrase("Try again shortly; a change may or may not have been saved."),
  });
  writeAnswer(request, response, withHeader(answer, "retry-after", "1"));
}
