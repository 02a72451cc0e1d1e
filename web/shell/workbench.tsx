import { phrase } from "../../core/phrases/phrase.ts";
import { say } from "../language/say.ts";
import type { Section } from "../names/sections.ts";
import { CART_KEY } from "../state/quote-context.ts";
import { STANDPOINT_KEY } from "../state/standpoint-context.ts";
import { FaultBoundary } from "./fault-boundary.tsx";
import { Frame } from "./frame.tsx";
import { LookedAt, ServerAnswers } from "./looked-at.tsx";
import { loadSection } from "./section-view.tsx";
import { useDraftKeys } from "./use-draft-keys.ts";
import { useFocusHabits } from "./use-focus-habits.ts";
import { useSection } from "./use-section.ts";
import { useSpoken } from "./use-spoken.ts";

/** What is looked from is kept in this browser; without it the page begins as for a newcomer. */
const FIRST_LOOK = {
  words: phrase("Look from the first standpoint"),
  take: () => {
    for (const key of [STANDPOINT_KEY, CART_KEY]) localStorage.removeItem(key);
    window.location.reload();
  },
};

/** The whole app. @param section the one whose page was loaded */
export function Workbench({ section: first }: { section: Section }) {
  // Beside the plan, not after it.
  void loadSection(first);
  // Nothing is said before it can be said in the chosen language.
  return useSpoken() && <Everything first={first} />;
}

function Everything({ first }: { first: Section }) {
  const { section, left } = useSection(first);
  useDraftKeys();
  useFocusHabits();
  return (
    <ServerAnswers>
      <FaultBoundary what={say("Summant")} watch={[section]} wayOut={FIRST_LOOK}>
        <LookedAt>
          <Frame section={section} left={left} wayOut={FIRST_LOOK} />
        </LookedAt>
      </FaultBoundary>
    </ServerAnswers>
  );
}
