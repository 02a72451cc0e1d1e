import { offerSentence } from "../../core/explain/offer-sentence.ts";
import type { Offer } from "../../core/offers/offer.ts";
import type { Market } from "../../core/places/market.ts";
import type { Plan } from "../../core/plan/plan.ts";
import type { Conflict } from "../../server/draft/change-set.ts";
import { draftStore } from "../state/use-draft.ts";

type Props = { conflict: Conflict; plan: Plan | null; market: Market | null };

/** Someone saved the same thing first: both versions, and the choice between them. */
export function ConflictBar({ conflict, plan, market }: Props) {
  const words = (body: Conflict["yours"]) => (body === null ? "removed" : bodyWords(body, plan, market));
  return (
    <section role="alert" className="mb-4 border border-warning bg-base-100 p-3">
      <h2 className="font-semibold text-warning">Someone else changed this while you did</h2>
      <dl className="my-2 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
        <dt className="text-quiet">Saved now</dt>
        <dd>{words(conflict.current.body)}</dd>
        <dt className="text-quiet">Yours</dt>
        <dd>{words(conflict.yours)}</dd>
      </dl>
      <button type="button" className="btn btn-sm btn-neutral mr-2" onClick={() => void draftStore.settle("mine")}>
        Save mine over it
      </button>
      <button type="button" className="btn btn-sm" onClick={() => void draftStore.settle("theirs")}>
        Take what is saved
      </button>
    </section>
  );
}

function bodyWords(body: NonNullable<Conflict["yours"]>, plan: Plan | null, market: Market | null): string {
  const offer = isOffer(body) ? body : null;
  const currency = market?.currencies[0];
  if (!offer || !plan || !market || !currency)
    return "name" in body && typeof body.name === "string" ? body.name : "changed";
  return offerSentence(plan, offer, market.id, currency)
    .map(({ text }) => text)
    .join("");
}

const isOffer = (body: NonNullable<Conflict["yours"]>): body is Offer => "steps" in body;
