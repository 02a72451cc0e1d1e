import { isMessageState, type MessageState, type StepState } from "../../messages/states.ts";
import type { StepProgress } from "../progress/progress.ts";

/** A step as it stands, in the order of its ladder. */
type Rung = { readonly state: StepState; readonly remaining: number | null };

/** What is worth saying about an offer: the highest step earned, then the nearest that can be, else what stands in its way. */
export function stepsToMention<Entry extends Rung>(ladder: readonly Entry[]): Entry[] {
  const earned = ladder.filter(({ state }) => state === "reached").at(-1);
  const next = ladder.find((entry) => isAhead(entry) && speaksForItself(entry, ladder));
  const spoken = [earned, next].filter((entry) => entry !== undefined);
  if (spoken.length > 0) return spoken;
  const silent =
    ladder.find(({ state }) => state === "code-missing") ??
    ladder.find(({ state }) => state === "covered" || state === "blocked");
  return silent ? [silent] : [];
}

/** Where a text is looked for: a step, and the finer states it may be spoken of in, the plainest last. */
type TextSource<Entry> = { readonly entry: Entry; readonly states: readonly MessageState[] };

/**
 * Where the text about a step is looked for: at itself, then at those earned before it, which speak on where it has none.
 *
 * @param percentOf how far along a step is
 * @example textSources(second, [first, second], "80", () => 0) // both reached: the second's, then the first's
 */
export const textSources = <Entry extends Rung>(
  entry: Entry,
  ladder: readonly Entry[],
  nearlyThere: string | undefined,
  percentOf: (entry: Entry) => number,
): TextSource<Entry>[] =>
  [entry, ...earnedBelow(entry, ladder)].map((one) => ({
    entry: one,
    states: messageStates(one.state, ladder, ladder.indexOf(one), percentOf(one), nearlyThere),
  }));

/** The steps that were earned before one that is, the highest first. */
const earnedBelow = <Entry extends Rung>(entry: Entry, ladder: readonly Entry[]): Entry[] =>
  entry.state === "reached"
    ? ladder
        .slice(0, ladder.indexOf(entry))
        .filter(({ state }) => state === "reached")
        .reverse()
    : [];

const isAhead = ({ state }: Rung) => state === "empty" || state === "on-the-way" || state === "sign-in";

/** Whether what a step asks for leads to it alone: where a later step is earned with it, that one speaks. */
function speaksForItself(entry: Rung, ladder: readonly Rung[]): boolean {
  const { remaining } = entry;
  if (remaining === null) return true;
  const later = ladder.slice(ladder.indexOf(entry) + 1);
  return later.every((other) => other.remaining === null || other.remaining > remaining);
}

/** Whether a step's own goal is spoken of, among all steps of a quote. */
export const isAnnounced = (entry: StepProgress, progress: readonly StepProgress[]): boolean =>
  speaksForItself(
    entry,
    progress.filter(({ offer }) => offer === entry.offer),
  );

const NEARLY = 80;

function messageStates(
  state: StepState,
  ladder: readonly { readonly state: StepState }[],
  index: number,
  percent: number,
  nearlyThere: string | undefined,
): MessageState[] {
  if (state === "on-the-way") {
    const between = ladder.slice(0, index).some((earlier) => earlier.state === "reached");
    const near = percent >= Number(nearlyThere ?? NEARLY);
    return [...(near ? (["nearly-there"] as const) : []), ...(between ? (["between"] as const) : []), "on-the-way"];
  }
  if (state === "reached") return ladder.length > 1 && index === ladder.length - 1 ? ["top", "reached"] : ["reached"];
  return isMessageState(state) ? [state] : [];
}
