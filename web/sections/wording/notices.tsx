import Plus from "lucide-react/icons/plus";
import type { Notice } from "../../../core/offers/notice.ts";
import { movedEntities } from "../../../core/plan/moved-entities.ts";
import { ratesOf } from "../../../core/plan/plan.ts";
import { explainAt } from "../../../core/queries/explain-at.ts";
import { byPosition } from "../../../core/schema/atoms.ts";
import { freeId, lastPosition } from "../../../core/schema/positions.ts";
import { EditingContext, editingIn } from "../../editors/editing.ts";
import { say } from "../../language/say.ts";
import { locationNameIn } from "../../names/location-name.ts";
import { useLooked } from "../../state/quote-context.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { NoticeEditor } from "./notice-editor.tsx";

/** What shoppers are told without a goal: other hours, a delay somewhere. */
export function Notices() {
  const { plan, compiled } = useDraft();
  const { request } = useLooked();
  if (!plan) return null;
  const notices = [...(plan.notices ?? [])].sort(byPosition);
  const everywhere = plan.zones.map(({ id }) => id);
  const add = () => {
    const id = freeId(
      "notice",
      notices.map((one) => one.id),
    );
    const source = plan.store.sourceLanguage ?? "en";
    const body: Notice = {
      id,
      position: lastPosition(notices),
      name: say("New notice"),
      on: true,
      zones: [],
      surfaces: ["banner", "cart"],
      texts: { [source]: "We are closed from 24 to 27 December; orders leave on the 28th." },
    };
    draftStore.commit({ kind: "notice", id, body });
  };
  return (
    <div className="grid gap-4">
      <p className="text-quiet">
        {say(
          "Told beside what offers say, to everybody it is for. A notice promises nothing: it has no goal and no amounts.",
        )}
      </p>
      {notices.map((notice, i) => (
        <EditingContext
          key={notice.id}
          value={editingIn({
            plan,
            context: {
              zone: null,
              market: plan.markets[0]?.id ?? "",
              currency: plan.markets[0]?.currencies[0] ?? request.currency,
              rates: ratesOf(plan),
              locationName: locationNameIn(plan),
            },
            zones: notice.zones.length > 0 ? notice.zones : everywhere,
            explain: (condition) => compiled && explainAt(compiled, request, condition),
          })}
        >
          <NoticeEditor
            notice={notice}
            order={{
              place: i,
              of: notices.length,
              onMove: (to) => draftStore.commit(...movedEntities(plan, "notice", notice.id, to)),
            }}
            onNotice={(body) => draftStore.commit({ kind: "notice", id: notice.id, body })}
          />
        </EditingContext>
      ))}
      <button type="button" className="btn btn-sm justify-self-start" onClick={add}>
        <Plus size={14} aria-hidden /> {say("Add a notice")}
      </button>
    </div>
  );
}
