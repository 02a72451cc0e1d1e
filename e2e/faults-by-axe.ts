import type { Page } from "@playwright/test";
import axe from "axe-core";

declare global {
  interface Window {
    readonly axe: typeof axe;
  }
}

const LEVEL_AA = ["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"];
/** What axe tells by the colours alone. */
const OF_COLOURS = ["color-contrast", "link-in-text-block"];

/** What axe finds on a page by WCAG 2.2 AA, light and dark: themes differ by their colours and nothing else. */
export async function faultsByAxe(page: Page): Promise<string[]> {
  // The app has no frames, in which it would have to be too.
  await page.evaluate(axe.source);
  return [...(await ask(page, "light", LEVEL_AA)), ...(await ask(page, "dark", OF_COLOURS))];
}

/** The same but for colours, which are the same in every language. */
export async function faultsBesideColours(page: Page): Promise<string[]> {
  await page.evaluate(axe.source);
  return ask(page, "light", LEVEL_AA, OF_COLOURS);
}

async function ask(
  page: Page,
  colorScheme: "light" | "dark",
  runOnly: string[],
  without: string[] = [],
): Promise<string[]> {
  // Without transitions, so that colours are looked at when they have come to rest.
  await page.emulateMedia({ colorScheme, reducedMotion: "reduce" });
  const rules = Object.fromEntries(without.map((rule) => [rule, { enabled: false }]));
  const found = await page.evaluate(
    async (asked) => {
      const { violations } = await window.axe.run(document, { resultTypes: ["violations"], ...asked });
      return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(" | ")}`);
    },
    { runOnly, rules },
  );
  return found.map((one) => `${colorScheme}, ${one}`);
}
