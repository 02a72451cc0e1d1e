import type { Display } from "../../../core/messages/display.ts";
import type { Progress } from "../../../core/quote/answer/quote.ts";

type Props = {
  display: Display;
  ladder: readonly Pick<Progress, "goal" | "counted" | "reached" | "measure">[];
  label: string;
};

/** Beads are for counts small enough to be told apart. */
const MOST_BEADS = 12;

/** How far along a ladder the shopper is, in the shape the store has chosen; marks stand where the goals are. */
export function ProgressDisplay({ display, ladder, label }: Props) {
  const goals = ladder.map(({ goal }) => goal).filter((goal) => goal > 0);
  const top = Math.max(0, ...goals);
  if (top === 0) return null;
  const counted = Math.max(0, ...ladder.map((step) => step.counted ?? 0));
  const percent = ladder.every(({ reached }) => reached) ? 100 : Math.min(99, Math.floor((100 * counted) / top));
  const aria = {
    role: "progressbar",
    "aria-label": label,
    "aria-valuemin": 0,
    "aria-valuemax": 100,
    "aria-valuenow": percent,
  } as const;
  const { fill, track } = display;
  if (display.shape === "beads" && ladder[0]?.measure === "items" && top <= MOST_BEADS) {
    return (
      <div {...aria} className="mt-2 flex gap-1">
        {Array.from({ length: top }, (_, i) => i + 1).map((bead) => (
          <span
            key={bead}
            className="h-3 w-3 rounded-full border"
            style={{
              background: bead <= counted ? fill : "transparent",
              borderColor: bead <= counted ? fill : track,
              borderWidth: goals.includes(bead) ? 3 : 1.5,
            }}
          />
        ))}
      </div>
    );
  }
  if (display.shape === "notches") {
    const steps = [...new Set(goals)].sort((a, b) => a - b);
    return (
      <div {...aria} className="mt-2 flex gap-1">
        {steps.map((goal, i) => {
          const from = steps[i - 1] ?? 0;
          const part = Math.min(1, Math.max(0, (counted - from) / Math.max(1, goal - from)));
          return (
            <span key={goal} className="h-2 flex-1 skew-x-[-18deg]" style={{ background: track }}>
              <span className="block h-full" style={{ background: fill, width: `${Math.floor(part * 100)}%` }} />
            </span>
          );
        })}
      </div>
    );
  }
  return (
    <div {...aria} className="relative mt-2 h-1.5 w-full" style={{ background: track }}>
      <span className="absolute inset-y-0 start-0" style={{ background: fill, width: `${percent}%` }} />
      {goals.length > 1 &&
        goals
          .filter((goal) => goal < top)
          .map((goal) => (
            <span
              key={goal}
              className="absolute -inset-y-1 w-0.5"
              style={{
                background: counted >= goal ? fill : "var(--quiet)",
                insetInlineStart: `${(100 * goal) / top}%`,
              }}
            />
          ))}
    </div>
  );
}
