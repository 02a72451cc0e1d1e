/** What is looked at without running it, and the module of a package that does it: what is long first. */
export const TYPES = [
  // Everything with a browser in it: pages, islands, journeys, benches.
  {
    name: "types of web, journeys and benches",
    module: "astro/astro.js",
    args: ["check", "--minimumFailingSeverity", "warning"],
  },
  { name: "types of server, cli, scripts and unit tests", module: "typescript/bin/tsc", args: ["-p", "server"] },
  // The core by itself: no types of Node are at hand there.
  { name: "types of core", module: "typescript/bin/tsc", args: ["-p", "core"] },
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

export const CHECKS = [...TYPES, ...LINT];
