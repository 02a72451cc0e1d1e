import { availableParallelism } from "node:os";
import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    // Checks by schema are code made from the schemas.
    globalSetup: ["scripts/setup/validators-for-tests.mjs"],
    maxWorkers: availableParallelism(),
    include: [
      "core/**/*.test.ts",
      "server/**/*.test.ts",
      "cli/**/*.test.ts",
      "web/**/*.test.{ts,tsx}",
      "scripts/**/*.test.ts",
    ],
    // Nothing keeps anything to itself between files, so each need not be loaded anew.
    isolate: false,
    setupFiles: ["core/tests/seed.ts"],
    testTimeout: 120_000,
    hookTimeout: 120_000,
  },
});
