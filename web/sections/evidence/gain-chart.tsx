import { ticks } from "d3-array";
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import type { Gain, GainAt } from "../../../core/evidence/gain.ts";
import type { PlanGoal } from "../../../core/evidence/goals-of-plan.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";

type Props = { gain: Gain; currency: string; today: readonly PlanGoal[]; drafted: readonly PlanGoal[] };

/** Net gain a week over the goal, with its band; the stretch that does as well as the best is underlined. The table below says the same. */
export function GainChart({ gain: { curve, weeks, orders }, currency, today, drafted }: Props) {
  const money = (minor: number) => makersMoney(Math.round(minor), currency, "short");
  const data = curve.map((point) => ({ ...point, band: [point.low, point.high] }));
  const stretches = stretchesOf(curve);
  // One goal by itself is to be seen as well.
  const room = ((curve.at(-1)?.goal ?? 0) - (curve[0]?.goal ?? 0)) / 250;
  const least = Math.min(...curve.map(({ low }) => low));
  const most = Math.max(0, ...curve.map(({ high }) => high));
  return (
    <figure aria-label={say("Net gain over the goal")} className="mt-2 border border-base-300 bg-base-100 px-1 pt-2">
      <ResponsiveContainer width="100%" height={260}>
        <ComposedChart accessibilityLayer={false} data={data} margin={{ top: 26, right: 20, bottom: 4, left: 8 }}>
          <CartesianGrid stroke="var(--color-base-300)" vertical={false} />
          <XAxis
            dataKey="goal"
            type="number"
            domain={["dataMin", "dataMax"]}
            tickFormatter={money}
            tick={{ fontSize: 13, fill: "var(--quiet)" }}
            ticks={ticks(curve[0]?.goal ?? 0, curve.at(-1)?.goal ?? 0, 8)}
          />
          <YAxis
            width={76}
            domain={[least, most]}
            ticks={ticks(least, most, 5)}
            tickFormatter={money}
            tick={{ fontSize: 13, fill: "var(--quiet)" }}
          />
          <Tooltip
            labelFormatter={(goal) => say("goal {goal}", { goal: money(Number(goal)) })}
            formatter={(value) =>
              Array.isArray(value)
                ? [
                    say("{low} to {high}", { low: money(Number(value[0])), high: money(Number(value[1])) }),
                    say("nine times in ten"),
                  ]
                : [money(Number(value)), say("a week")]
            }
          />
          <Area dataKey="band" stroke="none" fill="var(--line-1)" fillOpacity={0.14} isAnimationActive={false} />
          <ReferenceLine y={0} stroke="var(--quiet)" />
          <Line dataKey="gain" stroke="var(--line-1)" strokeWidth={2} dot={false} isAnimationActive={false} />
          {stretches.map(([first, last]) => (
            <ReferenceArea
              key={first}
              ifOverflow="hidden"
              x1={first - room}
              x2={last + room}
              y1={least}
              y2={least + (most - least) * 0.025}
              fill="var(--line-2)"
              fillOpacity={0.9}
            />
          ))}
          {[...new Set(today.map(({ goal }) => goal))].map((goal) => (
            <ReferenceLine
              key={`today ${goal}`}
              x={goal}
              stroke="var(--quiet)"
              strokeDasharray="2 4"
              label={{ value: say("today"), position: "insideTopLeft", fontSize: 13, fill: "var(--quiet)" }}
            />
          ))}
          {[...new Set(drafted.map(({ goal }) => goal))].map((goal) => (
            <ReferenceLine
              key={`draft ${goal}`}
              x={goal}
              stroke="var(--line-1)"
              strokeWidth={2}
              label={{ value: money(goal), position: "top", fontSize: 13, fill: "var(--line-1)" }}
            />
          ))}
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption className="px-3 pb-2 text-[13px] text-quiet">
        {say("Net gain a week, and where it lies nine times in ten; from {orders, number} orders of {weeks} weeks.", {
          orders,
          weeks,
        })}{" "}
        {stretches.length > 0 && stretchWords(stretches, money)}{" "}
        {curve.every(({ high }) => high < 0) &&
          say("By larger carts alone none of them pays for itself: each gives away more than it brings.")}
      </figcaption>
    </figure>
  );
}

/** The goals that do as well as the best, from where to where they follow one another. */
function stretchesOf(curve: readonly GainAt[]): [number, number][] {
  const stretches: [number, number][] = [];
  for (const [i, { goal, asGood }] of curve.entries()) {
    const latest = stretches.at(-1);
    if (!asGood) continue;
    if (latest && curve[i - 1]?.asGood) latest[1] = goal;
    else stretches.push([goal, goal]);
  }
  return stretches;
}

const stretchWords = (stretches: readonly (readonly [number, number])[], money: (minor: number) => string): string =>
  stretches
    .map(([first, last]) =>
      first === last
        ? say("Underlined: {goal}, as good as the best of these.", { goal: money(first) })
        : say("Underlined: anything from {first} to {last} does as well as the best.", {
            first: money(first),
            last: money(last),
          }),
    )
    .join(" ");
