import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { ShownOn } from "../../../core/money/drift.ts";
import { makersMoney } from "../../language/money.ts";
import { say } from "../../language/say.ts";

type Props = { name: string; currency: string; shown: readonly ShownOn[]; goal: number | null };

/** What shoppers would have been shown day by day; the table above says the same in figures. */
export function HistoryChart({ name, currency, shown, goal }: Props) {
  const money = (minor: number) => makersMoney(Math.round(minor), currency);
  return (
    <figure className="mt-2 border border-base-300 bg-base-100 p-2">
      <figcaption className="px-2 text-[13px] text-quiet">
        {name}, {shown.length === 1 ? say("one day") : say("{count} days", { count: shown.length })}
      </figcaption>
      <ResponsiveContainer width="100%" height={180}>
        <LineChart data={[...shown]} margin={{ top: 10, right: 20, bottom: 0, left: 20 }}>
          <CartesianGrid stroke="var(--color-base-300)" vertical={false} />
          <XAxis dataKey="date" tick={{ fontSize: 13, fill: "var(--quiet)" }} minTickGap={40} />
          <YAxis
            domain={["auto", "auto"]}
            tickFormatter={money}
            tick={{ fontSize: 13, fill: "var(--quiet)" }}
            width={80}
          />
          <Tooltip formatter={(minor) => money(Number(minor))} />
          {goal !== null && <ReferenceLine y={goal} stroke="var(--line-2)" strokeDasharray="6 3" />}
          <Line
            type="stepAfter"
            dataKey="minor"
            name={say("shown")}
            stroke="var(--line-1)"
            strokeWidth={2}
            dot={shown.length < 3}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
