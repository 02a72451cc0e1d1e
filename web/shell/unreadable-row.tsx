import { say } from "../language/say.ts";
import type { DraftState } from "../state/draft-store.ts";
import { draftStore } from "../state/use-draft.ts";

type Broken = NonNullable<DraftState["draft"]>["unreadable"][number];

/** A row of the draft that fits no schema: shown as it is, to be mended as text or removed. */
export function UnreadableRow({ broken }: { broken: Broken }) {
  const { kind, id, revision, text, problems } = broken;
  return (
    <section role="alert" className="mb-3 border border-warning bg-base-100 p-3">
      <h2 className="font-semibold text-warning">{say("The {kind} “{id}” cannot be read", { kind, id })}</h2>
      <ul className="my-1">
        {problems.slice(0, 4).map(({ path, message }) => (
          <li key={path + message.message}>
            <span className="inline-block max-w-60 truncate align-bottom" title={path}>
              {path}
            </span>{" "}
            {say(message)}
          </li>
        ))}
      </ul>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          draftStore.mend({ kind, id, revision }, String(new FormData(event.currentTarget).get("body") ?? ""));
        }}
      >
        <label className="grid gap-1 text-[13px] text-quiet">
          {say("As it is stored")}
          <textarea
            name="body"
            className="textarea h-40 w-full font-mono text-[13px]"
            defaultValue={text}
            spellCheck={false}
          />
        </label>
        <div className="mt-2 flex gap-2">
          <button type="submit" className="btn btn-sm btn-neutral">
            {say("Keep it like this")}
          </button>
          <button type="button" className="btn btn-sm" onClick={() => draftStore.mend({ kind, id, revision }, null)}>
            {say("Remove it")}
          </button>
        </div>
      </form>
    </section>
  );
}
