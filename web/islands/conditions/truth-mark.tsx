import type { Trace } from "../../../core/conditions/condition.ts";

/** How a clause stands for the current shopper, with what was found. Said in words, not by colour alone. */
export function TruthMark({ trace: { truth, actual } }: { trace: Trace }) {
  const words = truth === null ? "not known" : truth ? "holds" : "fails";
  const found = actual === undefined || actual === null || typeof actual === "boolean" ? "" : `: ${foundText(actual)}`;
  return (
    <span
      className={`ml-1 text-[12px] font-semibold ${truth === true ? "text-primary" : truth === null ? "text-quiet" : "text-warning"}`}
    >
      {words}
      {found}
    </span>
  );
}

function foundText(actual: string | number | readonly string[]): string {
  if (typeof actual === "number") return String(actual);
  const text = typeof actual === "string" ? actual : actual.length === 0 ? "nothing" : actual.join(", ");
  return text.length > 40 ? `${text.slice(0, 39)}…` : text;
}
