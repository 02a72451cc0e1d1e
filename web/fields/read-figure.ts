import { say } from "../language/say.ts";

/** A text as it is kept, or why nobody can tell what was meant. */
export type ReadText = string | { readonly problem: string };

/**
 * A figure as plans write it: with a point, whatever was typed. A comma before three digits is a thousand to one reader and a
 * decimal to another, and is asked about.
 *
 * @example readFigure(" 2,5 ") // "2.5"
 * @example readFigure("9,500") // { problem: "“9,500” can be read in two ways: write 9500 or 9.5" }
 */
export function readFigure(text: string): ReadText {
  const figure = text.trim();
  const [, whole, rest = ""] = /^([1-9]\d{0,2}),(\d{3})$/.exec(figure) ?? [];
  if (whole === undefined) return figure.replace(",", ".");
  const decimals = rest.replace(/0+$/, "");
  return {
    problem: say("“{figure}” can be read in two ways: write {whole}{rest} or {part}", {
      figure,
      whole,
      rest,
      part: decimals === "" ? `${whole}.0` : `${whole}.${decimals}`,
    }),
  };
}

/** A percent without its sign. @example readPercent("2,5 %") // "2.5" */
export const readPercent = (text: string): ReadText => readFigure(text.replace(/\s*%\s*$/, ""));
