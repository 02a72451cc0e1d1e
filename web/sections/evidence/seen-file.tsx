import { problemPhrase } from "../../../core/schema/problem.ts";
import { say } from "../../language/say.ts";
import type { Outcome } from "./import-file.ts";

type Props = {
  seen: Extract<Outcome, { kind: "seen" }>;
  /** @param sound the orders without faults alone */
  onTake: (sound: boolean) => void;
  onDrop: () => void;
};

/** What a file of orders holds, before any of it is taken: with faults, all of them, and the choice to take the sound orders. */
export function SeenFile({ seen: { id, counts, faulty, faults }, onTake, onDrop }: Props) {
  const { added, changed, same } = counts;
  const isSound = faults.count === 0;
  return (
    <div role="status" className="mt-2 grid gap-2">
      <p>
        <strong>{say("{count, plural, one {# new order} other {# new orders}}", { count: added })}</strong>
        {say(", {changed, number} changed, {same, number} here already, just so.", { changed, same })}
      </p>
      {!isSound && (
        <div className="border-l-4 border-warning pl-3">
          <p className="font-semibold">
            {say(
              "{count, plural, one {One fault} other {# faults}}; {faulty, plural, one {one order} other {# orders}} cannot be taken.",
              { count: faults.count, faulty },
            )}{" "}
            <a className="link" href={`/api/orders/faults?as=csv&import=${id}`} download="faults.csv">
              {say("All faults as CSV")}
            </a>
          </p>
          <ul aria-label={say("Faults")} className="max-h-48 overflow-auto text-[14px]">
            {faults.faults.map((problem) => (
              <li key={say(problemPhrase(problem))}>{say(problemPhrase(problem))}</li>
            ))}
          </ul>
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        {isSound ? (
          <button type="button" className="btn btn-neutral btn-sm" onClick={() => onTake(false)}>
            {say("Take these orders")}
          </button>
        ) : (
          added + changed > 0 && (
            <button type="button" className="btn btn-sm" onClick={() => onTake(true)}>
              {say("Take the sound orders alone")}
            </button>
          )
        )}
        <button type="button" className="btn btn-sm" onClick={onDrop}>
          {say("Take nothing")}
        </button>
      </div>
    </div>
  );
}
