/** A figure as plans write it: with a point, whatever was typed. @example readFigure(" 2,5 ") // "2.5" */
export const readFigure = (text: string): string => text.trim().replace(",", ".");

/** A percent without its sign. @example readPercent("2,5 %") // "2.5" */
export const readPercent = (text: string): string => readFigure(text).replace(/\s*%$/, "");
