import type { Finding } from "../../core/checks/finding.ts";
import type { EntityKind } from "../../core/plan/entities.ts";
import type { Section } from "./sections.ts";

const SECTION_OF_KIND: Readonly<Record<EntityKind, Section>> = {
  store: "places",
  market: "places",
  zone: "places",
  location: "places",
  option: "delivery",
  offer: "offers",
  condition: "offers",
  rates: "offers",
  notice: "wording",
};

/** Findings about texts are mended where texts are. */
const ABOUT_TEXTS: ReadonlySet<Finding["code"]> = new Set([
  "amount-typed-in-text",
  "plural-missing",
  "text-promises-free",
  "translation-missing",
  "translation-outdated",
]);

/** The section in which a finding is mended. @example sectionOf({ code: "price-cliff", at: { kind: "option", … } }) // "delivery" */
export const sectionOf = ({ code, at }: Pick<Finding, "code" | "at">): Section =>
  ABOUT_TEXTS.has(code) && at.kind !== "option" ? "wording" : SECTION_OF_KIND[at.kind];
