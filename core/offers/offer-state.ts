import { intervalsOf } from "../time/occurrences.ts";
import type { Offer } from "./offer.ts";

/** `off`: switched off or a draft; `scheduled`: none of its time has begun, or the next stretch of it has not; `ended`. */
export type OfferState = "off" | "on" | "scheduled" | "ended";

/** Where an offer stands at a moment, by the clocks of a time zone; with the moment of the next change, if there is one. */
export function offerState(offer: Offer, timeZone: string, at: number): { state: OfferState; changes: number | null } {
  if (!offer.on) return { state: "off", changes: null };
  if (!offer.schedule) return { state: "on", changes: null };
  const stretches = intervalsOf(offer.schedule, timeZone);
  const now = stretches.filter(([start, end]) => start <= at && at < end);
  if (now.length > 0) {
    const end = Math.max(...now.map(([, until]) => until));
    return { state: "on", changes: Number.isFinite(end) ? end : null };
  }
  const starts = stretches.map(([start]) => start).filter((start) => start > at);
  return starts.length > 0 ? { state: "scheduled", changes: Math.min(...starts) } : { state: "ended", changes: null };
}
