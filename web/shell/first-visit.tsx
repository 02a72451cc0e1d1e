import X from "lucide-react/icons/x";
import { useEffect } from "react";
import { type Phrase, phrase } from "../../core/phrases/phrase.ts";
import { IconButton } from "../fields/icon-button.tsx";
import { say } from "../language/say.ts";
import type { Section } from "../names/sections.ts";
import { useStored } from "../state/use-stored.ts";

/** What a section answers, and what to try first. */
const WORDS: Readonly<Record<Section, Phrase>> = {
  overview: phrase(
    "What delivery costs everywhere, and what is free from how much: follow any figure to where it is set.",
  ),
  places: phrase("Who is sold to, and from where: pick a zone, or try an address below to see which zone serves it."),
  delivery: phrase("What shoppers can pick and what it costs: change a price and watch the cart on the right."),
  offers: phrase(
    "What is given, to whom, from how much: drag a goal's flag, or press an amount in a sentence and type.",
  ),
  wording: phrase(
    "What shoppers read in each state and language: press a text to change it, with its figures in place.",
  ),
  evidence: phrase(
    "What past orders say: where their values lie, which goals they are worth, and what the draft would have meant for them.",
  ),
  checks: phrase("What is wrong, risky or odd, each with a cart that shows it: “Show me” puts that cart on the right."),
  account: phrase("What you sign in with, and where you are signed in: end what you do not know."),
  people: phrase("Who may sign in, and what each may do: invite somebody, and give them the link."),
  keys: phrase("What shops' servers call with: make one for each, and revoke what is not used."),
  log: phrase("Who did what, the newest first: search it, and take back what should not have been."),
  settings: phrase("What holds beside the plan: signing in, releases, what is kept of shoppers."),
  release: phrase("What shops are answered from: see every change since, then release it, now or from a moment on."),
};

/** One line for whoever sees a section for the first time in this browser; it is gone when they come back. */
export function FirstVisit({ section }: { section: Section }) {
  const [closed, close] = useStored("summant.first-lines-closed", false, isBoolean);
  return closed ? null : <Line key={section} section={section} onClose={() => close(true)} />;
}

const isBoolean = (value: unknown) => typeof value === "boolean";

function Line({ section, onClose }: { section: Section; onClose: () => void }) {
  const key = `summant.seen.${section}`;
  const [seen] = useStored(key, false, isBoolean);
  // Not before the section or the page is left.
  useEffect(() => {
    const leave = () => localStorage.setItem(key, "true");
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [key]);
  if (seen) return null;
  return (
    <p className="mx-auto mb-3 flex max-w-[1200px] items-center gap-2 border-l-2 border-primary bg-tint px-3 py-1 text-[13px] print:hidden">
      <span className="min-w-0 flex-1">{say(WORDS[section])}</span>
      <IconButton words={say("Leave such lines out")} onClick={onClose}>
        <X size={13} aria-hidden />
      </IconButton>
    </p>
  );
}
