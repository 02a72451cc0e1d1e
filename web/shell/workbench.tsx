import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import type { Section } from "../names/sections.ts";
import { CART_KEY, QuoteContext, useQuoteOfCart } from "../state/quote-context.ts";
import { STANDPOINT_KEY, StandpointContext, useKeptStandpoint } from "../state/standpoint-context.ts";
import { FaultBoundary } from "./fault-boundary.tsx";
import { Frame } from "./frame.tsx";
import { useDraftKeys } from "./use-draft-keys.ts";
import { useSection } from "./use-section.ts";

/** What was read a moment ago is not read again on the way from section to section. */
const FRESH_MS = 60_000;

const client = new QueryClient({
  defaultOptions: { queries: { refetchOnWindowFocus: false, retry: 5, staleTime: FRESH_MS } },
});

/** What is looked from is kept in this browser; without it the page begins as for a newcomer. */
const FIRST_LOOK = {
  words: "Look from the first standpoint",
  take: () => {
    for (const key of [STANDPOINT_KEY, CART_KEY]) localStorage.removeItem(key);
    window.location.reload();
  },
};

/** The whole app. @param section the one whose page was loaded */
export function Workbench({ section: first }: { section: Section }) {
  const { section, left } = useSection(first);
  return (
    <QueryClientProvider client={client}>
      <FaultBoundary what="Summant" watch={[section]} wayOut={FIRST_LOOK}>
        <LookedAt section={section} left={left} />
      </FaultBoundary>
    </QueryClientProvider>
  );
}

/** Says to everything inside from where one looks, at what, and what a shop would answer. */
function LookedAt({ section, left }: ReturnType<typeof useSection>) {
  useDraftKeys();
  const from = useKeptStandpoint();
  const looked = useQuoteOfCart(from);
  return (
    <StandpointContext value={from}>
      <QuoteContext value={looked}>
        <Frame section={section} left={left} wayOut={FIRST_LOOK} />
      </QuoteContext>
    </StandpointContext>
  );
}
