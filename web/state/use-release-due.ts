import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import type { Draft } from "../../server/draft/read-draft.ts";
import { releaseList } from "./server-queries.ts";
import { draftStore } from "./use-draft.ts";

/** No timer of a browser is longer. */
const LONGEST_MS = 2 ** 31 - 1;
/** The server's clock may be a little behind. */
const GRACE_MS = 500;

/** Reads the draft again when the moment of a waiting release comes: shops get another plan from then on. */
export function useReleaseDue(draft: Draft | null): void {
  const client = useQueryClient();
  const next = draft?.waiting[0]?.moment;
  useEffect(() => {
    if (next === undefined) return undefined;
    const wait = Math.max(0, Date.parse(next) - Date.now()) + GRACE_MS;
    if (wait > LONGEST_MS) return undefined;
    const timer = setTimeout(() => {
      void draftStore.load();
      void client.invalidateQueries(releaseList);
    }, wait);
    return () => clearTimeout(timer);
  }, [next, client]);
}
