import type { TextRun } from "../../../core/messages/rich-text.ts";
import type { QuotedOption } from "../../../core/quote/answer/quote.ts";
import { ShopLink } from "./shop-link.tsx";

type Props = Pick<QuotedOption, "note" | "noteRuns" | "picture">;

/** The note beside an option as a shop may show it: bold, links that lead nowhere from here, and its picture. */
export function RichNote({ note, noteRuns, picture }: Props) {
  if (note === undefined && !picture) return null;
  return (
    <span className="flex items-start gap-2 text-[13px] text-quiet">
      {picture && (
        <img
          className="mt-0.5 max-h-10 w-auto"
          src={picture.source}
          width={picture.width}
          height={picture.height}
          alt={picture.alt}
        />
      )}
      <span>{noteRuns ? keyed(noteRuns).map(({ key, ...run }) => <Run key={key} {...run} />) : note}</span>
    </span>
  );
}

function Run({ text, bold, link }: TextRun) {
  const said = bold ? <strong className="font-semibold">{text}</strong> : text;
  return link === undefined ? said : <ShopLink to={link}>{said}</ShopLink>;
}

/** Stretches are told apart by where they begin. */
function keyed(runs: NonNullable<Props["noteRuns"]>) {
  let at = 0;
  return runs.map((run) => {
    const key = at;
    at += run.text.length;
    return { ...run, key };
  });
}
