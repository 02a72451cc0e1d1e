import { useState } from "react";
import { ListField } from "../../fields/list-field.tsx";
import { TypedField } from "../../fields/typed-field.tsx";

type Props = { codes: readonly string[]; onCodes: (codes: string[]) => void };

/** Letters and digits that are not mistaken for one another when read aloud or from paper. */
const ALPHABET = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";
const MOST = 10_000;
const isCount = (text: string) => Number.isInteger(Number(text)) && Number(text) >= 1 && Number(text) <= MOST;

/** Codes: one that everybody shares, or a batch of single ones, made here and saved as CSV. */
export function CodesField({ codes, onCodes }: Props) {
  const [count, setCount] = useState(100);
  const csv = `code\r\n${codes.join("\r\n")}\r\n`;
  return (
    <span className="flex flex-wrap items-end gap-2">
      {codes.length <= 20 ? (
        <ListField label="Codes" value={codes} leaf="offer/steps/trigger/code/codes" onCommit={onCodes} />
      ) : (
        <span className="pb-1.5">
          <strong>{codes.length} codes</strong>, {codes[0]} the first{" "}
          <button type="button" className="btn btn-ghost btn-xs" onClick={() => onCodes(codes.slice(0, 1))}>
            Keep only the first
          </button>
        </span>
      )}
      <details className="pb-1.5 text-[13px]">
        <summary className="cursor-pointer text-quiet">A batch</summary>
        <span className="flex items-end gap-2">
          <TypedField
            label="How many"
            className="w-28"
            value={String(count)}
            problemOf={(text) => (isCount(text) ? null : `a whole number from 1 to ${MOST}`)}
            onCommit={(text) => setCount(Number(text))}
          />
          <button type="button" className="btn btn-sm" onClick={() => onCodes(batch(count, codes))}>
            Make
          </button>
        </span>
      </details>
      <a
        className="btn btn-ghost btn-xs mb-1.5"
        download="codes.csv"
        href={`data:text/csv;charset=utf-8,${encodeURIComponent(csv)}`}
      >
        Save as CSV
      </a>
    </span>
  );
}

/** Codes nobody can guess from one another, ten letters each, none of them there already. */
function batch(count: number, taken: readonly string[]): string[] {
  const made = new Set<string>();
  while (made.size < count) {
    const bytes = crypto.getRandomValues(new Uint8Array(10));
    // 256 is a multiple of the alphabet's 32 letters: all letters are equally likely.
    const code = [...bytes].map((byte) => ALPHABET[byte % ALPHABET.length]).join("");
    if (!taken.includes(code)) made.add(code);
  }
  return [...made];
}
