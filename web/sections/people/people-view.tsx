import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { PersonListed } from "../../../server/people/people.ts";
import type { ChangePeople } from "../../../server/people/people-schema.ts";
import { CopiedOnce } from "../../fields/copied-once.tsx";
import { Loading } from "../../fields/loading.tsx";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { say } from "../../language/say.ts";
import { errorWords, problemWords } from "../../state/api.ts";
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
      {people.error && (
        <p role="alert" className="text-warning">
          {say("It could not be loaded: {problem}.", { problem: errorWords(people.error) })}
        </p>
      )}
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
  <div className="overflow-x-auto border border-base-300 bg-base-100">
    <table aria-label={say("People")} className="table min-w-[46rem] text-[14px]">
      <thead>
        <tr className="text-[13px] text-quiet">
          <th scope="col">{say("Name")}</th>
          <th scope="col">{say("May")}</th>
          <th scope="col">{say("Signs in with")}</th>
          <th scope="col">{say("Last seen")}</th>
          <th scope="col">
            <span className="sr-only">{say("What can be done")}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {people.map((person) => (
          <PersonRow
            key={person.id}
            person={person}
            isYou={person.id === own}
            isBusy={isBusy}
            onChange={(change) => onChange(change, person.name)}
          />
        ))}
      </tbody>
    </table>
  </div>
);
