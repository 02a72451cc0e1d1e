import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Offer } from "../../../core/offers/offer.ts";
import { say } from "../../language/say.ts";
import { momentOfYear } from "../../names/moment-words.ts";
import { api, problemWords } from "../../state/api.ts";
import { releasedPlan } from "../../state/released-plan.ts";
import { releaseList } from "../../state/server-queries.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";

type Props = { offer: Offer; timeZone: string };

/**
 * The way to end an offer at once for shoppers, and to bring it back, without releasing what else the draft holds. The draft's own
 * switch goes along, as an edit that can be undone; releases that wait and would turn it round again are named.
 */
export function TakeOffNow({ offer, timeZone }: Props) {
  const { draft } = useDraft();
  const client = useQueryClient();
  const [asking, setAsking] = useState(false);
  const readAgain = () => Promise.all([draftStore.load(), client.invalidateQueries(releaseList)]);
  const switching = useMutation({
    mutationFn: (on: boolean) => api.switchOffer(offer.id, on),
    onSuccess: async (_, on) => {
      setAsking(false);
      // First what shops get now is known: an edit that is saved meanwhile would overtake it.
      await readAgain();
      if (offer.on !== on) draftStore.commit({ kind: "offer", id: offer.id, body: { ...offer, on } });
    },
    onError: readAgain,
  });
  const remaking = useMutation({ mutationFn: api.changeRelease, onSettled: readAgain });
  const released = draft && releasedPlan(draft)?.offers.find(({ id }) => id === offer.id);
  if (!draft?.release || !released) return null;
  const isOn = released.on;
  const turning = draft.waiting.filter(({ offersOn }) => offersOn.includes(offer.id) !== isOn);
  const error = switching.error ?? remaking.error;
  return (
    <div className="mt-2 text-[13px]">
      {!asking && (
        <button type="button" className="btn btn-xs" onClick={() => setAsking(true)}>
          {isOn ? say("Take it off for shoppers now") : say("Shoppers do not have it now: bring it back")}
        </button>
      )}
      {asking && (
        <div className="border-l-2 border-warning pl-3">
          <p>
            {say(
              "Release {number} is made at once: what shops get now, {with, select, yes {with} other {without}} this offer. What else the draft holds stays unreleased.",
              { number: draft.lastRelease + 1, with: isOn ? "no" : "yes" },
            )}
          </p>
          <span className="mt-1 flex gap-2">
            <button
              type="button"
              className="btn btn-sm btn-neutral"
              disabled={switching.isPending}
              onClick={() => switching.mutate(!isOn)}
            >
              {isOn ? say("Take it off now") : say("Bring it back now")}
            </button>
            <button type="button" className="btn btn-sm" onClick={() => setAsking(false)}>
              {say("Leave it")}
            </button>
          </span>
        </div>
      )}
      {!isOn && turning.length > 0 && (
        <ul
          aria-label={say("Releases that would bring it back")}
          className="mt-1 grid gap-1 border-l-2 border-warning pl-3"
        >
          {turning.map(({ number, moment }) => (
            <li key={number}>
              {say("Release {number} brings it back on {moment}.", {
                number,
                moment: momentOfYear(Date.parse(moment), timeZone),
              })}{" "}
              <button
                type="button"
                className="link min-h-6"
                disabled={remaking.isPending}
                onClick={() => remaking.mutate({ number, do: "switch-offer", offer: offer.id, on: false })}
              >
                {say("Make it anew without this offer")}
                <span className="sr-only">{say(": release {number}", { number })}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {error && (
        <p role="alert" className="text-warning">
          {say("Not done: {problem}.", { problem: problemWords(error) })}
        </p>
      )}
    </div>
  );
}
