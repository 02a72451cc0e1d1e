import type { Gain } from "../../../core/evidence/gain.ts";
import { majorIn } from "../../../core/money/decimal.ts";
import { SaveCsv } from "../../fields/save-csv.tsx";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";

const headsOf = () => [
  say("Goal"),
  say("Net gain a week"),
  say("from"),
  say("to"),
  say("added"),
  say("deliveries given away"),
  say("gifts and money off"),
  say("as good as the best"),
  say("a guess"),
];

/** The curve as a table, and as a file. */
export function GainTable({ gain: { curve }, currency }: { gain: Gain; currency: string }) {
  const cells = () => {
    const major = (minor: number) => majorIn(minor, currency);
    const rows = curve.map(({ goal, gain, low, high, added, givenAway, rewards, asGood, isGuess }) => [
      ...[goal, gain, low, high, added, givenAway, rewards].map(major),
      ...[asGood, isGuess].map(yesOrNo),
    ]);
    return [headsOf(), ...rows];
  };
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-[13px] text-quiet">{say("As a table")}</summary>
      <SaveCsv download="gain.csv" rows={cells} className="btn-sm my-1" />
      <div className="max-h-72 overflow-auto border border-base-300 bg-base-100">
        <table
          aria-label={say("Net gain over the goal")}
          className="table table-xs text-[13px] [&_td]:text-right [&_td]:text-[13px] [&_td]:tabular-nums [&_th]:text-right"
        >
          <thead>
            <tr className="text-quiet">
              {headsOf().map((head) => (
                <th key={head} scope="col">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {curve.map(({ goal, gain, low, high, added, givenAway, rewards, asGood, isGuess }) => (
              <tr key={goal}>
                <th scope="row" className="font-normal">
                  {makersMoney(goal, currency)}
                </th>
                {[gain, low, high, added, givenAway, rewards].map((minor, i) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: the columns stay where they are.
                  <td key={i}>{makersMoney(minor, currency)}</td>
                ))}
                <td>{yesOrNo(asGood)}</td>
                <td>{yesOrNo(isGuess)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}

const yesOrNo = (is: boolean): string => (is ? say("yes") : say("no"));
