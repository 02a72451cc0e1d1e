/**
 * What spreadsheets would take for the beginning of a formula, behind any apostrophes of our own (OWASP, "CSV Injection": equals, plus,
 * minus, at, tab, carriage return; line feed and the full-width signs too).
 */
const LIKE_A_FORMULA = /^'*[=+\-@\t\r\n\uFF1D\uFF0B\uFF0D\uFF20]/;
/** A figure with a sign is no formula. */
const FIGURE = /^[+-]?\d+(?:[.,]\d+)*$/;

/**
 * A cell of a table as it is written to a file that a spreadsheet may open: an apostrophe comes before what would be a formula.
 *
 * @example harmless("=1+1") // "'=1+1"; harmless("-5.00") // "-5.00"
 */
export const harmless = <Cell extends string | number>(cell: Cell): Cell | string =>
  typeof cell === "string" && LIKE_A_FORMULA.test(cell) && !FIGURE.test(cell) ? `'${cell}` : cell;

/**
 * A cell as it was before {@link harmless}.
 *
 * @example asMeant("'=1+1") // "=1+1"; asMeant("it's") // "it's"
 */
export const asMeant = (cell: string): string =>
  cell.startsWith("'") && LIKE_A_FORMULA.test(cell) ? cell.slice(1) : cell;
