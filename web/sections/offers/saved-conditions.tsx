import Trash2 from "lucide-react/icons/trash-2";
import { Link } from "wouter";
import type { Plan } from "../../../core/plan/plan.ts";
import { ConditionBuilder } from "../../editors/conditions/condition-builder.tsx";
import { useEditing } from "../../editors/editing.ts";
import { TextField } from "../../fields/text-field.tsx";
import { say } from "../../language/say.ts";
import { setOptional } from "../../state/set-optional.ts";
import { draftStore } from "../../state/use-draft.ts";

/** Conditions kept under a name, with everything that uses them: changed here, they change there. */
export function SavedConditions() {
  const { plan } = useEditing();
  const conditions = plan.conditions ?? [];
  return (
    <div className="grid gap-4">
      {conditions.length === 0 && (
        <p className="text-quiet">{say("No condition is kept yet: “Save” beside a clause keeps it.")}</p>
      )}
      {conditions.map((saved) => {
        const users = usersOf(plan, saved.id);
        const save = (body: typeof saved) => draftStore.commit({ kind: "condition", id: saved.id, body });
        return (
          <section
            key={saved.id}
            id={`condition/${saved.id}`}
            aria-label={saved.name}
            className="border-t border-base-300 pt-3"
          >
            <div className="flex flex-wrap items-end gap-3">
              <TextField
                label={say("Reads as")}
                className="w-96"
                value={saved.name}
                leaf="condition/name"
                onCommit={(name) => save({ ...saved, name })}
              />
              <TextField
                label={say("What it is for")}
                className="w-72"
                value={saved.purpose}
                leaf="condition/purpose"
                onCommit={(purpose) => save({ ...saved, purpose })}
                onEmpty={() => save(setOptional(saved, "purpose", undefined))}
              />
              <button
                type="button"
                className="btn btn-ghost btn-sm"
                disabled={users.length > 0}
                onClick={() => draftStore.commit({ kind: "condition", id: saved.id, body: null })}
              >
                <Trash2 size={14} aria-hidden /> {say("Remove")}
              </button>
            </div>
            <ConditionBuilder
              condition={saved.when}
              lead={say("It holds for")}
              onCondition={(when) => when && save({ ...saved, when })}
            />
            <p className="text-[13px] text-quiet">
              {users.length === 0 ? say("Used nowhere.") : say("Used by ")}
              {users.map(({ name, href }, i) => (
                <span key={href}>
                  {i > 0 && ", "}
                  <Link className="link" href={href}>
                    {name}
                  </Link>
                </span>
              ))}
            </p>
          </section>
        );
      })}
    </div>
  );
}

/** Everything that refers to a saved condition, wherever in it. */
function usersOf(plan: Plan, id: string): { name: string; href: string }[] {
  const refers = (body: unknown): boolean => {
    if (typeof body !== "object" || body === null) return false;
    if (Reflect.get(body, "kind") === "saved" && Reflect.get(body, "id") === id) return true;
    return Object.values(body).some(refers);
  };
  return [
    ...plan.offers.filter(refers).map((offer) => ({ name: `“${offer.name}”`, href: `/offers#${offer.id}` })),
    ...plan.options
      .filter(refers)
      .map((option) => ({ name: option.name.en ?? option.id, href: `/delivery#${option.id}` })),
    ...(plan.conditions ?? [])
      .filter((other) => other.id !== id && refers(other.when))
      .map((other) => ({ name: `“${other.name}”`, href: `/offers#condition/${other.id}` })),
  ];
}
