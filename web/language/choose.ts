import { ENGLISH, type Reader } from "../../core/phrases/speak.ts";
import { speakTo } from "./say.ts";

/** The languages that the app speaks, by their own names. */
export const LANGUAGES = { en: "English", pt: "Português" } as const;
export type Language = keyof typeof LANGUAGES;

const KEY = "summant.language";
const isLanguage = (text: string | null | undefined): text is Language => text === "en" || text === "pt";

/** What was chosen in this browser, else the first of its own languages that the app speaks. */
export function chosenLanguage(): Language {
  const chosen = localStorage.getItem(KEY);
  if (isLanguage(chosen)) return chosen;
  return navigator.languages.map((tag) => tag.split("-")[0]).find(isLanguage) ?? "en";
}

/** Takes effect with a reload: workers and whatever was worked out before speak it too then, and no work is lost by one. */
export function chooseLanguage(language: Language): void {
  localStorage.setItem(KEY, language);
  window.location.reload();
}

/** Who is spoken to in a language; messages come only where they are needed. */
async function readerOf(language: Language): Promise<Reader> {
  if (language === "en") return ENGLISH;
  const { default: catalogue } = await import("./pt.json");
  const messages = new Map(Object.values(catalogue).flatMap((of) => Object.entries(of)));
  return { locale: "pt-PT", clock: "pt-PT", messageFor: (message) => messages.get(message) };
}

/** Speaks a language from now on. Where its messages cannot be had, English goes on. */
export async function speakLanguage(language: Language): Promise<void> {
  const reader = await readerOf(language).catch(() => ENGLISH);
  speakTo(reader);
  document.documentElement.lang = reader.clock;
}
