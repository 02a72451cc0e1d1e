import type { Trace } from "../../../core/conditions/compile.ts";
import { actualWords } from "../../../core/conditions/words.ts";
import { say, sayValue } from "../../language/say.ts";

const LONGEST = 40;

/** How a clause stands for the current shopper, with what was found. Said in words, not by colour alone. */
export function TruthMark({ trace: { truth, condition, actual }, currency }: { trace: Trace; currency: string }) {
  const words = truth === null ? say("not known") : truth ? say("holds") : say("fails");
  const actually = actualWords(condition, actual, currency);
  const found = actually === undefined ? undefined : sayValue(actually);
  return (
    <span
      className={`ml-1 text-[13px] font-semibold ${truth === true ? "text-primary" : truth === null ? "text-quiet" : "text-warning"}`}
    >
      {words}
      {found !== undefined && `: ${found.length > LONGEST ? `${found.slice(0, LONGEST - 1)}…` : found}`}
    </span>
  );
}
