import { defineConfig } from "@playwright/test";
import { BROWSER } from "./scripts/setup/browser.mjs";

/** Run by `npm test`, which starts the app on a throwaway database and says where in SUMMANT_URL. */
export default defineConfig({
  testDir: "e2e",
  globalSetup: "./e2e/global-setup.ts",
  // What takes long has a command of its own.
  testIgnore: process.env.SUMMANT_LONG ? [] : ["**/*.long.spec.ts"],
  workers: 1,
  timeout: 60_000,
  // The first page after a start takes a while where the machine is busy.
  expect: { timeout: 10_000 },
  forbidOnly: true,
  use: {
    baseURL: process.env.SUMMANT_URL ?? "http://127.0.0.1:4173",
    ...(process.env.SUMMANT_SIGNED_IN ? { storageState: process.env.SUMMANT_SIGNED_IN } : {}),
    viewport: { width: 1280, height: 800 },
    // No page lives long enough for the code of its scripts to be worth making better: without it journeys take a sixth less.
    launchOptions: { ...BROWSER, args: [...BROWSER.args, "--js-flags=--no-opt --no-maglev"] },
  },
});
