import { phrase } from "../../core/phrases/phrase.ts";
import { shown } from "../language/say.ts";

/** The sections of the app, in the order people work. Each is at the address of its id. */
export const SECTIONS = [
  { id: "overview", name: phrase("Overview") },
  { id: "places", name: phrase("Places") },
  { id: "delivery", name: phrase("Delivery") },
  { id: "offers", name: phrase("Offers") },
  { id: "wording", name: phrase("Wording") },
  { id: "checks", name: phrase("Checks") },
  { id: "release", name: phrase("Release") },
] as const;

export type Section = (typeof SECTIONS)[number]["id"];

export const sectionName = (section: Section): string =>
  shown(SECTIONS.find(({ id }) => id === section)?.name ?? section);

/** @example sectionAt("/offers") // "offers" */
export const sectionAt = (path: string): Section | null => SECTIONS.find(({ id }) => path === `/${id}`)?.id ?? null;
