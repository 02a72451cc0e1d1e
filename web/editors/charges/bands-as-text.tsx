import { useState } from "react";
import type { BandedCharge } from "../../../core/charges/kinds/bands.ts";
import type { AmountContext } from "../../../core/money/amount.ts";
import { say } from "../../language/say.ts";
import { bandsCsv, readBands } from "./bands-text.ts";

type Props = { charge: BandedCharge; context: AmountContext; onCharge: (charge: BandedCharge) => void };

/** The bands of one currency as text: to a spreadsheet and back. Nothing is taken while any cell is wrong. */
export function BandsAsText({ charge, context, onCharge }: Props) {
  const { currency } = context;
  const [text, setText] = useState("");
  const [problems, setProblems] = useState<readonly string[]>([]);
  const take = () => {
    const read = readBands(text, charge.by.kind, currency);
    if ("problems" in read) {
      setProblems(read.problems);
      return;
    }
    setProblems([]);
    setText("");
    onCharge({ ...charge, ...read });
  };
  return (
    <details className="text-[13px]">
      <summary className="cursor-pointer text-quiet">{say("As a spreadsheet, in {currency}", { currency })}</summary>
      <div className="mt-2 grid gap-2">
        <label className="grid gap-1">
          {say("Paste rows here: where a band begins and its price, from 0 on")}
          <textarea
            className="textarea textarea-sm h-24 w-full font-mono"
            value={text}
            placeholder={"0\t4.00\n30\t7.00\n75\tfree"}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
        {problems.length > 0 && text.trim() !== "" && (
          <ul role="alert" className="text-warning">
            {problems.map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        )}
        <div className="flex gap-2">
          <button type="button" className="btn btn-sm" disabled={text.trim() === ""} onClick={take}>
            {say("Take these bands")}
          </button>
          <a
            className="btn btn-sm"
            download="bands.csv"
            href={`data:text/csv;charset=utf-8,${encodeURIComponent(bandsCsv(charge, context))}`}
          >
            {say("Save as CSV")}
          </a>
        </div>
        {Object.keys(amountsIn(charge)).length > 1 && (
          <p className="text-quiet">
            {say("Pasted bands have amounts in {currency} only; set the other currencies in the table.", { currency })}
          </p>
        )}
      </div>
    </details>
  );
}

const amountsIn = ({ first }: BandedCharge): object =>
  typeof first === "object" && "byCurrency" in first ? (first.byCurrency ?? {}) : {};
