import { Component, type ReactNode } from "react";
import type { Phrase } from "../../core/phrases/phrase.ts";
import { say } from "../language/say.ts";
import { draftStore } from "../state/use-draft.ts";

type Props = {
  /** What stands here, as it is called: "The Shopper view". */
  what: string;
  /** When one of these changes, it is tried again. */
  watch: readonly unknown[];
  /** A further way out, where there is one. */
  wayOut?: { readonly words: Phrase; readonly take: () => void };
  /** Before it is tried again by hand. */
  onAgain?: () => void;
  children: ReactNode;
};
type State = { fault: string | null };

/** Keeps the rest of the page working when a part of it fails to be drawn, says which, and offers ways to mend it. */
export class FaultBoundary extends Component<Props, State> {
  override state: State = { fault: null };

  static getDerivedStateFromError(error: unknown): State {
    return { fault: error instanceof Error ? error.message : String(error) };
  }

  override componentDidUpdate(before: Props): void {
    const { watch } = this.props;
    if (this.state.fault !== null && watch.some((one, i) => one !== before.watch[i])) this.setState({ fault: null });
  }

  override render(): ReactNode {
    const { fault } = this.state;
    const { what, wayOut, onAgain, children } = this.props;
    if (fault === null) return children;
    const { canUndo } = draftStore.snapshot();
    return (
      <section role="alert" className="m-3 max-w-xl border border-warning bg-base-100 p-3">
        <h2 className="font-semibold text-warning">{say("{what} cannot be shown", { what })}</h2>
        <p className="my-1 break-words">{fault}</p>
        <p className="mb-2 text-quiet">{say("Everything else goes on working, and nothing that was kept is lost.")}</p>
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => {
              onAgain?.();
              this.setState({ fault: null });
            }}
          >
            {say("Try again")}
          </button>
          {canUndo && (
            <button type="button" className="btn btn-sm" onClick={() => draftStore.undo()}>
              {say("Undo the last change")}
            </button>
          )}
          {wayOut && (
            <button type="button" className="btn btn-sm" onClick={wayOut.take}>
              {say(wayOut.words)}
            </button>
          )}
        </div>
      </section>
    );
  }
}
