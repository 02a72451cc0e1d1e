import { useId, useState } from "react";
import { ListField } from "../../fields/list-field.tsx";
import { say } from "../../language/say.ts";
import { makeCodes } from "./make-codes.ts";

type Props = { codes: readonly string[]; onCodes: (codes: string[]) => void };

const MOST = 10_000;

/** Codes: one that everybody shares, or a batch of single ones, made here and saved as CSV. */
export function CodesField({ codes, onCodes }: Props) {
  const room = MOST - codes.length;
  const csv = `code\r\n${codes.join("\r\n")}\r\n`;
  return (
    <span className="flex flex-wrap items-end gap-2">
      {codes.length <= 20 ? (
        <ListField label={say("Codes")} value={codes} leaf="offer/steps/trigger/code/codes" onCommit={onCodes} />
      ) : (
        <span className="pb-1.5">
          <strong>{say("{count} codes", { count: codes.length })}</strong>, {codes[0]} {say("the first")}{" "}
          <button type="button" className="btn btn-ghost btn-xs" onClick={() => onCodes(codes.slice(0, 1))}>
            {say("Keep only the first")}
          </button>
        </span>
      )}
      <Batch most={room} onMake={(count) => onCodes([...codes, ...makeCodes(count, codes)])} />
      <a
        className="btn btn-ghost btn-xs mb-1.5"
        download="codes.csv"
        href={`data:text/csv;charset=utf-8,${encodeURIComponent(csv)}`}
      >
        {say("Save as CSV")}
      </a>
    </span>
  );
}

type BatchProps = { most: number; onMake: (count: number) => void };

/** Makes so many more; those that are there stay. */
function Batch({ most, onMake }: BatchProps) {
  const id = useId();
  const [typed, setTyped] = useState("100");
  const count = Number(typed);
  const problem =
    Number.isInteger(count) && count >= 1 && count <= most ? null : say("a whole number from 1 to {most}", { most });
  const make = () => problem === null && onMake(count);
  return (
    <details className="pb-1.5 text-[13px]">
      <summary className="cursor-pointer text-quiet">{say("A batch")}</summary>
      <span className="flex items-end gap-2">
        <span className="grid gap-1 text-quiet">
          <label className="contents">
            {say("How many more")}
            <input
              className={`input input-sm w-28 text-base-content ${problem ? "input-error" : ""}`}
              value={typed}
              aria-invalid={problem !== null}
              aria-describedby={problem ? id : undefined}
              onChange={(event) => setTyped(event.target.value)}
              onKeyDown={(event) => event.key === "Enter" && make()}
            />
          </label>
          {problem && (
            <span id={id} role="alert" className="field-problem text-warning">
              {problem}
            </span>
          )}
        </span>
        <button type="button" className="btn btn-sm" disabled={problem !== null} onClick={make}>
          {say("Make them")}
        </button>
      </span>
    </details>
  );
}
