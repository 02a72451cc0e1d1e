import type { Reach } from "../../../core/evidence/reach.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";

/** For each goal of the draft: by how many more products the orders a little below it would get there, with what is on sale. */
export function ReachList({ reach, currency }: { reach: readonly Reach[]; currency: string }) {
  const shown = reach.filter(({ one, two, none }) => one + two + none > 0).toSorted((a, b) => a.goal - b.goal);
  if (shown.length === 0) return null;
  return (
    <section aria-label={say("Whether shoppers can get there")} className="mt-4">
      <h2 className="text-[15px] font-bold">{say("Can shoppers get there?")}</h2>
      <p className="max-w-[75ch] text-[13px] text-quiet">
        {say(
          "Orders at most a fifth below a goal of the draft, and what would bring them there without going more than a fifth beyond it.",
        )}
      </p>
      <table
        aria-label={say("Whether shoppers can get there")}
        className="table table-sm mt-1 w-auto text-[14px] [&_td]:text-right [&_td]:text-[14px] [&_td]:tabular-nums"
      >
        <thead>
          <tr className="text-[13px] text-quiet">
            <th scope="col">{say("Goal")}</th>
            <th scope="col">{say("Orders")}</th>
            <th scope="col">{say("one more product")}</th>
            <th scope="col">{say("two")}</th>
            <th scope="col">{say("neither")}</th>
          </tr>
        </thead>
        <tbody>
          {shown.map(({ goal, one, two, none }) => (
            <tr key={goal}>
              <th scope="row" className="font-normal">
                {makersMoney(goal, currency)}
              </th>
              {[one + two + none, one, two, none].map((count, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: the columns stay where they are.
                <td key={i}>{say("{count, number}", { count })}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
