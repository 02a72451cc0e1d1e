import { say } from "../../language/say.ts";
import type { MessageStretch } from "./message-strip.ts";

/** `letter` is the room a letter takes, generously, so that texts are cut rather than run over. */
export const STRIP = { gap: 30, height: 24, letter: 6.6 };

const cutTo = (text: string, letters: number) =>
  text.length <= letters ? text : letters < 4 ? "" : `${text.slice(0, Math.floor(letters) - 1)}…`;

/** What shoppers read along the climb. */
export function StripRow({
  stretches,
  x,
  to,
  top,
  money,
}: {
  stretches: readonly MessageStretch[];
  x: (value: number) => number;
  to: number;
  top: number;
  money: (minor: number) => string;
}) {
  return (
    <g>
      {stretches.map(({ from, to: end, texts, gained }) => {
        const left = x(from);
        const width = Math.max(1, x(Math.min(to, end + 1)) - left - 1);
        const text = texts.join(" · ") || say("No message");
        return (
          <g key={from} data-strip={from}>
            <title>{say("From {money}: {text}", { money: money(from), text })}</title>
            <rect
              x={left}
              y={top}
              width={width}
              height={STRIP.height}
              fill={gained > 0 ? "var(--tint-strong)" : "var(--tint)"}
            />
            <text x={left + 7} y={top + 16} className="fill-base-content text-[13px]">
              {cutTo(text, (width - 14) / STRIP.letter)}
            </text>
          </g>
        );
      })}
    </g>
  );
}
