import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { shown } from "../language/say.ts";

/** The sections of the app, in the order people work. Each is at the address of its id. */
export const SECTIONS = [
  { id: "overview", name: phrase("Overview") },
  { id: "places", name: phrase("Places") },
  { id: "delivery", name: phrase("Delivery") },
  { id: "offers", name: phrase("Offers") },
  { id: "wording", name: phrase("Wording") },
  { id: "evidence", name: phrase("Evidence") },
  { id: "checks", name: phrase("Checks") },
  { id: "release", name: phrase("Release") },
] as const;

/** What is not daily work: reached from the menu at the store's name. */
export const MENU_SECTIONS = [
  { id: "account", name: phrase("Your account") },
  { id: "people", name: phrase("People") },
  { id: "keys", name: phrase("Keys for shops") },
  { id: "log", name: phrase("Change log") },
  { id: "settings", name: phrase("Settings") },
] as const;

export type DailySection = (typeof SECTIONS)[number]["id"];
export type MenuSection = (typeof MENU_SECTIONS)[number]["id"];
export type Section = DailySection | MenuSection;

const ALL: readonly { readonly id: Section; readonly name: Phrase }[] = [...SECTIONS, ...MENU_SECTIONS];

/** Whether a section is there without a plan too. */
export const isInMenu = (section: Section): boolean => MENU_SECTIONS.some(({ id }) => id === section);

export const sectionName = (section: Section): string => shown(ALL.find(({ id }) => id === section)?.name ?? section);

/** @example sectionAt("/offers") // "offers" */
export const sectionAt = (path: string): Section | null => ALL.find(({ id }) => path === `/${id}`)?.id ?? null;
