import Papa from "papaparse";
import { phrase } from "../../core/phrases/phrase.ts";
import { english } from "../../core/phrases/speak.ts";
import { harmless } from "../../core/schema/formula-cells.ts";
import { inFile, type Problem } from "../../core/schema/problem.ts";
import type { Fault } from "./orders-csv.ts";

/** Faults of a file as problems that say row and column. */
export const faultProblems = (faults: readonly Fault[]): Problem[] =>
  faults.map(({ row, column, message }) =>
    inFile(
      column === undefined ? phrase("row {row}", { row }) : phrase("row {row}, column {column}", { row, column }),
      message,
    ),
  );

/** The same as a file, in English. */
export const faultsCsv = (faults: readonly Fault[]): string =>
  `${Papa.unparse([
    ["row", "column", "fault"],
    ...faults.map(({ row, column, message }) => [row, column ?? "", harmless(english(message))]),
  ])}\r\n`;
