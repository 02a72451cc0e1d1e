import { closed, Locale, Text, WebAddress } from "../schema/atoms.ts";
import { type Static, Type } from "../schema/type.ts";

/** A stretch of a text that looks one way. */
export const TextRun = Type.Object(
  {
    text: Text,
    bold: Type.Optional(Type.Literal(true)),
    link: Type.Optional(WebAddress),
  },
  { ...closed, title: "TextRun" },
);
export type TextRun = Static<typeof TextRun>;

/** A text, or its stretches where some are bold or lead somewhere. Kept as data: whoever shows it makes the elements. */
export const RichText = Type.Union([Text, Type.Array(TextRun, { minItems: 1, maxItems: 50 })]);
export type RichText = Static<typeof RichText>;

export const RichByLocale = Type.Record(Locale, RichText, { additionalProperties: false });
export type RichByLocale = Static<typeof RichByLocale>;

export const runsOf = (text: RichText): readonly TextRun[] => (typeof text === "string" ? [{ text }] : text);

/** What it says, whatever it looks like. */
export const plainText = (text: RichText): string =>
  runsOf(text)
    .map((run) => run.text)
    .join("");
