import { nice, ticks } from "d3-array";
import {
  Bar,
  BarChart,
  Cell,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import type { PlanGoal } from "../../../core/evidence/goals-of-plan.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import type { ToldSpread } from "../../../server/evidence/told-spread.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";

type Props = { spread: ToldSpread; goals: readonly PlanGoal[]; currency: string; plan: Plan };

/** Order values as quiet bars, the clusters under their shares, and the goals of the draft. The table below says the same. */
export function SpreadChart({ spread, goals, currency, plan }: Props) {
  const { bars, clusters, mean } = spread;
  const money = (minor: number) => makersMoney(Math.round(minor), currency, "short");
  // The shares stand above the bars.
  const [, top] = nice(0, HEADROOM * Math.max(...bars.map(({ orders }) => orders)), TICKS);
  const data = bars.map((bar, i) => ({
    ...bar,
    i,
    name: say("{from} to {to}", { from: money(bar.from), to: money(bar.to) }),
  }));
  /** Where a value lies between the bars, which are drawn alike however wide they are. */
  const at = (value: number): number => {
    const bar = bars.findLastIndex(({ from }) => value >= from);
    const found = bars[bar];
    return found ? bar + Math.min(1, (value - found.from) / Math.max(1, found.to - found.from)) - 0.5 : 0;
  };
  // Of several at one amount, the one that is for everybody.
  const shownGoals = [
    ...new Map(
      goals.toSorted((a, b) => Number(a.isForAll) - Number(b.isForAll)).map((goal) => [goal.goal, goal]),
    ).values(),
  ];
  return (
    <figure aria-label={say("The spread of order values")} className="border border-base-300 bg-base-100 px-1 pt-2">
      <ResponsiveContainer width="100%" height={260}>
        <BarChart
          accessibilityLayer={false}
          data={data}
          margin={{ top: 34, right: 16, bottom: 0, left: 0 }}
          barCategoryGap={1}
        >
          <XAxis
            dataKey="i"
            type="number"
            domain={[-0.5, bars.length - 0.5]}
            ticks={ticksOf(bars.length)}
            tickFormatter={(edge: number) => money(bars[Math.round(edge + 0.5)]?.from ?? bars.at(-1)?.to ?? 0)}
            tick={{ fontSize: 13, fill: "var(--quiet)" }}
            allowDecimals={false}
          />
          <YAxis
            width={52}
            tick={{ fontSize: 13, fill: "var(--quiet)" }}
            domain={[0, top]}
            ticks={ticks(0, top, TICKS).filter(Number.isInteger)}
          />
          <Tooltip
            labelFormatter={(i) => data[Number(i)]?.name ?? ""}
            formatter={(orders) => [String(orders), say("orders")]}
            cursor={{ fill: "var(--color-base-200)" }}
          />
          {clusters.map(({ peak, from, to, share }) => (
            <ReferenceArea
              key={peak}
              x1={at(from)}
              x2={at(to)}
              fill="var(--line-3)"
              fillOpacity={0.08}
              label={{ value: percent(share), position: "insideTop", fontSize: 13, fill: "var(--quiet)" }}
            />
          ))}
          <Bar dataKey="orders" name={say("orders")} isAnimationActive={false} maxBarSize={60}>
            {data.map((bar) => (
              <Cell key={bar.i} fill="var(--quiet)" fillOpacity={0.4} />
            ))}
          </Bar>
          {mean !== null && <ReferenceLine x={at(mean)} stroke="var(--quiet)" strokeDasharray="2 4" />}
          {shownGoals.map(({ offer, step, goal, isForAll }) => (
            <ReferenceLine
              key={`${offer} ${step} ${goal}`}
              x={at(goal)}
              stroke="var(--line-1)"
              strokeWidth={isForAll ? 2 : 1}
              {...(isForAll
                ? { label: { value: money(goal), position: "top", fontSize: 13, fill: "var(--line-1)" } }
                : { strokeDasharray: "5 3" })}
            />
          ))}
        </BarChart>
      </ResponsiveContainer>
      <figcaption className="px-3 pb-2 text-[13px] text-quiet">
        {shownGoals.length > 0
          ? say(
              "Upright lines: goals of the draft, {names}; broken where not for everybody. Dotted: the mean. Tinted: the peaks, with their share of the orders.",
              {
                names: [
                  ...new Set(shownGoals.map(({ offer }) => plan.offers.find(({ id }) => id === offer)?.name ?? offer)),
                ].join(", "),
              },
            )
          : say("Dotted: the mean. Tinted: the peaks, with their share of the orders.")}
      </figcaption>
    </figure>
  );
}

const HEADROOM = 1.1;
/** About so many on the upright axis. */
const TICKS = 4;

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** About ten, evenly, where bars begin whose number is round: bars of two begin a tick at every twenty. */
function ticksOf(bars: number): number[] {
  const every = [1, 2, 5, 10, 20, 25, 50].find((step) => bars / step <= 11) ?? 50;
  return Array.from({ length: Math.floor(bars / every) + 1 }, (_, i) => i * every - 0.5);
}
