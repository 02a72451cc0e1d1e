import type { StateFigure } from "../../../server/evidence/evidence-schema.ts";
import type { StatedFigures } from "../../../server/evidence/stated-figures.ts";
import type { ToldGain } from "../../../server/evidence/told-gain.ts";
import { say } from "../../language/say.ts";
import { percentText, StatedPercent } from "./stated-percent.tsx";

type Props = {
  figures: StatedFigures;
  told: Pick<ToldGain, "margins" | "margin" | "categories">;
  onState: (stated: StateFigure) => void;
};

const MOST = 40;

/** The margin on goods by category, and what it comes to on what was bought. */
export function MarginFields({ figures: { margin, byCategory }, told, onState }: Props) {
  // What is stated is shown, whether it was bought or not.
  const names = [...new Set([...told.categories.slice(0, MOST), ...Object.keys(byCategory)])];
  if (margin === null || names.length === 0) return null;
  const whole = (told.margins ?? []).reduce((sum, { worth }) => sum + worth, 0);
  const parts = (told.margins ?? []).filter(({ worth }) => worth > 0);
  return (
    <details className="mb-2">
      <summary className="cursor-pointer text-[13px] text-quiet">
        {told.margin === null || parts.length < 2
          ? say("Margin by category")
          : say("Margin by category: {margin} % on what was bought", {
              margin: String(Math.round(told.margin * 1000) / 10),
            })}
      </summary>
      <p className="max-w-[80ch] text-[13px] text-quiet">
        {say("What shoppers add is taken to be mixed as what was bought.")}{" "}
        {parts.length > 1 &&
          say("It was {parts}.", {
            parts: parts
              .map(({ category, worth, margin: its }) =>
                say("{share} % {category} at {margin} %", {
                  share: Math.round((worth / whole) * 100),
                  category: category ?? say("everything else"),
                  margin: percentText(its),
                }),
              )
              .join(", "),
          })}
      </p>
      <div className="mt-1 flex flex-wrap gap-x-4 gap-y-2">
        {names.map((category) => (
          <StatedPercent
            key={category}
            label={category}
            ariaLabel={say("Margin on {category}, percent", { category })}
            part={byCategory[category] ?? null}
            placeholder={percentText(margin)}
            onState={(figure) => onState({ kind: "margin", category, figure })}
          />
        ))}
      </div>
    </details>
  );
}
