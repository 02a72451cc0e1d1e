import { phrase } from "../phrases/phrase.ts";
import type { Problem } from "../schema/problem.ts";
import { instantOf } from "../time/instant.ts";
import type { QuoteRequest } from "./request.ts";

const known = new Set<string>();
const NONE: Problem[] = [];

/** What a request's form cannot rule out: a moment that is none, a language that no formatter takes. */
export function standpointProblems({ at, locale }: Pick<QuoteRequest, "at" | "locale">): Problem[] {
  if (!Number.isNaN(instantOf(at)) && (locale === undefined || isLocale(locale))) return NONE;
  return [
    ...(Number.isNaN(instantOf(at))
      ? [{ path: "/at", message: phrase('"{at}" is no moment by RFC 3339', { at }) }]
      : []),
    ...(locale === undefined || isLocale(locale)
      ? []
      : [{ path: "/locale", message: phrase('"{locale}" is no language tag', { locale }) }]),
  ];
}

/** @example isLocale("pt-PT") // true */
export function isLocale(text: string): boolean {
  if (known.has(text)) return true;
  try {
    Intl.getCanonicalLocales(text);
  } catch {
    return false;
  }
  known.add(text);
  return true;
}
