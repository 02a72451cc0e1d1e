import { useState } from "react";
import type { PersonListed } from "../../../server/people/people.ts";
import type { ChangePeople } from "../../../server/people/people-schema.ts";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { momentHere } from "../../names/moment-words.ts";
import { ROLE_WORDS } from "../../names/role-words.ts";

type Props = {
  person: PersonListed;
  isYou: boolean;
  isBusy: boolean;
  onChange: (change: ChangePeople) => void;
};

/** One person: what they may do, how they get in, and the way out. */
export function PersonRow({ person, isYou, isBusy, onChange }: Props) {
  const { id, name, role, lastSeen, leftAt } = person;
  return (
    <tr className={leftAt === null ? "" : "text-quiet"}>
      <th scope="row">
        {name}
        {isYou && <span className="font-normal text-quiet"> {say("(you)")}</span>}
      </th>
      <td>
        {leftAt !== null ? (
          say("left {when}", { when: momentHere(leftAt) })
        ) : isYou ? (
          say(ROLE_WORDS[role])
        ) : (
          <SelectField
            label={say("What {name} may", { name })}
            hideLabel
            className="w-56"
            value={role}
            choices={ROLE_WORDS}
            disabled={isBusy}
            onCommit={(next) => onChange({ do: "set-role", person: id, role: next })}
          />
        )}
      </td>
      <td>{leftAt === null && <Ways person={person} />}</td>
      <td className="whitespace-nowrap">{lastSeen === null ? say("not signed in") : momentHere(lastSeen)}</td>
      <td className="text-right">
        {leftAt === null ? (
          <Doings person={person} isYou={isYou} isBusy={isBusy} onChange={onChange} />
        ) : (
          <button
            type="button"
            className="btn btn-xs"
            disabled={isBusy}
            onClick={() => onChange({ do: "invite", name, role })}
          >
            {say("Invite again")}
            <span className="sr-only"> {name}</span>
          </button>
        )}
      </td>
    </tr>
  );
}

function Ways({ person: { hasPassword, hasSecondFactor } }: { person: PersonListed }) {
  if (!hasPassword) return <span className="text-quiet">{say("no password yet")}</span>;
  return hasSecondFactor ? say("password and code") : say("password");
}

/** A new link, and taking out, which is asked for twice. */
function Doings({ person, isYou, isBusy, onChange }: Props) {
  const [isAsking, setIsAsking] = useState(false);
  const { id, name, hasSecondFactor } = person;
  const link = (losesFactor: boolean) => onChange({ do: "make-link", person: id, losesFactor });
  if (isAsking)
    return (
      <span className="flex flex-wrap items-center justify-end gap-2">
        {say("{name} does not get in any more.", { name })}
        <button
          type="button"
          className="btn btn-xs"
          disabled={isBusy}
          onClick={() => onChange({ do: "take-out", person: id })}
        >
          {say("Take {name} out", { name })}
        </button>
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => setIsAsking(false)}>
          {say("Leave it")}
        </button>
      </span>
    );
  return (
    <span className="flex flex-wrap justify-end gap-2">
      <button type="button" className="btn btn-xs" disabled={isBusy} onClick={() => link(false)}>
        {say("Link for a new password")}
        <span className="sr-only"> {say("for {name}", { name })}</span>
      </button>
      {hasSecondFactor && (
        <button type="button" className="btn btn-xs" disabled={isBusy} onClick={() => link(true)}>
          {say("The same, without the second factor")}
          <span className="sr-only"> {say("for {name}", { name })}</span>
        </button>
      )}
      {!isYou && (
        <button type="button" className="btn btn-xs" disabled={isBusy} onClick={() => setIsAsking(true)}>
          {say("Take out…")}
          <span className="sr-only"> {name}</span>
        </button>
      )}
    </span>
  );
}
