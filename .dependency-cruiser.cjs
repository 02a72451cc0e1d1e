/** Folders of core from the ground up: each imports only from itself and from those before it, types included. */
const CORE = [
  "phrases",
  "schema",
  "time",
  "money",
  "quantities",
  "postcodes",
  "facts",
  "request",
  "cart",
  "places",
  "measures",
  "messages",
  "situation",
  "conditions",
  "charges",
  "delivery",
  "rewards",
  "offers",
  "plan",
  "tariff",
  "evaluate",
  // A quote, stage by stage.
  "quote/answer",
  "quote/options",
  "quote/progress",
  "quote/messages",
  "quote/carriers",
  "quote/why",
  "quote/merge",
  "quote/[^/]+[.]ts$",
  "explain",
  "climb",
  "queries",
  "translation",
  "analysis",
  "checks",
  "samples",
  "evidence",
  "validation",
];
const isCore = (folder) => (folder.endsWith("$") ? `^core/${folder}` : `^core/${folder}/`);

/** Folders of web with what the browser runs, from the ground up. */
const WEB = ["language", "drawing", "names", "state", "fields", "editors", "preview", "sections", "shell", "sign-in"];

/** Imports go one way: web and cli → server → core, and within core from the ground up. */
module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    ...CORE.slice(0, -1).map((folder, i) => ({
      name: `core-${folder.replace(/[^a-z/]/g, "")}-looks-down`,
      severity: "error",
      from: { path: isCore(folder), pathNot: "[.]test[.]ts$" },
      to: { path: [...CORE.slice(i + 1).map(isCore), "^core/engine[.]ts$"] },
    })),
    {
      name: "core-has-no-other-folders",
      comment: "A new folder of core takes its place in the list above.",
      severity: "error",
      from: { path: "^core/", pathNot: [...CORE.map(isCore), "^core/tests/", "^core/engine", "[.]test[.]ts$"] },
      to: {},
    },
    {
      name: "core-is-pure",
      comment: "The core imports nothing above it, and of packages only what computes.",
      severity: "error",
      from: { path: "^core/", pathNot: "(\\.test\\.ts$|^core/tests/)" },
      to: {
        pathNot:
          "^(core/|node_modules/(@sinclair/typebox|ajv|ajv-formats|fast-deep-equal|intl-messageformat|@formatjs/icu-messageformat-parser|fast-xml-parser|@date-fns/tz|pure-rand)/)",
      },
    },
    {
      name: "test-support-is-for-tests",
      severity: "error",
      from: { pathNot: "(\\.test\\.tsx?$|^(core|web)/tests/|^(bench|e2e)/)" },
      to: { path: "^(core|web)/tests/" },
    },
    {
      name: "server-below-web-and-cli",
      severity: "error",
      from: { path: "^server/" },
      to: { path: "^(web|cli|e2e|bench|scripts)/" },
    },
    { name: "cli-not-web", severity: "error", from: { path: "^cli/" }, to: { path: "^(web|e2e|bench)/" } },
    { name: "web-not-cli", severity: "error", from: { path: "^web/" }, to: { path: "^(cli|e2e|bench|scripts)/" } },
    ...WEB.slice(0, -1).map((folder, i) => ({
      name: `web-${folder}-looks-down`,
      severity: "error",
      from: { path: `^web/${folder}/` },
      to: { path: WEB.slice(i + 1).map((above) => `^web/${above}/`) },
    })),
    {
      name: "web-has-no-other-folders",
      comment: "A new folder of web takes its place in the list above.",
      severity: "error",
      from: {
        path: "^web/[^/]+/",
        pathNot: [...WEB, "pages", "layouts", "styles", "tests"].map((folder) => `^web/${folder}/`),
      },
      to: {},
    },
    {
      name: "browser-takes-only-types-from-the-server",
      severity: "error",
      from: { path: WEB.map((folder) => `^web/${folder}/`), pathNot: "\\.test\\.tsx?$" },
      to: { path: "^server/", dependencyTypesNot: ["type-only"] },
    },
    { name: "nothing-unresolved", severity: "error", from: {}, to: { couldNotResolve: true, pathNot: "^astro:" } },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "(^|/)(dist|\\.astro)/" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "require", "node", "default", "types"],
    },
  },
};
