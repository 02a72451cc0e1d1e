import { readFileSync } from "node:fs";
import { type MessageFormatElement, parse, TYPE } from "@formatjs/icu-messageformat-parser";
import type { Page } from "@playwright/test";
import { expect, test } from "./demo-store.ts";
import { faultsBesideColours } from "./faults-by-axe.ts";
import { oddSizesOfType } from "./sizes-of-type.ts";

const catalogue: Record<string, Record<string, string>> = JSON.parse(
  readFileSync(new URL("../web/language/pt.json", import.meta.url), "utf8"),
);

/** What an English message looks like on screen, whatever stands in it; null where that could be anything. */
function looksLike(message: string): RegExp | null {
  const pattern = (elements: readonly MessageFormatElement[]): string =>
    elements
      .map((element) => {
        if (element.type === TYPE.literal) return element.value.replaceAll(/[.*+?^${}()|[\]\\]/g, "\\$&");
        if (element.type !== TYPE.plural) return ".+";
        return `(?:${Object.values(element.options)
          .map(({ value }) => pattern(value))
          .join("|")})`;
      })
      .join("");
  const elements = parse(message, { ignoreTag: true });
  const said = elements.map((element) => (element.type === TYPE.literal ? element.value : " ")).join("");
  // One short word between names is a word of Portuguese often enough.
  return /[A-Za-z]{4,}/.test(said) && (elements.length === 1 || /[a-z]{3,} [a-z]{3,}/i.test(said))
    ? new RegExp(`^${pattern(elements).trim()}$`)
    : null;
}

/** English of the app that has a Portuguese of its own. */
const ENGLISH = Object.values(catalogue).flatMap((messages) =>
  Object.entries(messages).flatMap(([message, own]) => (message === own ? [] : (looksLike(message) ?? []))),
);

/** What has been asked of each text: most stand on every page. */
const asked = new Map<string, boolean>();

function isEnglish(text: string): boolean {
  const found = asked.get(text) ?? ENGLISH.some((message) => message.test(text));
  asked.set(text, found);
  return found;
}

/** Texts and labels in sight that are the app's, not the shop's. */
const textsOf = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    for (const details of document.querySelectorAll("main details")) details.setAttribute("open", "");
    const isShops = (element: Element | null) =>
      /^(en|ja|ar)/.test(element?.closest("[lang]")?.getAttribute("lang") ?? "");
    const texts = new Set<string>();
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode())
      if (!isShops(node.parentElement) && node.parentElement?.tagName !== "SCRIPT")
        texts.add(node.textContent?.trim() ?? "");
    for (const element of document.querySelectorAll("[aria-label], [placeholder], [title]"))
      if (!isShops(element))
        for (const name of ["aria-label", "placeholder", "title"]) texts.add(element.getAttribute(name)?.trim() ?? "");
    return [...texts].filter((text) => text !== "");
  });

test.describe("whose browser speaks Portuguese", () => {
  test.use({ locale: "pt-PT" });

  test("reads the app in Portuguese, every section of it: no English of the app is left, and axe finds no fault", async ({
    page,
    request,
  }) => {
    test.setTimeout(120_000);
    // What the store calls its things is the store's.
    const store = await (await request.get("/api/draft")).text();
    const english = new Map<string, readonly string[]>();
    const isNamed = (text: string) => store.includes(JSON.stringify(text.replace(/^: /, "")));
    for (const path of [
      "/overview",
      "/places#zone/madeira",
      "/places#store/settings",
      "/places#location/porto",
      "/delivery#standard",
      "/delivery#islands",
      "/delivery#products",
      "/offers",
      "/offers#all",
      "/offers#free-post",
      "/offers#rates",
      "/wording#free-post",
      "/wording#notices",
      "/evidence",
      "/checks",
      "/release",
    ]) {
      await page.goto(path);
      await expect(page.getByRole("navigation", { name: "Secções" })).toBeVisible();
      await expect(page.getByRole("main").getByRole("heading").first()).toBeAttached();
      await page.waitForTimeout(800);
      expect.soft([path, await faultsBesideColours(page)]).toEqual([path, []]);
      expect.soft([path, await oddSizesOfType(page)]).toEqual([path, []]);
      const left = (await textsOf(page)).filter((text) => !isNamed(text) && isEnglish(text));
      if (left.length > 0) english.set(path, left);
      for (const width of [390, 640, 768, 1280]) {
        await page.setViewportSize({ width, height: 800 });
        const runsOff = await page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth);
        expect([path, width, runsOff]).toEqual([path, width, false]);
      }
    }
    expect([...english]).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.lang)).toBe("pt-PT");
  });

  test("changes a goal, reads why, is told what cannot be kept, and releases", async ({ page }) => {
    await page.goto("/offers");
    const main = page.getByRole("main");
    await expect(main.getByRole("heading", { level: 2 }).first()).toContainText(
      "Entrega Standard grátis a partir de 45 €",
    );
    // A comma is how an amount is written.
    const amount = main.getByRole("textbox", { name: "Meta" });
    const open = () =>
      main
        .getByRole("button", { name: /^Meta: 45/ })
        .first()
        .click();
    await open();
    await amount.fill("quarenta");
    await amount.press("Enter");
    await expect(main.getByRole("alert").first()).toContainText('"quarenta" não é um montante; escreva assim: 45.00');
    await amount.press("Escape");
    await open();
    await amount.fill("52,50");
    await amount.press("Enter");
    await expect(main.getByRole("heading", { level: 2 }).first()).toContainText("a partir de 52,50 €");
    const view = page.getByRole("complementary", { name: "Vista do cliente" });
    await view.getByRole("button", { name: "porquê Standard" }).click();
    await expect(view).toContainText("Standard custa 4,90 €.");
    await expect(view).toContainText("“Free standard delivery” ainda não foi ganha: 38,60 € de 52,50 €.");

    await page.getByRole("link", { name: "Rever e publicar" }).click();
    await expect(main).toContainText("passo 1 · meta · EUR");
    const confirm = main.getByLabel("Vi isto, e publico na mesma");
    const release = main.getByRole("button", { name: /^Publicar com o número 2/ });
    await expect(async () => {
      if ((await confirm.count()) > 0 && !(await confirm.isChecked())) await confirm.check();
      await expect(release).toBeEnabled({ timeout: 1000 });
    }).toPass();
    await release.click();
    await expect(page.getByText("Igual à publicação 2")).toBeVisible();
  });
});

test("the language is switched in the menu, stays, and goes back", async ({ page }) => {
  await page.goto("/checks");
  const menu = page.getByRole("button", { name: "Menu" });
  await menu.click();
  await page.getByRole("dialog", { name: "Menu" }).getByLabel("Português").click();
  await expect(page.getByRole("heading", { level: 1, name: "Verificar" })).toBeAttached();
  await expect(page.getByRole("list", { name: "Constatações em aberto" }).getByRole("listitem").first()).toContainText(
    "cobra por peso, que não se conhece de",
  );
  await page.reload();
  await expect(page.getByRole("list", { name: "Constatações em aberto" })).toBeVisible();
  await expect(page).toHaveTitle("Verificar · Summant");
  await menu.click();
  await page.getByRole("dialog", { name: "Menu" }).getByLabel("English").click();
  await expect(page.getByRole("list", { name: "Open findings" }).getByRole("listitem").first()).toContainText(
    "goes by weight, which is not known of",
  );
});
