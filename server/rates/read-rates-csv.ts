import { CsvError, parse } from "csv-parse/sync";
import { type RateTable, rateDays } from "../../core/money/rates.ts";
import { asWritten, phrase } from "../../core/phrases/phrase.ts";
import { inFile } from "../../core/schema/problem.ts";
import type { Checked } from "../../core/validation/checker.ts";

/** Reads published reference rates from CSV text into a rate table. Problems say row and column. */
export function readRatesCsv(text: string, id: string, base: string): Checked<RateTable> {
  let rows: string[][];
  try {
    rows = parse(text, { bom: true, relax_column_count: true, skip_empty_lines: false });
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    return { problems: [inFile(phrase("row {row}", { row: Number(error.lines ?? 1) }), asWritten(error.message))] };
  }
  const read = rateDays(rows);
  return "problems" in read ? read : { value: { id, base, days: read.days } };
}
