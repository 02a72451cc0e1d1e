// A server that parses each body and writes the same bytes whatever it says. argv: a file with the bytes. Prints its port.
import { readFileSync } from "node:fs";
import { createServer } from "node:http";

const bytes = readFileSync(process.argv[2] ?? "");
const server = createServer((request, response) => {
  const parts = [];
  request.on("data", (part) => parts.push(part));
  request.on("end", () => {
    JSON.parse(Buffer.concat(parts).toString());
    response.writeHead(200, { "content-type": "application/json", "content-length": bytes.byteLength });
    response.end(bytes);
  });
});
server.listen(0, "127.0.0.1", () => console.log(server.address().port));
