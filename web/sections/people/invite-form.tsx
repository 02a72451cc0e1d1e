import { useState } from "react";
import type { Role } from "../../../server/people/person.ts";
import { FormField } from "../../fields/form-field.tsx";
import { SelectField } from "../../fields/select-field.tsx";
import { say } from "../../language/say.ts";
import { ROLE_WORDS } from "../../names/role-words.ts";

type Props = { isBusy: boolean; onInvite: (name: string, role: Role, whenDone: () => void) => void };

/** Lets somebody in: a link is made for them, by which they set a password. */
export function InviteForm({ isBusy, onInvite }: Props) {
  const [name, setName] = useState("");
  const [role, setRole] = useState<Role>("edit");
  return (
    <form
      aria-label={say("Invite somebody")}
      className="flex flex-wrap items-end gap-3 border border-base-300 bg-base-100 p-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== "") onInvite(name.trim(), role, () => setName(""));
      }}
    >
      <FormField label={say("Name of somebody new")} value={name} onChange={setName} fills="off" />
      <SelectField label={say("May")} value={role} choices={ROLE_WORDS} onCommit={setRole} />
      <button type="submit" className="btn btn-sm" disabled={isBusy || name.trim() === ""}>
        {say("Invite")}
      </button>
    </form>
  );
}
