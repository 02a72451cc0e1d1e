import { createReadStream } from "node:fs";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { createServer } from "node:http";
import { tmpdir } from "node:os";
import { extname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { chromium } from "@playwright/test";
import { build } from "vite";
import { climb } from "../../core/climb/climb.ts";
import { compile } from "../../core/tariff/compile.ts";
import { checkPlan, checkQuoteRequest } from "../../core/validation/documents.ts";
import { BROWSER } from "../../scripts/setup/browser.mjs";
import { median } from "../median.ts";

// How long one redraw takes while a goal is dragged: plain SVG over d3-scale against Recharts, interleaved, same climb.
const here = fileURLToPath(new URL(".", import.meta.url));
const demo = async (name: string): Promise<unknown> =>
  JSON.parse(await readFile(join(here, "../../demo", name), "utf8"));
const plan = checkPlan(await demo("plan.json"));
const request = checkQuoteRequest(await demo("requests/below-goal.json"));
if (!("value" in plan) || !("value" in request)) throw new Error("the demo does not fit its schema");

const out = await mkdtemp(join(tmpdir(), "climb-drawing-"));
await build({
  root: here,
  logLevel: "error",
  esbuild: { jsx: "automatic" },
  build: { outDir: out, emptyOutDir: true },
});
const types: Record<string, string> = { ".html": "text/html", ".js": "text/javascript" };
const server = createServer((incoming, response) => {
  const path = incoming.url === "/" ? "/index.html" : (incoming.url ?? "");
  response.setHeader("content-type", types[extname(path)] ?? "application/octet-stream");
  createReadStream(join(out, path))
    .on("error", () => response.writeHead(404).end())
    .pipe(response);
}).listen(0, "127.0.0.1");
await new Promise((resolve) => server.once("listening", resolve));
const address = server.address();
const port = typeof address === "object" && address !== null ? address.port : 0;

const browser = await chromium.launch(BROWSER);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`http://127.0.0.1:${port}/`);
const times = { svg: [] as number[], recharts: [] as number[] };
for (let i = 0; i < 150; i += 1) {
  const goal = (45 + (i % 40) * 0.5).toFixed(2);
  const moved = JSON.parse(JSON.stringify(plan.value).replace('"45.00"', `"${goal}"`));
  const compiled = compile(moved);
  if (!("compiled" in compiled)) throw new Error("the moved plan does not compile");
  const drawn = climb(compiled.compiled, request.value, 10_000);
  if (!("climb" in drawn) || !drawn.climb) throw new Error("no climb");
  for (const kind of ["svg", "recharts"] as const) {
    const took = await page.evaluate(([which, what]) => window.draw(which, what), [kind, drawn.climb] as const);
    if (i >= 20) times[kind].push(took);
  }
}
await browser.close();
server.close();
await rm(out, { recursive: true });
const [svg, recharts] = [median(times.svg), median(times.recharts)];
console.log(
  `redraw of a dragged climb, recharts / svg: ${(recharts / svg).toFixed(1)}  (recharts ${recharts.toFixed(2)} ms, svg ${svg.toFixed(2)} ms)`,
);
