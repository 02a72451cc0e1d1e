// The desk's program: the framework with all that marketers do, on a socket that only the fronts know. See `server/processes/desk.ts`.

import { unlinkSync } from "node:fs";
import { createServer, type RequestListener } from "node:http";

const [, , socketPath] = process.argv;
if (!socketPath) throw new Error("usage: desk SOCKET");
// What the build makes of the pages; it is not there before.
const entry: { handler: RequestListener } = await import(new URL("./entry.mjs", import.meta.url).href);

process.once("disconnect", () => process.exit(0));
const server = createServer(entry.handler);
// The fronts keep their connections; a pause is no reason to close one under their hands.
server.keepAliveTimeout = 0;
// How long a body may take is the fronts' matter.
server.requestTimeout = 0;
try {
  unlinkSync(socketPath);
} catch {
  // The first start finds none.
}
server.listen(socketPath);
