import { writeFileSync } from "node:fs";
import { chromium } from "@playwright/test";
import { BROWSER } from "../scripts/setup/browser.mjs";
import { signInAtFirst } from "../scripts/setup/sign-in-by-browser.mjs";

/** Signs in once, by the browser, for all journeys. */
export default async function signIn(): Promise<void> {
  const { SUMMANT_URL: address, SUMMANT_FIRST_LINK: link, SUMMANT_SIGNED_IN: file } = process.env;
  if (!address || !link || !file)
    throw new Error("the journeys are run by npm test, or another command of package.json");
  const browser = await chromium.launch(BROWSER);
  writeFileSync(file, JSON.stringify(await signInAtFirst(browser, address, link)));
  await browser.close();
}
