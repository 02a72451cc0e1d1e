import { useState } from "react";
import { BELOW } from "../../../core/evidence/near-goal.ts";
import type { Reach } from "../../../core/evidence/reach.ts";
import { majorIn } from "../../../core/money/decimal.ts";
import { SaveCsv } from "../../fields/save-csv.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";
import { type Looked, OrdersWorth } from "./orders-worth.tsx";

/** For each goal of the draft: by how many more products the orders a little below it would get there, with what is on sale. */
export function ReachList({ reach, looked }: { reach: readonly Reach[]; looked: Looked }) {
  const [opened, setOpened] = useState<number | null>(null);
  const { currency } = looked.filter;
  const money = (minor: number) => makersMoney(minor, currency);
  const shown = reach.filter(({ one, two, none }) => one + two + none > 0).toSorted((a, b) => a.goal - b.goal);
  if (shown.length === 0) return null;
  const heads = [say("Goal"), say("Orders"), say("one more product"), say("two"), say("neither")];
  const cells = () => {
    const major = (minor: number) => majorIn(minor, currency);
    const rows = shown.map(({ goal, one, two, none }) => [major(goal), one + two + none, one, two, none]);
    return [heads, ...rows];
  };
  return (
    <section aria-label={say("Whether shoppers can get there")} className="mt-4">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="text-[15px] font-bold">{say("Can shoppers get there?")}</h2>
        <SaveCsv download="reach.csv" rows={cells} />
      </div>
      <p className="max-w-[75ch] text-[13px] text-quiet">
        {say(
          "Orders at most a fifth below a goal of the draft, and what would bring them there without going more than a fifth beyond it.",
        )}
      </p>
      <div className="overflow-x-auto">
        <table
          aria-label={say("Whether shoppers can get there")}
          className="table table-sm mt-1 w-auto text-[14px] whitespace-nowrap [&_td]:text-right [&_td]:text-[14px] [&_td]:tabular-nums"
        >
          <thead>
            <tr className="text-[13px] text-quiet">
              {heads.map((head) => (
                <th key={head} scope="col">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map(({ goal, one, two, none }) => (
              <tr key={goal}>
                <th scope="row" className="font-normal">
                  {money(goal)}
                </th>
                <td>
                  <button
                    type="button"
                    className="link"
                    aria-expanded={opened === goal}
                    title={say("The orders that it is made of")}
                    onClick={() => setOpened(opened === goal ? null : goal)}
                  >
                    {say("{count, number}", { count: one + two + none })}
                  </button>
                </td>
                {[one, two, none].map((count, i) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: the columns stay where they are.
                  <td key={i}>{say("{count, number}", { count })}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {opened !== null && (
        <OrdersWorth
          {...looked}
          from={Math.ceil(opened * BELOW)}
          below={opened}
          label={say("{from} to {to}", { from: money(Math.ceil(opened * BELOW)), to: money(opened) })}
        />
      )}
    </section>
  );
}
