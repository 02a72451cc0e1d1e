import type { ReactNode } from "react";
import { say } from "../language/say.ts";

type Props = {
  label: string;
  /** What each column has; one more after them is for what can be done. */
  heads: readonly string[];
  /** How narrow it may become before it scrolls. */
  className?: string;
  /** Its rows. */
  children: ReactNode;
};

/** Things in rows, with what can be done with each at the end of its row. */
export const TableOfThings = ({ label, heads, className = "", children }: Props) => (
  <div className="overflow-x-auto border border-base-300 bg-base-100">
    <table aria-label={label} className={`table text-[14px] ${className}`}>
      <thead>
        <tr className="text-[13px] text-quiet">
          {heads.map((head) => (
            <th key={head} scope="col">
              {head}
            </th>
          ))}
          <th scope="col">
            <span className="sr-only">{say("What can be done")}</span>
          </th>
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </table>
  </div>
);
