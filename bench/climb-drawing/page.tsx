import { flushSync } from "react-dom";
import { createRoot } from "react-dom/client";
import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from "recharts";
import type { Climb } from "../../core/climb/interval.ts";
import { ClimbChart } from "../../web/preview/climb/climb-chart.tsx";

/** The two ways to draw the same climb; each call draws one goal and returns the milliseconds until it is laid out. */
declare global {
  interface Window {
    draw: (kind: "svg" | "recharts", climb: Climb) => number;
  }
}

const host = document.getElementById("root");
if (!host) throw new Error("no root");
const roots = { svg: mountPoint(), recharts: mountPoint() };

function mountPoint() {
  const element = document.createElement("div");
  host?.append(element);
  return { element, root: createRoot(element) };
}

const nothing = () => undefined;

function Svg({ climb }: { climb: Climb }) {
  return (
    <ClimbChart
      climb={climb}
      to={climb.to}
      optionNames={climb.options}
      costs={new Map()}
      offerName={(id) => id}
      stretches={[]}
      cursor={3860}
      unit={100}
      onCursor={nothing}
      onFlag={nothing}
      onFlagCancel={nothing}
      onFlagNudge={nothing}
    />
  );
}

function Recharts({ climb }: { climb: Climb }) {
  const points = climb.intervals.map(({ from, prices }) => ({ from, ...prices }));
  return (
    <LineChart width={820} height={350} data={points}>
      <CartesianGrid />
      <XAxis dataKey="from" type="number" domain={[0, climb.to]} />
      <YAxis />
      {climb.options.map((id, i) => (
        <Line key={id} dataKey={i} type="stepAfter" dot={false} isAnimationActive={false} />
      ))}
      {climb.steps.map(
        ({ step, flag, goal }) => flag !== null && <ReferenceLine key={step} x={flag} label={String(goal)} />,
      )}
      <ReferenceLine x={3860} />
    </LineChart>
  );
}

window.draw = (kind, climb) => {
  const { element, root } = roots[kind];
  const start = performance.now();
  flushSync(() => root.render(kind === "svg" ? <Svg climb={climb} /> : <Recharts climb={climb} />));
  element.getBoundingClientRect();
  return performance.now() - start;
};
