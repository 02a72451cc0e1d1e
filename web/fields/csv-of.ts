import Papa from "papaparse";
import { harmless } from "../../core/schema/formula-cells.ts";

/** Rows of cells as CSV that a spreadsheet may open. */
export const csvOf = (rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse(rows.map((cells) => cells.map(harmless)))}\r\n`;
