import { namesIn, type OnlyPieces } from "../measures/only-goods.ts";
import { pickText } from "./locale.ts";

/** What shoppers read for the goods that alone count; their names where the plan says nothing else, nothing where all do. */
export function goodsName(only: OnlyPieces | undefined, locale: string, languages: readonly string[]): string {
  if (!only) return "";
  const named = only.name && pickText(only.name, locale, languages)?.text;
  return named ?? namesIn(only).join(", ");
}
