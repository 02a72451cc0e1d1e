import type { Page } from "@playwright/test";
import axe, { type RunOptions } from "axe-core";

declare global {
  interface Window {
    readonly axe: typeof axe;
  }
}

const LEVEL_AA = ["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"];
/** What axe tells by the colours alone. */
const OF_COLOURS = ["color-contrast", "link-in-text-block"];
const NO_COLOURS: RunOptions = {
  rules: Object.fromEntries(OF_COLOURS.map((rule) => [rule, { enabled: false }])),
};

/**
 * What axe finds on a page by WCAG 2.2 AA, light and dark: themes differ by their colours and nothing else.
 *
 * @param colours whether those are looked at; words of another language do not change them
 */
export async function faultsByAxe(page: Page, { colours = true } = {}): Promise<string[]> {
  // The app has no frames, in which it would have to be too.
  await page.evaluate(axe.source);
  const light = await ask(page, "light", { runOnly: LEVEL_AA, ...(colours ? {} : NO_COLOURS) });
  return colours ? [...light, ...(await ask(page, "dark", { runOnly: OF_COLOURS }))] : light;
}

async function ask(page: Page, colorScheme: "light" | "dark", options: RunOptions): Promise<string[]> {
  // Without transitions, so that colours are looked at when they have come to rest.
  await page.emulateMedia({ colorScheme, reducedMotion: "reduce" });
  const found = await page.evaluate(
    async (asked) => {
      const { violations } = await window.axe.run(document, asked);
      return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(" | ")}`);
    },
    { resultTypes: ["violations" as const], ...options },
  );
  return found.map((one) => `${colorScheme}, ${one}`);
}
