import type { SessionSeen } from "../../../server/people/sessions.ts";
import { say } from "../../language/say.ts";
import { momentHere } from "../../names/moment-words.ts";
import { problemElsewhere, useAccountChange } from "../../state/use-account-change.ts";

/** Every place where one is signed in, with a way to end each. */
export function SessionList({ sessions }: { sessions: readonly SessionSeen[] }) {
  const changing = useAccountChange();
  const others = sessions.filter(({ isThis }) => !isThis);
  return (
    <section aria-label={say("Where you are signed in")} className="border border-base-300 bg-base-100 p-4">
      <h2 className="mb-2 font-semibold">{say("Where you are signed in")}</h2>
      <ul className="grid gap-2">
        {sessions.map(({ number, begun, seen, address, agent, isThis }) => (
          <li
            key={number}
            className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-base-300 pb-2"
          >
            <span>
              {isThis ? <strong>{say("Here")}</strong> : address}
              <span className="block text-[13px] text-quiet">
                {say("since {begun}, last seen {seen}", { begun: momentHere(begun), seen: momentHere(seen) })}
              </span>
              <span className="block max-w-xl text-[13px] text-quiet">{agent}</span>
            </span>
            {!isThis && (
              <button
                type="button"
                className="btn btn-xs"
                disabled={changing.isPending}
                onClick={() => changing.mutate({ do: "end-session", session: number })}
              >
                {say("End it")}
                <span className="sr-only"> {say("from {address}", { address })}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {others.length > 0 && (
        <button
          type="button"
          className="btn btn-sm mt-3"
          disabled={changing.isPending}
          onClick={() => changing.mutate({ do: "end-other-sessions" })}
        >
          {say("End all but this")}
        </button>
      )}
      {problemElsewhere(changing.error) && (
        <p role="alert" className="mt-2 text-warning">
          {problemElsewhere(changing.error)}
        </p>
      )}
    </section>
  );
}
