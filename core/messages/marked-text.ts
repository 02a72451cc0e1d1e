import type { RichText, TextRun } from "./rich-text.ts";

/** The marks that stand for themselves behind a backslash. */
const MARKS = /[\\*[\]]/g;

/**
 * A rich text as it is typed, in the marks of CommonMark for strong emphasis and inline links.
 *
 * @example markedText([{ text: "Free", bold: true }, { text: " with " }, { text: "the club", link: "/club" }])
 * // "**Free** with [the club](/club)"
 */
export const markedText = (text: RichText): string =>
  typeof text === "string"
    ? text.replaceAll(MARKS, "\\$&")
    : text
        .map(({ text: said, bold, link }) => {
          const plain = said.replaceAll(MARKS, "\\$&");
          const strong = bold ? `**${plain}**` : plain;
          return link === undefined ? strong : `[${strong}](${link.replaceAll("(", "%28").replaceAll(")", "%29")})`;
        })
        .join("");

const TOKEN = /\\([\\*[\]])|(\*\*)|\[((?:\\.|[^\]\\])*)\]\(([^\s()<>"]+)\)/g;

/**
 * Reads a text with marks: `**bold**`, `[words](address)`, and a backslash before a mark that is none. A mark that is not closed
 * stands for itself.
 *
 * @example readMarked("**Free** with \\*") // [{ text: "Free", bold: true }, { text: " with *" }]
 */
export function readMarked(typed: string): RichText {
  const runs = runsIn(typed, undefined);
  const [only, ...others] = runs;
  return only && others.length === 0 && !only.bold && only.link === undefined ? only.text : runs;
}

function runsIn(typed: string, link: string | undefined): TextRun[] {
  const runs: TextRun[] = [];
  const marks = [...typed.matchAll(TOKEN)].filter(([, , bold]) => bold !== undefined).length;
  let [bold, seen, at] = [false, 0, 0];
  const say = (text: string) => {
    const last = runs.at(-1);
    if (text === "") return;
    if (last && (last.bold ?? false) === bold && last.link === link) last.text += text;
    else runs.push({ text, ...(bold ? { bold: true } : {}), ...(link === undefined ? {} : { link }) });
  };
  for (const found of typed.matchAll(TOKEN)) {
    const [whole, escaped, mark, words, address] = found;
    say(typed.slice(at, found.index));
    at = found.index + whole.length;
    if (escaped !== undefined) say(escaped);
    else if (mark !== undefined) {
      seen += 1;
      // The last of an odd number closes nothing.
      if (seen === marks && marks % 2 === 1) say(mark);
      else bold = !bold;
    } else if (words !== undefined && address !== undefined && link === undefined) {
      for (const run of runsIn(words, address)) runs.push(bold ? { ...run, bold: true } : run);
    } else say(whole);
  }
  say(typed.slice(at));
  return runs;
}
