import type { ReactNode } from "react";
import type { ChangeLine } from "../../../core/explain/change-lines.ts";
import { say, sayValue } from "../../language/say.ts";

type Props = {
  lines: readonly ChangeLine[];
  /** What stands after a line, such as a way to take it back. */
  behind?: (line: ChangeLine) => ReactNode;
};

/** What has changed in one thing, part by part: as it was, and as it is. */
export const PartLines = ({ lines, behind }: Props) =>
  lines.length > 0 && (
    <ul className="mt-0.5 grid gap-0.5 text-[13px]">
      {lines.map((line) => {
        const { path, what, before, after } = line;
        return (
          <li key={path.join("/")} className="break-words">
            <span className="text-quiet">{say(what)}:</span>{" "}
            {before !== null && <s className="text-quiet">{sayValue(before)}</s>}
            {before !== null && after !== null && " "}
            {after === null ? <span className="text-quiet">{say("(gone)")}</span> : <span>{sayValue(after)}</span>}
            {behind?.(line)}
          </li>
        );
      })}
    </ul>
  );
