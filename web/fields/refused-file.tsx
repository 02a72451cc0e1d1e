import { say } from "../language/say.ts";

const MOST_LINES = 20;

/** A file that was not taken, and why: the first few of all that is wrong with it. */
export const RefusedFile = ({ words, lines }: { words: string; lines: readonly string[] }) => (
  <div role="alert" className="mt-2 text-warning">
    <p className="font-semibold">{words}</p>
    <ul>
      {lines.slice(0, MOST_LINES).map((line) => (
        <li key={line}>{line}</li>
      ))}
      {lines.length > MOST_LINES && <li>{say("and {count} more", { count: lines.length - MOST_LINES })}</li>}
    </ul>
  </div>
);
