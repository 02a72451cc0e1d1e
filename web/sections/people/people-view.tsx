import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { PersonListed } from "../../../server/people/people.ts";
import type { ChangePeople } from "../../../server/people/people-schema.ts";
import { CopiedOnce } from "../../fields/copied-once.tsx";
import { Loading } from "../../fields/loading.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { TableOfThings } from "../../fields/table-of-things.tsx";
import { say } from "../../language/say.ts";
import { problemWords } from "../../state/api.ts";
import { everybody, ownAccount, peopleApi } from "../../state/people-api.ts";
import { InviteForm } from "./invite-form.tsx";
import { PersonRow } from "./person-row.tsx";

/** Who may sign in, and what each may do. */
export function PeopleView() {
  const people = useQuery(everybody);
  const own = useQuery(ownAccount);
  const client = useQueryClient();
  const [link, setLink] = useState<{ name: string; address: string } | null>(null);
  const changing = useMutation({
    mutationFn: ({ change }: { change: ChangePeople; name: string }) => peopleApi.changePeople(change),
    onSuccess: (made, { name }) =>
      setLink(made.link === undefined ? null : { name, address: `${window.location.origin}/sign-in#${made.link}` }),
    onSettled: () => client.invalidateQueries(everybody),
  });
  const change = (asked: ChangePeople, name: string, whenDone = () => {}) =>
    changing.mutate({ change: asked, name }, { onSuccess: whenDone });
  return (
    <div className="mx-auto grid max-w-[900px] gap-4">
      <SectionHeading className="text-[20px] font-bold">{say("People")}</SectionHeading>
      <InviteForm
        isBusy={changing.isPending}
        onInvite={(name, role, whenDone) => change({ do: "invite", name, role }, name, whenDone)}
      />
      {link && (
        <CopiedOnce
          label={say("Link for {name}", { name: link.name })}
          text={link.address}
          about={say("Give it to them by a way that is theirs alone. It works once, and is not shown again.")}
        />
      )}
      {changing.error && (
        <p role="alert" className="text-warning">
          {say("Not done: {problem}.", { problem: problemWords(changing.error) })}
        </p>
      )}
      <NotLoaded error={people.error} />
      {people.isPending && <Loading />}
      {people.data && (
        <PeopleTable
          people={people.data.people}
          own={own.data?.person.id ?? null}
          isBusy={changing.isPending}
          onChange={change}
        />
      )}
    </div>
  );
}

type TableProps = {
  people: readonly PersonListed[];
  own: number | null;
  isBusy: boolean;
  onChange: (change: ChangePeople, name: string) => void;
};

const PeopleTable = ({ people, own, isBusy, onChange }: TableProps) => (
  <TableOfThings
    label={say("People")}
    className="min-w-[46rem]"
    heads={[say("Name"), say("May"), say("Signs in with"), say("Last seen")]}
  >
    {people.map((person) => (
      <PersonRow
        key={person.id}
        person={person}
        isYou={person.id === own}
        isBusy={isBusy}
        onChange={(change) => onChange(change, person.name)}
      />
    ))}
  </TableOfThings>
);
