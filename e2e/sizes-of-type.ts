import type { Page } from "@playwright/test";

/** None under 13 pixels. */
const SIZES = ["13px", "14px", "15px", "17px", "20px"];

/** Sizes of what is written on a page other than the app's five, each with where it was met. */
export async function oddSizesOfType(page: Page): Promise<[string, string][]> {
  return [...(await sizesOfType(page))].filter(([size]) => !SIZES.includes(size));
}

/** The sizes of what is written on a page, each with where it was met. */
async function sizesOfType(page: Page): Promise<Map<string, string>> {
  const found = await page.evaluate(() => {
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    const seen: [string, string][] = [];
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const { parentElement } = node;
      if (!node.textContent?.trim() || !parentElement?.checkVisibility()) continue;
      const where = `${parentElement.tagName} ${node.textContent.slice(0, 40)}`;
      seen.push([getComputedStyle(parentElement).fontSize, where]);
    }
    for (const field of document.querySelectorAll("input, select, textarea"))
      if (field.checkVisibility()) seen.push([getComputedStyle(field).fontSize, `${field.tagName} ${field.className}`]);
    return seen;
  });
  return new Map(found);
}
