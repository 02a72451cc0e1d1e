import PanelRightClose from "lucide-react/icons/panel-right-close";
import PanelRightOpen from "lucide-react/icons/panel-right-open";
import { memo } from "react";
import { Link } from "wouter";
import type { Phrase } from "../../core/phrases/phrase.ts";
import type { Location } from "../../core/places/location.ts";
import type { Plan } from "../../core/plan/plan.ts";
import { say } from "../language/say.ts";
import { useStandpoint } from "../state/standpoint-context.ts";
import { useDraft } from "../state/use-draft.ts";
import { useReleaseDue } from "../state/use-release-due.ts";
import { FaultBoundary } from "./fault-boundary.tsx";
import { SaveMark } from "./save-mark.tsx";
import { StandpointSentence } from "./standpoint-sentence.tsx";

type Props = {
  /** Whether what it leads to is in sight. */
  isReleasing: boolean;
  shopperOpen: boolean;
  onShopper: (open: boolean) => void;
  wayOut: { readonly words: Phrase; readonly take: () => void };
};

const NO_LOCATIONS: readonly Location[] = [];
const NO_OFFERS: Plan["offers"] = [];

/** From where one looks, what is saved, and the way to the release. */
export const Header = memo(function Header({ isReleasing, shopperOpen, onShopper, wayOut }: Props) {
  const state = useDraft();
  const { standpoint, setStandpoint, market } = useStandpoint();
  const { plan } = state;
  useReleaseDue(state.draft);
  return (
    <header className="flex min-h-14 flex-wrap items-center gap-x-6 gap-y-1 border-b border-base-300 bg-base-100 px-5 py-2">
      <Link href="/overview" className="text-[17px] font-bold tracking-tight">
        {say("Summant")}
      </Link>
      <FaultBoundary what={say("The standpoint")} watch={[standpoint, plan]} wayOut={wayOut}>
        <StandpointSentence
          standpoint={standpoint}
          market={market}
          offers={plan?.offers ?? NO_OFFERS}
          locations={plan?.locations ?? NO_LOCATIONS}
          onChange={setStandpoint}
        />
      </FaultBoundary>
      <div className="ml-auto flex flex-wrap items-center gap-x-4 gap-y-1 print:hidden">
        <SaveMark state={state} />
        {!isReleasing && (
          <Link href="/release" className="btn btn-neutral btn-sm">
            {say("Review and release")}
          </Link>
        )}
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-expanded={shopperOpen}
          aria-controls="shopper-view"
          onClick={() => onShopper(!shopperOpen)}
        >
          {shopperOpen ? <PanelRightClose size={18} aria-hidden /> : <PanelRightOpen size={18} aria-hidden />}
          <span className="sr-only">{shopperOpen ? say("Fold the Shopper view") : say("Open the Shopper view")}</span>
        </button>
      </div>
    </header>
  );
});
