/** What is looked at without running it, and the module of a package that does it. */
export const TYPES = [
  { name: "types of core", module: "typescript/bin/tsc", args: ["-p", "core"] },
  { name: "types of core's tests", module: "typescript/bin/tsc", args: ["-p", "core/tsconfig.test.json"] },
  { name: "types of server, cli, scripts and tests", module: "typescript/bin/tsc", args: ["-p", "server"] },
  // Everything with a browser in it: pages, islands, benches.
  {
    name: "types of web and benches",
    module: "astro/astro.js",
    args: ["check", "--minimumFailingSeverity", "warning"],
  },
];

export const LINT = [
  { name: "format and lint", module: "@biomejs/biome/bin/biome", args: ["check", "--error-on-warnings", "."] },
  {
    name: "imports go one way",
    module: "dependency-cruiser/bin/dependency-cruise.mjs",
    args: ["core", "server", "cli", "web", "scripts", "e2e", "bench"],
  },
  { name: "nothing unused", module: "knip/bin/knip.js", args: [] },
];

export const CHECKS = [...LINT, ...TYPES];
