import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { KeyListed } from "../../../server/keys/keys.ts";
import { CopiedOnce } from "../../fields/copied-once.tsx";
import { Loading } from "../../fields/loading.tsx";
import { NotLoaded } from "../../fields/not-loaded.tsx";
import { SectionHeading } from "../../fields/section-heading.tsx";
import { TableOfThings } from "../../fields/table-of-things.tsx";
import { say } from "../../language/say.ts";
import { momentHere } from "../../names/moment-words.ts";
import { problemWords } from "../../state/api.ts";
import { everyKey, peopleApi } from "../../state/people-api.ts";
import { KeyForm } from "./key-form.tsx";
import { RIGHT_WORDS } from "./right-words.ts";

/** What shops' servers call with. */
export function KeysView() {
  const keys = useQuery(everyKey);
  const client = useQueryClient();
  const [made, setMade] = useState<{ name: string; secret: string } | null>(null);
  const again = () => client.invalidateQueries(everyKey);
  const making = useMutation({
    mutationFn: peopleApi.makeKey,
    onSuccess: ({ secret }, { name }) => setMade({ name, secret }),
    onSettled: again,
  });
  const revoking = useMutation({ mutationFn: peopleApi.revokeKey, onSettled: again });
  const error = making.error ?? revoking.error;
  return (
    <div className="mx-auto grid max-w-[900px] gap-4">
      <SectionHeading className="text-[20px] font-bold">{say("Keys for shops")}</SectionHeading>
      <p className="text-quiet">
        {say(
          "A shop's server sends its key with each call, as authorization: Bearer and the key. It may do what is ticked, and no more.",
        )}
      </p>
      <KeyForm isBusy={making.isPending} onMake={(key, whenDone) => making.mutate(key, { onSuccess: whenDone })} />
      {made && (
        <CopiedOnce
          label={say("Key {name}", { name: made.name })}
          text={made.secret}
          about={say(
            "Put it where the shop's server reads it. Only a trace of it is kept here: it is not shown again.",
          )}
        />
      )}
      {error && (
        <p role="alert" className="text-warning">
          {say("Not done: {problem}.", { problem: problemWords(error) })}
        </p>
      )}
      <NotLoaded error={keys.error} />
      {keys.isPending && <Loading />}
      {keys.data && keys.data.keys.length === 0 && <p>{say("There is none yet: no shop can ask for quotes.")}</p>}
      {keys.data && keys.data.keys.length > 0 && (
        <KeyTable keys={keys.data.keys} isBusy={revoking.isPending} onRevoke={(key) => revoking.mutate(key)} />
      )}
    </div>
  );
}

type TableProps = { keys: readonly KeyListed[]; isBusy: boolean; onRevoke: (key: number) => void };

const KeyTable = ({ keys, isBusy, onRevoke }: TableProps) => (
  <TableOfThings
    label={say("Keys for shops")}
    className="min-w-[42rem]"
    heads={[say("Name"), say("May"), say("Calls a second"), say("Made"), say("Last used")]}
  >
    {keys.map((key) => (
      <tr key={key.number} className={key.revokedAt === null ? "" : "text-quiet"}>
        <th scope="row">{key.name}</th>
        <td>{key.rights.map((right) => say(RIGHT_WORDS[right])).join(", ")}</td>
        <td>{key.aSecond}</td>
        <td>
          {momentHere(key.madeAt)}
          <span className="block text-[13px] text-quiet">{say("by {who}", { who: key.madeBy })}</span>
        </td>
        <td>{key.lastUsedAt === null ? say("never") : momentHere(key.lastUsedAt)}</td>
        <td className="text-right whitespace-nowrap">
          {key.revokedAt === null ? (
            <button type="button" className="btn btn-xs" disabled={isBusy} onClick={() => onRevoke(key.number)}>
              {say("Revoke")}
              <span className="sr-only"> {key.name}</span>
            </button>
          ) : (
            say("revoked {when}", { when: momentHere(key.revokedAt) })
          )}
        </td>
      </tr>
    ))}
  </TableOfThings>
);
