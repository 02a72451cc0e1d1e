import { STORE_ID } from "../../../core/plan/entities.ts";
import type { DraftState } from "../../state/draft-store.ts";
import { draftStore } from "../../state/use-draft.ts";
import { PlanFile } from "./plan-file.tsx";

/** An empty store: nothing has been decided yet. */
export function StartAPlan({ state, currency }: { state: DraftState; currency: string }) {
  return (
    <section className="mx-auto mt-16 max-w-xl border border-base-300 bg-base-100 p-6">
      <h1 className="mb-1 text-[17px] font-bold">This store has no plan yet</h1>
      <p className="mb-4 text-quiet">Start one: say where you sell, then how you deliver, then what you give.</p>
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          const name = String(new FormData(event.currentTarget).get("name") ?? "").trim();
          draftStore.commit({
            kind: "store",
            id: STORE_ID,
            body: { name: name === "" ? "My store" : name.slice(0, 100), chosenAtFirst: { rule: "cheapest" } },
          });
        }}
      >
        <input
          name="name"
          className="input input-sm flex-1"
          aria-label="The store's name"
          placeholder="The store's name"
          maxLength={100}
        />
        <button type="submit" className="btn btn-neutral btn-sm">
          Start
        </button>
      </form>
      <PlanFile state={state} market={null} currency={currency} />
    </section>
  );
}
