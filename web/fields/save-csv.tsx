import { say } from "../language/say.ts";
import { csvOf } from "./csv-of.ts";
import { downloadText } from "./download-text.ts";

type Props = {
  /** What the file is called. */
  download: string;
  /** Its cells row by row, the heads first; made when they are asked for. */
  rows: () => readonly (readonly (string | number)[])[];
  className?: string;
};

/** Hands what a table or a chart shows to the reader as a file. @example <SaveCsv download="gain.csv" rows={() => [["goal"], ["45.00"]]} /> */
export const SaveCsv = ({ download, rows, className = "btn-sm ml-auto" }: Props) => (
  <button
    type="button"
    className={`btn ${className}`}
    onClick={() => downloadText(csvOf(rows()), "text/csv", download)}
  >
    {say("Save as CSV")}
  </button>
);
