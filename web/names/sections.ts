/** The sections of the app, in the order people work. Each is at the address of its id. */
export const SECTIONS = [
  { id: "overview", name: "Overview" },
  { id: "places", name: "Places" },
  { id: "delivery", name: "Delivery" },
  { id: "offers", name: "Offers" },
  { id: "wording", name: "Wording" },
  { id: "checks", name: "Checks" },
  { id: "release", name: "Release" },
] as const;

export type Section = (typeof SECTIONS)[number]["id"];

export const sectionName = (section: Section): string => SECTIONS.find(({ id }) => id === section)?.name ?? section;

/** @example sectionAt("/offers") // "offers" */
export const sectionAt = (path: string): Section | null => SECTIONS.find(({ id }) => path === `/${id}`)?.id ?? null;
