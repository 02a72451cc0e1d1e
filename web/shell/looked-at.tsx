import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { ApiError } from "../state/api.ts";
import { QuoteContext, useQuoteOfCart } from "../state/quote-context.ts";
import { StandpointContext, useKeptStandpoint } from "../state/standpoint-context.ts";

/** What was read a moment ago is not read again on the way from section to section. */
const FRESH_MS = 60_000;

/** Asking again may help while the server is away, and not when it refuses. */
const mayHelp = (failures: number, error: Error) => failures < 5 && !(error instanceof ApiError && !error.passing);

const client = new QueryClient({
  defaultOptions: { queries: { refetchOnWindowFocus: false, retry: mayHelp, staleTime: FRESH_MS } },
});

/** What is read from the server is known to everything inside. */
export const ServerAnswers = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={client}>{children}</QueryClientProvider>
);

/** Says to everything inside from where one looks, at what, and what a shop would answer. */
export function LookedAt({ children }: { children: ReactNode }) {
  const from = useKeptStandpoint();
  const looked = useQuoteOfCart(from);
  return (
    <StandpointContext value={from}>
      <QuoteContext value={looked}>{children}</QuoteContext>
    </StandpointContext>
  );
}
