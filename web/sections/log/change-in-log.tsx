import { type ChangeLine, changeLines } from "../../../core/explain/change-lines.ts";
import { type Change, ENTITY_KINDS, type Entity, entitiesOf, entityKey } from "../../../core/plan/entities.ts";
import type { Plan } from "../../../core/plan/plan.ts";
import { undonePart } from "../../../core/plan/undo-part.ts";
import type { LoggedChange } from "../../../server/log/read-log.ts";
import { say } from "../../language/say.ts";
import { entityName } from "../../names/entity-words.ts";
import { draftStore, useDraft } from "../../state/use-draft.ts";
import { PartLines } from "../release/part-lines.tsx";
import { changeOf } from "./change-of.ts";

/** What was done to one thing, part by part; each part can be taken back where nobody has changed it since. */
export function ChangeInLog({ change }: { change: LoggedChange }) {
  const { plan } = useDraft();
  const { kind, id, before, after } = change;
  const [was, is] = [sideOf(change, before), sideOf(change, after)];
  const named = is ?? was;
  const now = plan ? entitiesOf(plan).find((one) => entityKey(one) === entityKey(change)) : undefined;
  const lines = plan && was && is ? linesOf(was, is, plan) : [];
  return (
    <li>
      <p className="font-semibold">
        <span className="text-[13px] font-normal text-quiet">
          {before === null ? say("New") : after === null ? say("Removed") : say("Changed")}{" "}
          {say(ENTITY_KINDS[kind].words)}
        </span>{" "}
        {named ? entityName(named) : id}
        {lines.length === 0 && plan && <TakeBack undone={wholeUndone(change, now)} what={id} />}
      </p>
      <PartLines
        lines={lines}
        behind={({ path, what }) => <TakeBack undone={partUndone(change, now, path)} what={say(what)} />}
      />
    </li>
  );
}

/** Part by part; what was written in a format that is read no more is told without its parts. */
function linesOf(was: Entity, is: Entity, plan: Plan): ChangeLine[] {
  try {
    return changeLines(was, is, plan, plan);
  } catch {
    return [];
  }
}

/** @param undone the edit that takes it back; null where it was changed again since, or stands as before already */
const TakeBack = ({ undone, what }: { undone: Change | null; what: string }) =>
  undone && (
    <button type="button" className="btn btn-ghost btn-xs ml-2" onClick={() => draftStore.commit(undone)}>
      {say("Take back")}
      <span className="sr-only"> {what}</span>
    </button>
  );

const sideOf = ({ kind, id }: LoggedChange, body: LoggedChange["before"]): Entity | null => {
  const change = body === null ? null : changeOf(kind, id, body);
  return change && change.body !== null ? change : null;
};

function partUndone({ kind, id, before, after }: LoggedChange, now: Entity | undefined, path: readonly string[]) {
  const undone = now && undonePart(now.body, before, after, path);
  return undone ? changeOf(kind, id, undone.whole) : null;
}

/** What came new goes, and what went comes back. */
function wholeUndone({ kind, id, before, after }: LoggedChange, now: Entity | undefined): Change | null {
  const undone = undonePart(now?.body, before ?? undefined, after ?? undefined, []);
  return undone ? changeOf(kind, id, undone.whole ?? null) : null;
}
